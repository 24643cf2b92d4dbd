<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format;

/**
 * Tells which of the encodings of before Unicode a text is in. Bytes say nothing by themselves; read in each of them,
 * the text is told by how little is odd about it: signs within words, capitals behind small letters, two scripts in one
 * word, letters that hardly occur.
 */
final class LegacyEncoding
{
    public const USUAL = 'Windows-1252';

    /** As iconv names them, by the names that people know. */
    private const ALL = [
        self::USUAL => 'CP1252',
        'Shift JIS' => 'CP932',
        'EUC-JP' => 'EUC-JP',
        'GB 18030' => 'GB18030',
        'Big5' => 'CP950',
        'EUC-KR' => 'CP949',
        // before those that have a letter at each of its places
        'Windows-1255' => 'CP1255',
        'Windows-1256' => 'CP1256',
        'Thai (TIS-620)' => 'CP874',
        'Windows-1251' => 'CP1251',
        'KOI8-R' => 'KOI8-R',
        'ISO 8859-5' => 'ISO-8859-5',
        'DOS 866' => 'CP866',
        'Windows-1253' => 'CP1253',
        'Windows-1250' => 'CP1250',
        'Windows-1254' => 'CP1254',
        'Windows-1257' => 'CP1257',
        'Mac OS Roman' => 'MACINTOSH',
        'DOS 850' => 'CP850',
        'DOS 852' => 'CP852',
    ];

    private const JAPANESE = '[ぁ-んァ-ヶー日本人年大学研究会社時間行出入見分生者的中上下国地方法化性物心体'.
        '動力定関係対調査比較検討影響効果看護夜勤睡眠病院患師]';

    private const CYRILLIC = '[оеаинтсрвлкмдпуяОЕАИНТСРВЛКМДПУЯ]';

    /** What makes up a good part of what is written in each, to tell apart what the bytes could be as well. */
    private const COMMON = [
        'Shift JIS' => self::JAPANESE,
        'EUC-JP' => self::JAPANESE,
        'GB 18030' => '[的一是在不了有和人中大为上个国我以要时来用们生到作地于出就分对成会可主发年动同工也能下过子说产种面而方后多'.
            '定行学法所民得经进着等部度研究分析影响治疗护理患者医院睡眠夜班士]',
        'Big5' => '[的一是在不了有和人中大為上個國我以要時來用們生到作地於出就分對成會可主發年動同工也能下過子說產種面而方後多'.
            '定行學法所民得經進著等部度研究分析影響治療護理患者醫院睡眠夜班士]',
        'EUC-KR' => '\p{Hangul}',
        'Windows-1251' => self::CYRILLIC,
        'KOI8-R' => self::CYRILLIC,
        'ISO 8859-5' => self::CYRILLIC,
        'DOS 866' => self::CYRILLIC,
        'Windows-1253' => '[αοιετσνηυρκπμλςάέήίόύώΑΟΙΕΤΣΝΗΥΡΚΠΜΛ]',
        'Windows-1255' => '[אבגדהוזחטיכלמנסעפצקרשתםןךףץ]',
        'Windows-1256' => '[ابتثجحخدذرزسشصضطظعغفقكلمنهويءآأؤإئىةپچژگ]',
        'Thai (TIS-620)' => '\p{Thai}',
    ];

    /** What share of all letters outside ASCII these are at least. */
    private const SHARES = [
        'Shift JIS' => 0.25,
        'EUC-JP' => 0.25,
        'GB 18030' => 0.2,
        'Big5' => 0.2,
        'EUC-KR' => 0.9,
        'Windows-1251' => 0.8,
        'KOI8-R' => 0.8,
        'ISO 8859-5' => 0.8,
        'DOS 866' => 0.8,
        'Windows-1253' => 0.85,
        'Windows-1256' => 0.95,
        'Thai (TIS-620)' => 0.95,
    ];

    private const USUAL_SHARE = 0.6;

    private const OTHERS = '[\p{Cyrillic}\p{Greek}\p{Hebrew}\p{Arabic}\p{Thai}\p{Han}\p{Hangul}]';

    /** What is odd, and how much it says. */
    private const ODD = [
        '/[\x{80}-\x{9F}\p{Co}\p{Cn}\x{FFFD}]/u' => 8.0,
        // katakana of half the width, which are single bytes, as accented letters are elsewhere
        '/[\x{FF61}-\x{FF9F}]/u' => 1.0,
        '/\p{L}[\p{S}¹²³ªº¿¡¶·¸¼½¾¤§‚„…†‡‰‹›•](?=\p{L})/u' => 2.0,
        '/\p{Ll}(?=[^\x00-\x7F])\p{Lu}|[^\x00-\x7F\P{Ll}ß]\p{Lu}/u' => 2.0,
        '/\p{Latin}(?='.self::OTHERS.')|'.self::OTHERS.'(?=\p{Latin})/u' => 1.0,
        '/(?:(?=[^\x00-\x7Fışğ])\p{Latin}){4,}/u' => 4.0,
        // signs of prose that touch a word, final letters before others, vowels and tones with no letter to sit on
        '/[¢¤¥¦¨¬\x{AD}¯´¸](?=\p{L})|(?<=\p{L})[¢¤¥¦¨¬\x{AD}¯´¸]|(?<![\dnNrRaA.])[ºª](?=\p{L})/u' => 1.0,
        '/[ךםןףץ](?=\p{Hebrew})|ς(?=\p{L})|σ(?!\p{L})/u' => 2.0,
        '/(?<![ก-ฮั-ฺ็-๎])[ัิ-ฺ็-๎]|[๐-๙๏๚๛](?=[ก-๎])/u' => 2.0,
    ];

    /** So much of a text is looked at, and so many letters outside ASCII say enough. */
    private const SAMPLE = 16_384;

    private const FEWEST = 6;

    private const HARDLY_ODD = 0.05;

    /** @return non-empty-list<string> */
    public static function names(): array
    {
        return array_keys(self::ALL);
    }

    /**
     * The usual one where nothing speaks for another; null where there is too little to tell by.
     *
     * @param  string  $bytes  of a text that is no UTF-8, from its beginning or from the beginning of a line
     */
    public static function of(string $bytes): ?string
    {
        $sample = self::sample($bytes);
        if (preg_match_all('/[\x80-\xFF]/', $sample) < self::FEWEST) {
            return null;
        }
        $usual = self::oddity($sample, self::USUAL);
        [$best, $least] = [self::USUAL, $usual / 2];
        foreach ($usual < self::HARDLY_ODD ? [] : array_keys(self::ALL) as $name) {
            $oddity = self::oddity($sample, $name);
            if ($oddity < $least) {
                [$best, $least] = [$name, $oddity];
            }
        }

        return $best;
    }

    /** In UTF-8; a byte that has no place in the encoding is left out. */
    public static function decoded(string $bytes, string $name): string
    {
        return self::transcoded($bytes, $name, '//IGNORE') ?? mb_convert_encoding($bytes, 'UTF-8', self::USUAL);
    }

    /**
     * Words that were read in one encoding as they would be in each other one that has a sign for all of it, the least
     * odd first; of what comes to the same the first.
     *
     * @return array<string, string> by encoding
     */
    public static function readings(string $words, string $read): array
    {
        $bytes = self::recoded($words, 'UTF-8', self::ALL[$read] ?? self::ALL[self::USUAL]);
        $readings = $odd = [];
        foreach ($bytes === null ? [] : array_keys(self::ALL) as $name) {
            $text = self::transcoded((string) $bytes, $name);
            $isWhole = $text !== null && preg_match('/^\P{C}+$/u', $text) === 1;
            if ($isWhole && $text !== $words && ! in_array($text, $readings, true)) {
                $readings[$name] = $text;
                $odd[$name] = self::oddity((string) $bytes, $name);
            }
        }
        uksort($readings, fn (string $a, string $b): int => ($odd[$a] ?? INF) <=> ($odd[$b] ?? INF));

        return $readings;
    }

    private static function transcoded(string $bytes, string $name, string $how = ''): ?string
    {
        return self::recoded($bytes, self::ALL[$name], "UTF-8{$how}");
    }

    /** Null where something has no place in an encoding; iconv would tell that to the log. */
    private static function recoded(string $bytes, string $from, string $to): ?string
    {
        set_error_handler(fn (): bool => true);
        try {
            $text = iconv($from, $to, $bytes);
        } finally {
            restore_error_handler();
        }

        return $text === false ? null : $text;
    }

    /** The lines that have letters outside ASCII and are no UTF-8, whole. */
    private static function sample(string $bytes): string
    {
        $sample = '';
        foreach (preg_split('/[\r\n]+/', $bytes) ?: [] as $line) {
            if (preg_match('/[\x80-\xFF]/', $line) === 1 && preg_match('//u', $line) !== 1) {
                if (strlen($sample) + strlen($line) > self::SAMPLE) {
                    break;
                }
                $sample .= "{$line}\n";
            }
        }

        return $sample;
    }

    /** How odd the text is in this encoding, by letter outside ASCII; INF where it cannot be in it. */
    private static function oddity(string $sample, string $name): float
    {
        $text = self::transcoded($sample, $name) ?? '';
        $letters = (int) preg_match_all('/(?=[^\x00-\x7F])[\p{L}\p{M}]/u', $text);
        if ($letters === 0) {
            return INF;
        }
        $odd = 0.0;
        foreach (self::ODD as $pattern => $weight) {
            $odd += $weight * (int) preg_match_all($pattern, $text);
        }
        if (isset(self::COMMON[$name])) {
            $share = (int) preg_match_all('/'.self::COMMON[$name].'/u', $text) / $letters;
            $odd += $letters * max(0.0, 1 - $share / (self::SHARES[$name] ?? self::USUAL_SHARE));
        }

        return ($odd + LatinAlphabets::unexplained($text, $name)) / $letters;
    }
}
