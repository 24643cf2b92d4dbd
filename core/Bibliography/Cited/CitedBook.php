<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Cited;

use WaryHeron\Core\Bibliography\PublicationType;

/** A book by its publisher, and the book that a chapter stands in. */
final class CitedBook
{
    private const SMALL = '(?:of|the|and|for|in|on|to|at|a|und|für|der|des|die|de|la|le|les|el|y|et|du|van|voor|og|och|i|&)';

    private const LARGE = '\p{Lu}[\p{L}\p{N}’\'&-]*+\.?';

    /** “Rotas of the Night”: all its words but the smallest begin large */
    public const NAME = self::LARGE.'(?:[\s:]+(?:'.self::SMALL.'\s)*+(?:'.self::LARGE.'|\([^()]{2,30}\)))*+';

    public const PAGES = '[,.;]?\s*\(?\b(?:(?:pp?|S|págs?)\.\s?|pp\s|[Pp]ages?\s)'
        .'(?<pages>[A-Za-z]{0,3}\d+(?:\s?[-–—‑]\s?[A-Za-z]{0,3}\d+)?)\)?';

    /** “, 45–67.” */
    public const BARE_PAGES = ',\s(?<pages>\d+\s?[-–—‑]\s?\d+)(?=[.,;]|$)';

    private const PAGES_AT_END = '[.;:]\s?(?<pages>\d+\s?[-–—‑]\s?\d+)(?=\W*$)';

    /** “2010:211-225” */
    private const COLON_PAGES = '(?<=\d{4}|\p{Ll}):\s?(?<pages>\d+\s?[-–—‑]\s?\d+)(?=[.;]|$)';

    /** “Lund: Fen House; 2011” */
    private const IMPRINT = '(?<place>\p{Lu}(?:[\p{L} ,’-]|(?<=St)\.){1,40}(?:\s\(\p{Lu}{2,3}\))?)'
        .'\s?:\s(?<publisher>(?:[^;:,.()]|,\s(?!(?:1[89]|20)\d\d|\d|pp)|\s\(\p{Lu}{2,3}\)|(?:Inc|Ltd|Co|Dept|St)\.){2,120}?)'
        .'(?:[;,.]?\s*\(?(?<year>'.CitedNumbers::YEAR.')\)?)?';

    private const EDITION = ',?\.?\s?\(?(?:(?:\d{1,2}(?:st|nd|rd|th|e|\.?ª|ª|\.)?|[Rr]ev(?:ised|\.)?|[Ss]econd|[Tt]hird|Segunda|Tercera'
        .'|Deuxième|Zweite|Dritte|2ᵉ|3ᵉ)\.?\s(?:edn?|[Ee]dition|edición|Aufl(?:age)?|éd)\b\.?|edn\s\d{1,2}|(?<=,\s)\d{1,2}e)\)?';

    private const VOLUMES = '(?:\d{1,3} [Vv]ols?\.|[Vv]ol\. \w{1,5})';

    /** “Edited and translated by Lena Ek.” */
    private const MADE_BY = '(?:Ed(?:ited|s?\.)|Trans(?:lated|l?\.)|Compiled|With an? \p{L}+\.?)'
        .'(?:,? (?:and )?(?:trans(?:lated|\.)|ann(?:otated|ot?\.)|ed(?:ited|\.)))*(?: from the \p{L}+)? by [^:]{3,90}?\p{Ll}\.';

    /** “Fen House, Lund” */
    private const TOWN_BEHIND = '(?<publisher>'.self::NAME.')'
        .'(?:,\s(?<place>\p{Lu}\p{L}+(?:[ -]\p{Lu}\p{L}+)?(?:,\s(?:\p{Lu}\p{L}+\s?){1,3}|,\s\p{Lu}{2}){0,2}))?';

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
        $editors = CitedEditors::take($text);
        $pages = self::takePages($text);
        $imprint = self::take('(?:[.,;]\s+|\)\s*)'.self::IMPRINT.'[\s.]*$', $text)
            ?: self::take('[\s.]\('.self::IMPRINT.'\)[\s.,]*(?:'.self::EDITION.')?[\s.,]*$', $text);
        $dated = $imprint === [] ? self::take('[;,.]\s\(?(?<year>'.CitedNumbers::YEAR.')\W*$', $text) : $imprint;
        $publisher = $imprint === [] ? self::takePublisher($text, $editors !== []) : $imprint;
        $behind = ['/[;,.]\s*'.CitedNumbers::YEAR.'\W*$/u', '/'.self::EDITION.'[\s.,:]*$/u'];
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

    /** @return array<string> */
    private static function takePages(string &$text): array
    {
        return self::take(self::PAGES, $text)
            ?: self::take(self::BARE_PAGES, $text)
            ?: self::take(self::COLON_PAGES, $text)
            ?: self::take(self::PAGES_AT_END, $text);
    }

    /**
     * Who published it, where that is not followed by its year.
     *
     * @return array<string>
     */
    private static function takePublisher(string &$text, bool $hasEditors): array
    {
        $publisher = self::take('\.\s+'.self::TOWN_BEHIND.'[\s.:,;]*$', $text);
        if ($publisher !== [] || ! $hasEditors) {
            return $publisher;
        }

        return self::take('(?<=[\p{L}.]),\s+'.self::TOWN_BEHIND.'[\s.:]*$', $text)
            ?: self::take('\s\((?<publisher>'.self::NAME.')(?:,\s(?<place>'.self::NAME.'))?\)[\s.,]*$', $text);
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
        $imprint = '\((?:(?<place>\p{Lu}[\p{L} ,’-]{1,40}):\s)?(?<publisher>'.self::NAME.')'
            .'(?:,\s(?<year>'.CitedNumbers::YEAR.')|(?<=\p{L}))\)';
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
