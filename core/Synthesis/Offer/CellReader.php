<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Offer;

use WaryHeron\Core\Synthesis\Report\OutcomeKind;
use WaryHeron\Core\Synthesis\Report\ReportForm;

/** Reads the cells of one outcome's lines as numbers of a form of reporting. */
final class CellReader
{
    private const SHARE = '/^\d+(?:[.·]\d+)?\s*';

    private const NUMBER = '([+−–-]?\d[\d,]*(?:[.·]\d+)?)';

    private const INTERVAL = '/^'.self::NUMBER.'\s*[(\[]\s*(?:\d{2}(?:[.·]\d+)?\s?% CI:?\s*)?'.self::NUMBER.'\s*(?:to|–|-|,|;)\s*'.self::NUMBER.'\s*[)\]]/u';

    /** “4.1 (1.6)”, “4.1 ± 1.6”, “4.1 (SD = 1.6)”. */
    private const WITH_SPREAD = '/^'.self::NUMBER.'\s*(?:±|\+\/-|[(\[]\s*(?:SD|SE)?\s*=?)\s*'.self::NUMBER.'\s*[)\]]?$/u';

    /** “, n = 187” and “(n=49)” at the end of a cell. */
    private const PEOPLE = '/(?<=[\d)\]%]),?\s*\(?n\s*=\s*(\d[\d,]*)\)?$/iu';

    /** A line that does not count people. */
    private const NO_COUNT = '\b(?:mean|median|SDs?|SE|SEM|IQR|rates?|scores?)\b|\bper (?!cent\b)';

    /** A line that does. */
    private const COUNT = '(?:\b(?:n|no\.?|number)\b\s*[(,;\/]?\s*%)|(?:%\s*[(,;\/]?\s*\(?\s*(?:n|no\.?|number)\b)';

    /**
     * @param  non-empty-list<TableLine>  $lines
     * @param  array<int, OfferedNumber>  $sizes  of each group
     * @return ?ReadCells null where it gives no numbers of both groups
     */
    public static function of(OutcomeKind $kind, array $lines, array $sizes): ?ReadCells
    {
        $sizes = $lines[0]->sizes + self::within($lines[0]) + $sizes;
        $read = match ($kind) {
            OutcomeKind::Events => $lines[0]->says(self::NO_COUNT) ? null : self::events($lines[0], $sizes),
            OutcomeKind::Means => $lines[0]->says(self::COUNT) ? null : self::means($lines, $sizes),
            default => null,
        };

        return $read ?? self::ofBoth($kind, $lines[0], $sizes);
    }

    /** @return array<int, OfferedNumber> people that a cell itself tells, as in “8.6 (1.3), n = 187” */
    private static function within(TableLine $line): array
    {
        $sizes = [];
        foreach ($line->groups() as $group => $cell) {
            if (preg_match(self::PEOPLE, $cell, $found) === 1) {
                $sizes[$group] = self::number($line, $group, $found[1]);
            }
        }

        return $sizes;
    }

    /** @param  array<int, OfferedNumber>  $sizes */
    private static function events(TableLine $line, array $sizes): ?ReadCells
    {
        $numbers = [];
        foreach ($line->groups() as $group => $cell) {
            foreach (self::counted($line, self::plain($cell)) as $key => $told) {
                $numbers["{$key}{$group}"] = self::number($line, $group, $told);
            }
        }
        $form = isset($numbers['p1']) ? ReportForm::Percentages : ReportForm::Counts;
        $key = $form === ReportForm::Percentages ? 'p' : 'e';

        $isOfBoth = isset($numbers["{$key}1"], $numbers["{$key}2"]);

        return $isOfBoth ? new ReadCells($form, $numbers + self::sizes($sizes)) : null;
    }

    /** @return array<string, string> what a cell counts: e with the event, n of how many, or p per cent */
    private static function counted(TableLine $line, string $cell): array
    {
        $isShareFirst = $line->says('%\s*,?\s*\(\s*(?:n|no\.?|number)\b');
        if (preg_match(self::SHARE.'%\s*\(\s*(\d[\d,]*)\s*(?:\/|of)\s*(\d[\d,]*)\s*\)/u', $cell, $found) === 1) {
            return ['e' => $found[1], 'n' => $found[2]];
        }
        $isBehindShare = preg_match(self::SHARE.'(%?)\s*\(\s*(\d[\d,]*)\s*\)/u', $cell, $found) === 1;
        if ($isBehindShare && ($isShareFirst || $found[1] === '%')) {
            return ['e' => $found[2]];
        }
        if (preg_match('/^(\d[\d,]*)\s*(?:\/|of)\s*(\d[\d,]*)\b/u', $cell, $found) === 1) {
            return ['e' => $found[1], 'n' => $found[2]];
        }
        if (preg_match('/^(\d[\d,]*)\s*\(\s*\d+(?:[.·]\d+)?\s*%?\s*\)/u', $cell, $found) === 1) {
            return ['e' => $found[1]];
        }

        return preg_match('/^(\d+(?:[.·]\d+)?)\s*(%?)$/u', $cell, $found) === 1
            ? self::alone($found[1], $found[2] === '%' || $line->says('%|per ?cent'))
            : [];
    }

    /** @return array<string, string> nobody counts parts of people */
    private static function alone(string $told, bool $isShare): array
    {
        if ($isShare) {
            return ['p' => $told];
        }

        return str_contains(strtr($told, '·', '.'), '.') ? [] : ['e' => $told];
    }

    /**
     * @param  non-empty-list<TableLine>  $lines
     * @param  array<int, OfferedNumber>  $sizes
     */
    private static function means(array $lines, array $sizes): ?ReadCells
    {
        $numbers = [];
        foreach ($lines as $line) {
            $numbers += self::ofMeans($line);
        }
        $form = match (true) {
            isset($numbers['median1'], $numbers['median2'], $numbers['q11']) => ReportForm::Quartiles,
            isset($numbers['median1'], $numbers['median2'], $numbers['min1']) => ReportForm::Ranges,
            isset($numbers['low1']) => ReportForm::MeansWithInterval,
            isset($numbers['se1']) => ReportForm::MeansWithSe,
            default => ReportForm::MeansWithSd,
        };
        $main = in_array($form, [ReportForm::Quartiles, ReportForm::Ranges], true) ? 'median' : 'm';

        $isOfBoth = isset($numbers["{$main}1"], $numbers["{$main}2"]);

        return $isOfBoth ? new ReadCells($form, $numbers + self::sizes($sizes)) : null;
    }

    /** @return array<string, OfferedNumber> */
    private static function ofMeans(TableLine $line): array
    {
        $numbers = [];
        $as = GivenAs::of($line);
        foreach ($line->groups() as $group => $cell) {
            $cell = self::plain($cell);
            $keys = match (true) {
                preg_match(self::INTERVAL, $cell, $found) === 1 => $as->three($cell),
                preg_match(self::WITH_SPREAD, $cell, $found) === 1 => $as->two(),
                preg_match('/^'.self::NUMBER.'$/u', $cell, $found) === 1 => $as->one(),
                default => [],
            };
            foreach ($keys as $i => $key) {
                $numbers["{$key}{$group}"] = self::number($line, $group, $found[$i + 1] ?? '');
            }
            $numbers += in_array('low', $keys, true) ? self::level($line, $group) : [];
        }

        return $numbers;
    }

    /**
     * An estimate of both groups together with its interval, from a column of its own.
     *
     * @param  array<int, OfferedNumber>  $sizes
     */
    private static function ofBoth(OutcomeKind $kind, TableLine $line, array $sizes): ?ReadCells
    {
        $form = match (true) {
            $kind === OutcomeKind::Ratio => ReportForm::RatioInterval,
            $kind === OutcomeKind::Means => ReportForm::DifferenceWithInterval,
            $kind !== OutcomeKind::Events => null,
            preg_match('/\b(?:[Oo]dds|OR)\b/u', $line->head) === 1 => ReportForm::OddsRatioInterval,
            default => ReportForm::RiskRatioInterval,
        };
        if ($form === null || preg_match(self::INTERVAL, self::plain($line->cells[0] ?? ''), $found) !== 1) {
            return null;
        }
        $numbers = [];
        foreach (['estimate', 'low', 'high'] as $i => $key) {
            $numbers[$key] = self::number($line, 0, $found[$i + 1]);
        }

        $numbers += self::level($line, 0);
        $isOfSizes = $form === ReportForm::DifferenceWithInterval;

        return new ReadCells($form, $isOfSizes ? $numbers + self::sizes($sizes) : $numbers);
    }

    /**
     * Of an interval, where the cell, its line or its head tells one that is not the usual.
     *
     * @return array<string, OfferedNumber>
     */
    private static function level(TableLine $line, int $group): array
    {
        foreach ([$line->cells[$group], $line->label, $line->head] as $text) {
            if (preg_match('/\b(\d{2}(?:[.·]\d+)?)\s*%\s*(?:CI|C\.I\.|confidence)/iu', $text, $found) === 1) {
                $level = new OfferedNumber(strtr($found[1], '·', '.'), $text, $line->rows[$group]->page);

                return (float) $level->value === 95.0 ? [] : ['level' => $level];
            }
        }

        return [];
    }

    /**
     * @param  array<int, OfferedNumber>  $sizes
     * @return array<string, OfferedNumber>
     */
    private static function sizes(array $sizes): array
    {
        $numbers = [];
        foreach ($sizes as $group => $size) {
            $numbers["n{$group}"] = $size;
        }

        return $numbers;
    }

    /** Without marks of footnotes and blanks within numbers, and with points for commas where those part whole from rest. */
    private static function plain(string $cell): string
    {
        $cell = (string) preg_replace(
            [
                self::PEOPLE,
                '/[*†‡§¶#]+/u',
                '/(?<=[\d)\]%])\s*[ᵃ-ᶻ¹²³⁰-⁹]+/u',
                '/(?<=[\d)\]%])[a-e]$/u',
                '/(?<=\d)[\x{A0}\x{2009}\x{202F}](?=\d{3}(?!\d))/u',
            ],
            '',
            trim($cell),
        );
        // “4 (3,5)” may be from 3 to 5; where the first number itself has such a comma, all are meant so
        if (preg_match('/^[−–-]?\d+,\d{1,2}(?!\d)/u', $cell) === 1) {
            $cell = (string) preg_replace('/(?<=\d),(?=\d)/', '.', $cell);
        }

        return trim($cell);
    }

    private static function number(TableLine $line, int $group, string $told): OfferedNumber
    {
        return $line->number($group, strtr($told, [',' => '', '−' => '-', '–' => '-', '·' => '.', '+' => '']));
    }
}
