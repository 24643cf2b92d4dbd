<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format;

/**
 * Which letters outside ASCII are written together. Encodings of Latin script have a letter at nearly each place, so
 * that a text makes sense in all of them: wrongly read, it has letters on one line that no language has.
 */
final class LatinAlphabets
{
    /** By the encoding that has them, an alphabet for each language or group of neighbours, with their guests. */
    private const OF = [
        'west' => [
            'àâæçéèêëîïôœùûüÿöäñ',
            'äöüßéèàç',
            'áéíóúüñçïªº',
            'áâãàçéêíóôõúüèªº',
            'àèéìòùîóáü',
            'àèéíïòóúüç',
            'åäöæøéüèáóò',
            'áéíóúýðþæö',
            'äöüõšžå',
            'éëïèöüáóêç',
        ],
        'middle' => [
            'áčďéěíňóřšťúůýžäöü',
            'áäčďéíĺľňóôŕšťúýžöüěř',
            'ąćęłńóśźżéöü',
            'áéíóöőúüűä',
            'čćđšžéöü',
            'ăâîşţéșț',
        ],
        'Turkish' => ['çğıöşüâîûi̇é'],
        'Baltic' => ['ąčęėįšųūžéöü', 'āčēģīķļņšūžōŗéöü', 'äöüõšž'],
    ];

    private const ENCODINGS = [
        'Windows-1252' => 'west',
        'Mac OS Roman' => 'west',
        'DOS 850' => 'west',
        'Windows-1250' => 'middle',
        'DOS 852' => 'middle',
        'Windows-1254' => 'Turkish',
        'Windows-1257' => 'Baltic',
    ];

    /**
     * How many letters outside ASCII no single alphabet explains, each line by itself, since a list of references has
     * works in several languages.
     *
     * @param  string  $encoding  by its name in LegacyEncoding; what is not of Latin script leaves nothing unexplained
     */
    public static function unexplained(string $text, string $encoding): int
    {
        if (! isset(self::ENCODINGS[$encoding])) {
            return 0;
        }
        $all = 0;
        foreach (explode("\n", mb_strtolower($text)) as $line) {
            $letters = (string) preg_replace('/[\x00-\x7F]|[^\p{L}\p{M}]/u', '', $line);
            if ($letters !== '') {
                $all += self::fewestLeft($letters, self::OF[self::ENCODINGS[$encoding]]);
            }
        }

        return $all;
    }

    /** @param  non-empty-list<string>  $alphabets */
    private static function fewestLeft(string $letters, array $alphabets): int
    {
        return min(
            array_map(
                fn (string $alphabet): int => mb_strlen((string) preg_replace("/[{$alphabet}]/u", '', $letters)),
                $alphabets,
            ),
        );
    }
}
