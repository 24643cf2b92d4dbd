<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Cited;

use WaryHeron\Core\Bibliography\Language;
use WaryHeron\Core\Bibliography\PublicationType;

/** The title of a reference with what is said of the work around it, and where it appeared. */
final readonly class CitedTitle
{
    /** A title that only begins with words in quotation marks. */
    private const GOES_ON = '(?!:|\s(?!in\b)\p{Ll})';

    private const QUOTED = '/^[\s.,:]*(?:[“”"„«](?<title>[^”"“»]{3,}?)(?:[,.][”"“»]|[”"“»]'.self::GOES_ON.')'
        .'|[‘\'](?<title2>.{3,}?)(?:[,.][’\'](?=\s|$)|[’\'](?=[,.:;]?\s|[,.:;]?$)'.self::GOES_ON.'))/u';

    /** Where a title may end. */
    private const ENDS = '[,:;](?=\s[Ii]n:\s\p{Lu})'
        .'|,(?=\sin\s(?:\p{Lu}\.|\p{Lu}\p{L}+\sand\s|Proc))|,(?=\sProc(?:\.|eedings)\s)'
        .'|;(?=\s\p{Lu}[^;:]{2,60}:\s\p{Lu})'
        .'|(?<!\bNo|\bvs|\bSt|\bDr|\bVol|\bv)[.?!](?=\s)|,(?=\s\d{1,2}(?:st|nd|rd|th)\sed)|[.?!]?$';

    /** Where a comma ends the names, it may end the title. */
    private const COMMA_ENDS = ',(?=\s\p{Lu})|:(?=\s\p{Lu}[^:]{3,60},\sv\.\s\d)|'.self::ENDS;

    /** Letters of the shortest title. */
    private const SHORTEST = 4;

    /** So many ends that are followed by a place are compared. */
    private const MOST = 3;

    /** So many ends of a title are tried. */
    private const TRIES = 12;

    private const THESIS = '(?:Ph\.?\s?D\.?|M\.?Sc\.?|doctoral|master[’\']?s?)\s(?:diss\b|dissertation|thesis)\b';

    /** Kinds that are said behind a title. */
    private const KINDS = [
        '/\s*[\[(](?:[^\])]{0,20}\b)?(?:dissertation|thesis)\b[^\])]*[\])]/iu' => PublicationType::Thesis,
        '/^'.self::THESIS.'.*/iu' => PublicationType::Thesis,
        '/[.,;]\s?'.self::THESIS.'.*$/iu' => PublicationType::Thesis,
        '/(?<=\p{L})[.,]\s(?:Report|Rep\.)[.,]?(?:\s[Nn](?:o|r)\.?)?\s?\d{0,5}$/u' => PublicationType::Report,
        '/(?<=\?)\s(?:Report|Rep\.)(?:\s[Nn]o\.?)?\s?\d{1,5}$/u' => PublicationType::Report,
        '/\s*[\[(]preprint[\])]/iu' => PublicationType::Preprint,
        '/\s*[\[(](?:paper|poster|oral|conference)[^\])]{0,20}[\])]/iu' => PublicationType::Conference,
        '/\s*\((?:[\p{L} ]{0,20} )?(?:report|publication|bulletin|document)(?: series)?,? no\.[^)]*\)/iu' => PublicationType::Report,
    ];

    /** “[in Swedish]” */
    private const LANGUAGE = '/\s*[\[(](?:article )?in (?<language>\p{Lu}\p{Ll}+)[^\])]{0,40}[\])]/u';

    private const EDITION = '/\b(?<edition>\d{1,2})(?:st|nd|rd|th|\.)?\s(?:edn?|edition|Aufl(?:age)?|éd)\b/u';

    /** Behind the title itself: “(3rd ed., Vol. 2)”, “2nd edn”, “(H. Ek, Trans.)” */
    private const BEHIND = [
        '/\s\([^()]*\b(?:edn?|edition|Vol|Aufl(?:age)?)\b[^()]*\)$/u',
        '/[,.]?\s\d{1,2}(?:st|nd|rd|th)\s(?:edn?|edition)\b\.?$/iu',
        '/\s\[(?:video(?:cassette|recording)?|CD-ROM|DVD|map|audiocassette|film|slide'
            .'|microform|computer (?:program|software)'
            .'|Internet|Online|WWW document|web ?(?:site|page))\]$/iu',
        '/,\s\d{1,3}\svols?$/u',
        '/[.,]\s(?:pp?\.|Pages?|S\.)\s?[\w–-]+$/u',
        '/\s*\([^()]*\bTrans(?:l|lators?)?\.?\)$/u',
        self::LANGUAGE,
    ];

    private function __construct(
        public string $title,
        public ?CitedPlace $place,
        public PublicationType $type,
        public string $edition,
        public string $language,
        public string $rest,
        public bool $isQuoted = false,
    ) {
    }

    /** Where names are followed by a place at once. */
    public static function none(CitedPlace $place): self
    {
        return new self('', $place, $place->type, '', '', '');
    }

    /**
     * What may be the title, the likeliest first: up to the first end behind which a place is told, and up to the first
     * end at all.
     *
     * @param  string  $text  what stands behind names and year
     * @param  bool  $mayEndAtComma  whether names end so in its style
     * @return \Generator<int, self> one at least
     */
    public static function readings(string $text, bool $mayEndAtComma): \Generator
    {
        $marked = self::marked($text);
        $read = $marked ?? self::parted($text, $mayEndAtComma ? self::COMMA_ENDS : self::ENDS)[0];
        yield $read;
        if ($marked?->isQuoted === true) {
            return;
        }
        $isPlaced = fn (self $one): bool => $one->place?->volume.$one->place?->pages.$one->place?->place !== '';
        $parts = preg_split('/'.self::ENDS.'/u', ltrim($text, ' .,:;'), 2);
        $title = trim($parts[0] ?? '');
        $isShorter = $title !== '' && mb_strlen($title) < mb_strlen($read->title);
        yield from array_filter(self::parted($text, self::COMMA_ENDS, self::MOST), $isPlaced);
        if ($isShorter) {
            yield self::of($title, null, $parts[1] ?? '');
        }
    }

    /** Where quotation marks or brackets tell it: “Lamps.” Sleep 3 (2004): 12; Lamps (Lund: Fen House, 2007), 55 */
    public static function marked(string $text): ?self
    {
        if (preg_match(self::QUOTED, $text, $found) === 1) {
            $rest = trim(substr($text, strlen($found[0])), " \t.,;:");

            return self::of($found['title'].($found['title2'] ?? ''), CitedPlace::read($rest), $rest, true);
        }
        $title = ltrim($text, ' .,');
        $place = CitedBook::noted($title);

        return $place === null ? null : self::of($title, $place, '');
    }

    /**
     * Up to each end behind which a place is told, as many as are asked for; else up to the first end.
     *
     * @param  int<1, max>  $most
     * @return non-empty-list<self>
     */
    private static function parted(string $text, string $ends, int $most = 1): array
    {
        $text = ltrim($text, " \t.,:;");
        preg_match_all("/{$ends}/u", $text, $found, PREG_OFFSET_CAPTURE);
        $first = null;
        $placed = [];
        foreach (array_slice($found[0], 0, self::TRIES) as [$sign, $at]) {
            $title = substr($text, 0, $at).trim($sign, '.,');
            if (mb_strlen($title) < self::SHORTEST || substr_count($title, '(') !== substr_count($title, ')')) {
                continue;
            }
            $rest = substr($text, $at + strlen($sign));
            $place = CitedPlace::read($rest);
            if ($place !== null || self::isThesis($rest)) {
                $placed[] = self::of($title, $place, $rest);
                if (count($placed) >= $most) {
                    return $placed;
                }
            }
            $first ??= $sign === ',' || self::endsInInitial($title) ? null : self::of($title, null, $rest);
        }

        return $placed === [] ? [$first ?? self::of($text, null, '')] : $placed;
    }

    /** What is said to be a thesis has a place, if none that is told. */
    private static function isThesis(string $rest): bool
    {
        return preg_match('/^\s?[\[(]?(?:Ph\.?\s?D\.?|doctoral|master\S*)\s(?:diss|thesis)/iu', $rest) === 1;
    }

    private static function endsInInitial(string $title): bool
    {
        return preg_match('/(?<!\p{L})\p{Lu}$/u', $title) === 1;
    }

    private static function of(string $title, ?CitedPlace $place, string $rest, bool $isQuoted = false): self
    {
        $rest = trim($rest, ' .');
        $type = $place->type ?? PublicationType::Other;
        foreach (self::KINDS as $pattern => $kind) {
            if (preg_match($pattern, $title) === 1 || preg_match($pattern, $rest) === 1) {
                $title = (string) preg_replace($pattern, '', $title);
                $type = $kind;
            }
        }
        $place ??= $type === PublicationType::Conference ? CitedMeeting::read($rest) : null;

        return new self(
            trim((string) preg_replace(self::BEHIND, '', $title), " \t.,;:"),
            $place,
            $type,
            preg_match(self::EDITION, "{$title} {$rest}", $edition) === 1 ? $edition['edition'] : '',
            preg_match(self::LANGUAGE, $title, $in) === 1 ? Language::named($in['language']) : '',
            $rest,
            $isQuoted,
        );
    }
}
