<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Reader;

/** Ages that are not the mean of all who took part at the start, although they look like it. */
final class OtherAges
{
    private const OF_THINGS = '/\b(?:wards?|buildings?|hospitals?|schools?|houses|homes|lamps|scales?) (?:was|were|averaged)\b/iu';

    private const AT_EVENT = '/\bat which\b|\b(?:at|of) (?:the )?(?:first )?'.
        '(?:diagnosis|onset|menopause|retirement|death|marriage|birth)\b/iu';

    /**
     * @param  string  $told  the words that tell it
     * @param  string  $value  the number among them
     */
    public static function are(string $sentence, string $told, string $value): bool
    {
        return self::isMedian($sentence)
            || preg_match(self::OF_THINGS, $sentence) === 1
            || preg_match(self::AT_EVENT, $told) === 1
            || self::areOfTwo($sentence)
            || self::isOfOthers($sentence, preg_quote($value, '/'));
    }

    private static function isMedian(string $sentence): bool
    {
        return preg_match('/\bmedian\s+(?:\p{L}+\s+)?age/iu', $sentence) === 1
            && preg_match('/\b(?:mean|average)\b/iu', $sentence) !== 1;
    }

    /** “52 years in the light group and 50 …”, “36.7 years and day nurses of 41.2 years”. */
    private static function areOfTwo(string $sentence): bool
    {
        $number = AgeReader::NUMBER;
        $inGroups = "{$number}\\s*(?:\\([^()]*\\)\\s*)?years? in the [^.;]{1,40}\\b(?:and|versus|against) {$number}";
        $ofEach = "{$number} years?,? and [^.;\\d]{1,40} of {$number} years";

        return preg_match("/{$inGroups}|{$ofEach}/iu", $sentence) === 1;
    }

    /** Months, how much older somebody is, for how long somebody worked, and controls alone. */
    private static function isOfOthers(string $sentence, string $value): bool
    {
        $after = '(?:\s*\([^()]*\))?(?:\s*(?:months?|weeks?|days?)\b|\s*years?\s+(?:older|younger)\b)';
        $before = '\b(?:taught|worked|served|been|lived|smoked) (?:\p{L}+ ){0,5}for ';
        $controls = '\b(?:controls|cases)(?: (?:were|had)[^.;\d]{0,30}|\s*\([^()]*)';

        return preg_match("/{$value}{$after}|{$before}{$value}\\b|{$controls}{$value}/iu", $sentence) === 1;
    }
}
