<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography;

/** Digital object identifiers (ISO 26324) as sources write them: bare, with a label, or as an address. */
final class Doi
{
    /**
     * Those that serial item identifiers (ANSI/NISO Z39.56) are part of hold angle brackets, and what follows them tells
     * one article of an issue from another: “10.1234/(SICI)1097-0142(19990101)85:1<10::AID-X>3.0.CO;2-X”.
     */
    private const PATTERN = '~10\.\d{4,9}/[^\s"<>]+(?:<[^\s"<>]{1,60}>\d\.\d[^\s"<>]*)?~u';

    private const NEXT = '~[;,|](?=(?:https?:|doi:|10\.\d{4,9}/))~';

    /** A text that is nothing but one: bare, with its label, or as the address of its resolver. */
    private const ALONE = '~^(?:(?:https?://)?(?:dx\.|www\.)?doi\.org/|doi:\s*)?10\.\d{4,9}/\S+$~i';

    /** @return list<string> all that a text holds */
    public static function all(string $text): array
    {
        preg_match_all(self::PATTERN, mb_scrub($text, 'UTF-8'), $found);

        return array_values(array_unique(array_filter(array_map(self::normalised(...), $found[0]))));
    }

    /** The bare DOI in lower case, or null where the text holds none. DOIs do not tell upper from lower case. */
    public static function normalised(string $text): ?string
    {
        $text = strtr(mb_strtolower(trim(rawurldecode($text))), ['&lt;' => '<', '&gt;' => '>', '&amp;' => '&']);
        if (preg_match(self::PATTERN, $text, $match) !== 1) {
            return null;
        }
        // what an address asks for behind it is no part of it
        $found = preg_match('~^https?://~', $text) === 1 ? (string) strtok($match[0], '?') : $match[0];

        return self::closed(rtrim((preg_split(self::NEXT, $found) ?: [''])[0], '.,;:')) ?: null;
    }

    /** A closing bracket belongs to it only where it closes one. */
    private static function closed(string $doi): string
    {
        while (
            preg_match('/[)\]}]$/', $doi, $last) === 1 &&
            substr_count($doi, $last[0]) > substr_count($doi, [')' => '(', ']' => '[', '}' => '{'][$last[0]])
        ) {
            $doi = rtrim(substr($doi, 0, -1), '.,;:');
        }

        return $doi;
    }

    /**
     * The DOI of a record: the one that it names, or else one that stands at another of its places.
     *
     * @param  list<string>  $elsewhere  addresses and the like, of which those count that are a DOI and nothing else
     * @return string bare and in lower case; what is named as one and is none as it stands; or ''
     */
    public static function named(string $doi, array $elsewhere): string
    {
        foreach ($doi === '' ? $elsewhere : [] as $one) {
            if (preg_match(self::ALONE, trim($one)) === 1) {
                return self::normalised($one) ?? '';
            }
        }

        return self::normalised($doi) ?? $doi;
    }
}
