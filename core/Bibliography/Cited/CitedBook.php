<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Cited;

use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\PublicationType;

/** A book by its publisher, and the book that a chapter stands in. */
final class CitedBook
{
    private const SMALL = '(?:of|the|and|for|in|on|to|at|a|und|für|der|des|die|de|la|le|les|el|y|et|du|van|voor|og|och|i|&)';

    private const LARGE = '\p{Lu}[\p{L}\p{N}’\'&-]*+\.?';

    /** “Rotas of the Night”: all its words but the smallest begin large */
    public const NAME = self::LARGE.'(?:[\s:]+(?:'.self::SMALL.'\s)*+(?:'.self::LARGE.'|\([^()]{2,30}\)))*+';

    public const PAGES = '[,.;]?\s*\(?\b(?:(?:pp?|S|págs?)\.\s?|pp\s|[Pp]ages?\s)(?<pages>[A-Za-z]{0,3}\d+(?:\s?[-–—‑]\s?[A-Za-z]{0,3}\d+)?)\)?';

    /** “, 45–67.” */
    private const BARE_PAGES = ',\s(?<pages>\d+\s?[-–—‑]\s?\d+)(?=[.,;]|$)';

    /** “2010:211-225” */
    private const COLON_PAGES = '(?<=\d{4}|\p{Ll}):\s?(?<pages>\d+\s?[-–—‑]\s?\d+)(?=[.;]|$)';

    /** “Lund: Fen House; 2011” */
    private const IMPRINT = '(?<place>\p{Lu}(?:[\p{L} ,’-]|(?<=St)\.){1,40}(?:\s\(\p{Lu}{2,3}\))?)'
        .'\s?:\s(?<publisher>(?:[^;:,.()]|,\s(?!(?:1[89]|20)\d\d|\d|pp)|\s\(\p{Lu}{2,3}\)|(?:Inc|Ltd|Co|Dept|St)\.){2,120}?)'
        .'(?:[;,.]?\s*\(?(?<year>'.CitedNumbers::YEAR.')\)?)?';

    private const EDITION = ',?\s?\(?(?:\d{1,2}(?:st|nd|rd|th|\.)?|[Rr]ev(?:ised|\.)?|[Ss]econd|[Tt]hird|Segunda|Tercera|Deuxième|Zweite|Dritte|2ᵉ|3ᵉ)'
        .'\s(?:edn?|edition|Aufl(?:age)?|éd)\b\.?\)?';

    private const VOLUMES = '(?:\d{1,3} [Vv]ols?\.|[Vv]ol\. \w{1,5})';

    /** “Edited and translated by Lena Ek.” */
    private const MADE_BY = '(?:Ed(?:ited|s?\.)|Trans(?:lated|l?\.)|Compiled|With an? \p{L}+\.?)'
        .'(?:,? (?:and )?(?:trans(?:lated|\.)|ann(?:otated|ot?\.)|ed(?:ited|\.)))*(?: from the \p{L}+)? by [^:]{3,90}?\p{Ll}\.';

    /** “Fen House, Lund” */
    private const TOWN_BEHIND = '(?<publisher>'.self::NAME.')'
        .'(?:,\s(?<place>\p{Lu}\p{L}+(?:[ -]\p{Lu}\p{L}+)?(?:,\s(?:\p{Lu}\p{L}+\s?){1,3}|,\s\p{Lu}{2}){0,2}))?';

    /** “(Ed: Kolbe A)” ahead, “(O. Lind and A. Kolbe, eds.)” behind */
    private const EDITORS_IN_BRACKETS = '/^\((?:Eds?|Hrsg)[.:]+\s(?<ahead>[^()]{3,200})\)|\s\((?<behind>\p{Lu}[^()]{3,200}),\s(?:eds?|Hrsg)\.?\)/iu';

    private const EDITED_BY = '/[,.]?\s\(?(?:edited by|ed\. by|sous la direction de|dir\. par|editado por|hg\. v(?:on|\.)|herausgegeben von|a cura di|eds?\.|hrsg\. v(?:on|\.))\s+(?=\p{Lu})/iu';

    /** “Lund: Fen House; 2011”, “Fen House” */
    public static function read(string $text): ?CitedPlace
    {
        $ahead = ['/^'.self::MADE_BY.'\s+/u', '/^(?:'.self::EDITION.'|'.self::VOLUMES.')[.,]?\s+/u'];
        $text = (string) preg_replace($ahead, '', $text);
        $text = (string) preg_replace('/^\(([^()]+)\)$/u', '$1', $text);
        $bare = (string) preg_replace('/\.?\s*Report No\b.*$/iu', '', $text);
        $isImprint = preg_match('/^(?:[^:;]{0,40}\.\s+)?'.self::IMPRINT.'[\s.]*$/u', $bare, $found) === 1;
        $publisher = '/^'.self::TOWN_BEHIND.'(?:[,;]\s(?<year>'.CitedNumbers::YEAR.'))?$/u';
        if (! $isImprint && preg_match($publisher, $bare, $found) !== 1) {
            return null;
        }

        return new CitedPlace(
            $bare === $text ? PublicationType::Book : PublicationType::Report,
            year: self::year($found),
            place: trim($found['place'] ?? ''),
            publisher: trim($found['publisher']),
        );
    }

    /** “Okafor I, editor. Rotas. Lund: Fen House; 2011. p. 3-9”, “Rotas, edited by I. Okafor, 3–9. Lund: Fen House” */
    public static function around(string $text): ?CitedPlace
    {
        $editors = self::editors($text);
        $pages = self::take(self::PAGES, $text)
            ?: self::take(self::BARE_PAGES, $text)
            ?: self::take(self::COLON_PAGES, $text);
        $imprint = self::take('(?:[.,;]\s+|\)\s*)'.self::IMPRINT.'[\s.]*$', $text)
            ?: self::take('\s\('.self::IMPRINT.'\)[\s.,]*$', $text);
        $dated = $imprint === [] ? self::take('[;,.]\s\(?(?<year>'.CitedNumbers::YEAR.')\W*$', $text) : $imprint;
        $publisher = $imprint === [] ? self::take('\.\s+'.self::TOWN_BEHIND.'[\s.]*$', $text) : $imprint;
        if ($editors !== [] && $publisher === []) {
            $publisher = self::take('(?<=[\p{L}.]),\s+'.self::TOWN_BEHIND.'[\s.]*$', $text);
        }
        $behind = ['/'.self::EDITION.'[\s.]*$/u', '/[;,.]\s*'.CitedNumbers::YEAR.'\W*$/u'];
        $title = trim((string) preg_replace($behind, '', trim($text)), ' .,;:');
        if ($title === '' || ($editors === [] && $pages === [] && $imprint === [])) {
            return null;
        }

        return new CitedPlace(
            PublicationType::Chapter,
            journal: $title,
            pages: $pages['pages'] ?? '',
            year: self::year($dated),
            place: trim($publisher['place'] ?? ''),
            publisher: trim($publisher['publisher'] ?? ''),
            editors: $editors,
        );
    }

    /** @param  array<string>  $found  what a pattern with an imprint found */
    private static function year(array $found): ?int
    {
        return ($found['year'] ?? '') === '' ? null : (int) $found['year'];
    }

    /**
     * As notes have it: “Lamps of the Ward (Lund: Fen House, 2007), 55–58”.
     *
     * @param  string  $text  its title afterwards
     */
    public static function noted(string &$text): ?CitedPlace
    {
        $imprint = '\((?:(?<place>\p{Lu}[\p{L} ,’-]{1,40}):\s)?(?<publisher>'.self::NAME.')(?:,\s(?<year>'.CitedNumbers::YEAR.')|(?<=\p{L}))\)';
        $pattern = "/^(?<title>[^()“\"]{3,200}?)\s{$imprint}(?:,\s(?<pages>[\\d–-]+))?[\s.]*$/u";
        if (preg_match($pattern, $text, $found) !== 1) {
            return null;
        }
        $text = rtrim($found['title'], ' ,');

        return new CitedPlace(
            PublicationType::Book,
            pages: $found['pages'] ?? '',
            year: self::year($found),
            place: trim($found['place']),
            publisher: trim($found['publisher']),
        );
    }

    /**
     * Those before the title of a book, or behind it.
     *
     * @param  string  $text  what is left of it is the rest
     * @return list<Name>
     */
    private static function editors(string &$text): array
    {
        $ahead = CitedNames::ahead($text);
        if ($ahead?->areEditors === true) {
            $text = ltrim($ahead->rest, ' .,:');

            return $ahead->names;
        }
        if (preg_match(self::EDITORS_IN_BRACKETS, $text, $in) === 1) {
            $named = CitedNames::called($in['ahead'].($in['behind'] ?? ''));
            $text = $named === null ? $text : ltrim(str_replace($in[0], ' ', $text), ' .');

            return $named->names ?? [];
        }
        foreach (array_slice(self::commas($text), 0, 6) as $at) {
            $named = CitedNames::ahead(substr($text, $at + 2));
            if ($named?->areEditors === true) {
                $text = substr($text, 0, $at).'. '.ltrim($named->rest, ' .,');

                return $named->names;
            }
        }
        [$before, $behind] = [...(preg_split(self::EDITED_BY, $text, 2) ?: []), '', ''];
        $called = $behind === '' ? null : CitedNames::called($behind);
        $text = $called === null ? $text : $before.ltrim($called->rest, ')');

        return $called->names ?? [];
    }

    /** @return list<int> where a comma is followed by what may be a name, in bytes */
    private static function commas(string $text): array
    {
        preg_match_all('/,\s(?=\p{Lu})/u', $text, $found, PREG_OFFSET_CAPTURE);

        return array_column($found[0], 1);
    }

    /**
     * What a pattern finds, taken out of the text.
     *
     * @return array<string>
     */
    public static function take(string $pattern, string &$text): array
    {
        if (preg_match("/{$pattern}/u", $text, $found, PREG_OFFSET_CAPTURE) !== 1) {
            return [];
        }
        $text = substr($text, 0, $found[0][1]).substr($text, $found[0][1] + strlen($found[0][0]));

        return array_map(fn (array $one): string => (string) $one[0], $found);
    }
}
