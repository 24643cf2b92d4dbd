<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography;

use WaryHeron\Core\Text\Words;

/**
 * A date of publication as sources write it: "2004", "2004-04-25", "2004/04/25//", "20040425", "25.04.2004",
 * "2004 Apr 25", "25 April 2004", "April 25, 2004", "25. März 2004", "25 de abril de 2004", "2004年4月25日", ranges ("1988/1994", "2004 Mar-Apr"), decades and centuries ("199X", "19XX"), seasons, approximate and uncertain dates
 * ("1723~", "2009?"), and years before the common era ("-0044").
 *
 * Source: ISO 8601-2:2019 (extended date and time), levels 0 and 1, and the habits of RIS and of indexes.
 */
final readonly class IssuedDate
{
    private const MONTHS = [
        'jan' => 1,
        'feb' => 2,
        'mar' => 3,
        'apr' => 4,
        'may' => 5,
        'jun' => 6,
        'jul' => 7,
        'aug' => 8,
        'sep' => 9,
        'oct' => 10,
        'nov' => 11,
        'dec' => 12,
        'spr' => 21,
        'sum' => 22,
        'aut' => 23,
        'fal' => 23,
        'win' => 24,
        // as other languages begin them, without accents
        'ene' => 1,
        'gen' => 1,
        'fev' => 2,
        'maa' => 3,
        'mrt' => 3,
        'abr' => 4,
        'avr' => 4,
        'mai' => 5,
        'maj' => 5,
        'mag' => 5,
        'mei' => 5,
        'juin' => 6,
        'giu' => 6,
        'juil' => 7,
        'lug' => 7,
        'aou' => 8,
        'ago' => 8,
        'set' => 9,
        'okt' => 10,
        'ott' => 10,
        'out' => 10,
        'dez' => 12,
        'des' => 12,
        'dic' => 12,
    ];

    /** A year, and month or season (21 to 24) and day as far as given; the time of day says nothing here. */
    private const NUMERIC = '~^(-?\d{4})(?:[-/](\d{1,2})(?:[-/](\d{1,2})(?:T\S+)?)?)?/*$~';

    /** Where the first of three is more than twelve it is the day; which it is otherwise nobody can tell. */
    private const BY_SIGNS = [
        '/^(?<year>(?:1[5-9]|20)\d\d)(?<month>0[1-9]|1[0-2])(?<day>0[1-9]|[12]\d|3[01])$/',
        '/^(?<day>\d{1,2})\.\s?(?<month>\d{1,2})\.\s?(?<year>\d{4})$/',
        '~^(?<day>1[3-9]|2\d|3[01])[/-](?<month>\d{1,2})[/-](?<year>\d{4})$~',
        '~^(?<month>\d{1,2})[/-](?<day>1[3-9]|2\d|3[01])[/-](?<year>\d{4})$~',
        '~^\d{1,2}[/-]\d{1,2}[/-](?<year>\d{4})$~',
        '~^(?<month>\d{1,2})[/.](?<year>\d{4})$~',
        '/^(?<year>\d{4})年(?:(?<month>\d{1,2})月(?:(?<day>\d{1,2})日)?)?$/u',
        '/^(?<year>\d{4})[a-z]$/',
    ];

    private const BY_WORDS = [
        '/^(?<year>\d{4})[\s,]+(?<month>[a-z]{3,})\.?(?:[\s,]+(?<day>\d{1,2}))?$/',
        '/^(?:(?<day>\d{1,2})(?:st|nd|rd|th|er)?\.?[\s-]+)?(?<month>[a-z]{3,})\.?,?[\s-]+(?<year>\d{4})$/',
        '/^(?<month>[a-z]{3,})\.?\s+(?<day>\d{1,2})(?:st|nd|rd|th)?,?\s+(?<year>\d{4})$/',
    ];

    /** What sources write before a date. */
    private const BEFORE = '/^(?:©|copyright|\(c\)|c(?=\d{4}$)|p(?=\d{4}$)|cop\.?|(?:first |available |published )?online'
        .'|e?published|e?pub\.?|publ\.?)\s*:?\s*/iu';

    /**
     * @param  list<list<int>>  $parts  one date, or the two ends of a range: year, and month (21 to 24 are seasons) and
     *     day as far as known.
     *                                  A year before the common era is negative, with no year nought: -45 is 45 BCE.
     */
    private function __construct(public array $parts, public bool $approximate)
    {
    }

    /** Null where the text is not written in one of these ways. */
    public static function read(string $text): ?self
    {
        $bare = (string) preg_replace(self::BEFORE, '', trim($text, " \t\n[]()"));
        $plain = (string) preg_replace('/[~?%]|^(?:c\.|ca\b\.?|circa\b|about\b)\s*/i', '', $bare, -1, $marks);
        foreach ([self::range($plain), self::single($plain)] as $parts) {
            if ($parts !== null) {
                return new self($parts, $marks > 0);
            }
        }

        return null;
    }

    public function year(): int
    {
        return $this->parts[0][0];
    }

    /**
     * From the parts of CSL-JSON (1.0.2): the text that read() takes for the same date.
     *
     * @param  list<list<int>>  $parts
     */
    public static function written(array $parts, bool $approximate): string
    {
        $dates = array_map(function (array $date): string {
            $year = $date[0] < 0 ? sprintf('-%04d', -$date[0] - 1) : sprintf('%04d', $date[0]);

            return implode('-', [
                $year,
                ...array_map(fn (int $part): string => sprintf('%02d', $part), array_slice($date, 1)),
            ]);
        }, array_filter($parts, fn (array $date): bool => ($date[0] ?? 0) !== 0));

        return implode('/', $dates).($approximate && $dates !== [] ? '~' : '');
    }

    /** @return list<list<int>>|null */
    private static function range(string $text): ?array
    {
        // "2004/04" is a month, so that both ends of a range by years have four digits
        $standard = '~^(-?\d{4}(?:-\d\d){0,2}(?:T[^/]+)?)/(-?\d{4}(?:-\d\d){0,2}(?:T[^/]+)?|\.\.)?$~';
        if (preg_match($standard, $text, $ends) === 1) {
            $from = self::single($ends[1]);
            $to = self::single($ends[2] ?? '');

            return $from === null ? null : [...$from, ...$to ?? []];
        }
        if (preg_match('/^(\d{4})\s*(?:--?|–)\s*(\d{4})$/', $text, $years) === 1) {
            return [[(int) $years[1]], [(int) $years[2]]];
        }
        if (preg_match('/^\d{2}(?:\d[Xu]|XX|uu)$/', $text) === 1) {
            return [[(int) strtr($text, 'Xu', '00')], [(int) strtr($text, 'Xu', '99')]];
        }

        return self::ofMonths($text);
    }

    /** @return list<list<int>>|null of “2004 Mar-Apr” */
    private static function ofMonths(string $text): ?array
    {
        if (preg_match('/^(\d{4})\s+([A-Za-z]{3})[a-z]*\s*[-–\/]\s*([A-Za-z]{3})[a-z]*$/u', $text, $months) !== 1) {
            return null;
        }
        $from = self::MONTHS[strtolower($months[2])] ?? null;
        $to = self::MONTHS[strtolower($months[3])] ?? null;

        return $from === null || $to === null ? null : [[(int) $months[1], $from], [(int) $months[1], $to]];
    }

    /** @return list<list<int>>|null one date */
    private static function single(string $text): ?array
    {
        if (preg_match(self::NUMERIC, $text, $found) === 1) {
            $year = (int) $found[1];

            return self::valid(
                str_starts_with($found[1], '-') || $year === 0 ? $year - 1 : $year,
                (int) ($found[2] ?? 0),
                (int) ($found[3] ?? 0),
            );
        }
        foreach (self::BY_SIGNS as $pattern) {
            if (preg_match($pattern, $text, $found) === 1) {
                return self::valid((int) $found['year'], (int) ($found['month'] ?? 0), (int) ($found['day'] ?? 0));
            }
        }

        return self::inWords($text);
    }

    /** @return list<list<int>>|null one date with its month as a word */
    private static function inWords(string $text): ?array
    {
        $text = (string) preg_replace('/\bde(?:l|r|n)?\s+/', '', Words::fold($text));
        foreach (self::BY_WORDS as $pattern) {
            if (preg_match($pattern, $text, $found) !== 1) {
                continue;
            }
            $month = self::MONTHS[substr($found['month'], 0, 4)] ?? self::MONTHS[substr($found['month'], 0, 3)] ?? null;
            if ($month !== null) {
                return self::valid((int) $found['year'], $month, (int) ($found['day'] ?? 0));
            }
        }

        return null;
    }

    /** @return list<list<int>>|null */
    private static function valid(int $year, int $month, int $day): ?array
    {
        $isMonth = ($month >= 1 && $month <= 12) || ($month >= 21 && $month <= 24);

        return match (true) {
            $month === 0 && $day === 0 => [[$year]],
            $isMonth && $day === 0 => [[$year, $month]],
            $isMonth && $month <= 12 && $day <= 31 => [[$year, $month, $day]],
            default => null,
        };
    }
}
