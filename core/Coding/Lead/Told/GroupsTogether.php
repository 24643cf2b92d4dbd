<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Told;

use WaryHeron\Core\Coding\Lead\Count;
use WaryHeron\Core\Coding\Lead\Figures;
use WaryHeron\Core\Coding\Lead\People;

/** People whom a sentence counts by groups: their sum, where it says that both groups did the same. */
final class GroupsTogether
{
    private const NUMBER = '('.Figures::PATTERN.')';

    private const GIVEN = '(?:assigned|allocated|randomi[sz]ed|allotted|(?:randomi[sz]ation|allocation):)';

    private const SHARED = '/\b'.self::GIVEN.'\b[^.;]{0,80}\bto\b[^.;]*\band\b[^.;]*\bto\b/iu';

    /** What is said of people stands within so many bytes of them. */
    private const NEAR = 80;

    private const LEFT_OUT = '/\b(?:not|declined|refused|withdrew|lost|died|dropped|excluded|ineligible|missing)\b/iu';

    /**
     * @param  list<Count>  $people  those of persons in the sentence
     * @param  string  $text  the sentence without its brackets
     * @return ?float null where it does not give two groups to one of which each person belongs
     */
    public static function allocated(array $people, string $text, string $whole): ?float
    {
        $isShared = count($people) === 2 && preg_match(self::SHARED, $text) === 1;

        return self::withinClusters($whole)
            ?? self::toEach($text)
            ?? self::withControls($text)
            ?? ($isShared ? $people[0]->value + $people[1]->value : null);
    }

    /**
     * @param  list<Count>  $people  those of persons in the sentence
     * @param  list<string>  $cues  patterns of what is said of people at the stage that is asked for
     */
    public static function alike(array $people, string $text, array $cues): ?float
    {
        $said = '(?:'.implode('|', $cues).')';

        return self::byKind($people, $text, $said) ?? self::byArm($text, $said) ?? self::ofCases($people, $text);
    }

    /**
     * “214 workers who consulted for pain, and 428 workers without it”.
     *
     * @param  list<Count>  $people
     */
    private static function ofCases(array $people, string $text): ?float
    {
        [$cases, $controls] = [$people[0] ?? null, $people[1] ?? null];
        if ($cases === null || $controls === null || count($people) > 2) {
            return null;
        }
        $with = '/^(?: \p{L}+){1,3} (?:who|with)\b[^.;]*\band $/u';
        $without = '/^[^.;]{0,80}\b(?:without|who had (?:not|no|none|never)|healthy|as controls)\b/u';
        $isBoth = preg_match($with, substr($text, $cases->end, $controls->at - $cases->end)) === 1
            && preg_match($without, substr($text, $controls->end)) === 1;

        return $isBoth ? $cases->value + $controls->value : null;
    }

    /** “We assigned 64 to dim and 64 to bright light”. */
    private static function toEach(string $text): ?float
    {
        [$number, $given] = [self::NUMBER, self::GIVEN];
        // twelve wards are no people
        $of = '(?:(?! '.People::CLUSTERS.'\b) \p{L}+){0,2}?';
        $to = $of.' to\b';

        return self::sum(
            "/\b(?|{$given} {$number}{$to}|{$number}{$of} were (?:\p{L}+ly )?{$given}{$to})[^.;]{0,60}? and {$number}{$to}/iu",
            $text,
        );
    }

    /** “Thirty-two nurses received lamps; 32 served as controls”. */
    private static function withControls(string $text): ?float
    {
        $number = self::NUMBER;

        return self::sum(
            "/(?<![\d.]){$number}(?: \p{L}+){1,2} (?:received|were given|had|got|wore|used)\b[^.;]{3,60}[;,]".
            "(?: and| while)? {$number}(?: \p{L}+)? (?:served as|were|acted as) controls\b/iu",
            $text,
        );
    }

    /** “Six schools (412 pupils) were allocated to lamps and six (398 pupils) to usual light”. */
    private static function withinClusters(string $text): ?float
    {
        $people = '\([^()\d]{0,12}'.self::NUMBER.'(?: \p{L}+){1,2}\)';
        $to = '[^.;]{0,60}\bto\b';

        return preg_match('/\b'.self::GIVEN.'\b/iu', $text) === 1
            ? self::sum("/\b\p{L}+s {$people}{$to}[^.;]{0,60}\band [^.;()]{1,30}{$people}{$to}/iu", $text)
            : null;
    }

    /**
     * “32 men and 32 women were enrolled”, “we enrolled 120 cases and 240 controls”.
     *
     * @param  list<Count>  $people
     */
    private static function byKind(array $people, string $text, string $said): ?float
    {
        foreach (self::lists($people, $text) as $list) {
            $last = $list[array_key_last($list)];
            $after = $last->after($text, self::NEAR);
            $isBefore = preg_match("/\b{$said}\s*$/iu", $list[0]->before($text, self::NEAR)) === 1;
            $isAfter = preg_match("/^(?: \p{L}+(?:-\p{L}+)*){1,3}? {$said}\b/iu", $after) === 1;
            if (count($list) > 1 && ($isBefore || $isAfter) && preg_match(self::LEFT_OUT, $after) !== 1) {
                return array_sum(array_map(fn (Count $one): float => $one->value, $list));
            }
        }

        return null;
    }

    /**
     * “18 patients, 7 family carers and 11 staff”: those that follow each other with a noun of their own.
     *
     * @param  list<Count>  $people
     * @return list<non-empty-list<Count>>
     */
    private static function lists(array $people, string $text): array
    {
        $lists = [];
        foreach ($people as $i => $one) {
            $words = $i === 0 ? '' : substr($text, $people[$i - 1]->end, $one->at - $people[$i - 1]->end);
            $isNext = preg_match('/^((?: \p{L}+(?:-\p{L}+)*){1,3}?)(?:,|,? and) $/u', $words, $noun) === 1
                && preg_match('/^'.preg_quote($noun[1], '/').'\b/iu', $one->after($text, self::NEAR)) !== 1;
            if ($isNext) {
                $lists[array_key_last($lists) ?? 0][] = $one;
            } else {
                $lists[] = [$one];
            }
        }

        return $lists;
    }

    /** “28 nurses in the lamp group and 29 in the control group completed”, “complete for 28 of 32 and 29 of 32”. */
    private static function byArm(string $text, string $said): ?float
    {
        $number = self::NUMBER;
        $in = '(?: \p{L}+){0,2} (?:in|of) the(?: (?!no\b|not\b|had\b)\p{L}+(?:-\p{L}+)*){1,4}?';

        return self::sum("/(?<![\d.]){$number}{$in},? and {$number}{$in} {$said}\b/iu", $text)
            ?? self::sum("/\bcomplete (?:for|in) {$number} of \d[\d,]*(?: \p{L}+){0,4} and (?:for )?{$number} of \d/iu", $text);
    }

    private static function sum(string $pattern, string $text): ?float
    {
        if (preg_match($pattern, $text, $found) !== 1) {
            return null;
        }
        [$one, $other] = [Figures::value($found[1]), Figures::value($found[2])];

        return $one === null || $other === null ? null : $one + $other;
    }
}
