<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Offer;

use WaryHeron\Core\Coding\Lead\Parted\PartNames;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\Ranked\Stems;
use WaryHeron\Core\Synthesis\Report\OutcomeKind;
use WaryHeron\Core\Synthesis\Report\ReportForm;

/**
 * Results of an outcome that tables of a paper seem to give: rows that name it, in the columns of the two groups. They
 * are offered; nobody has taken them.
 */
final class TableResults
{
    /** So much of an outcome's name has to stand in the row's. */
    private const ENOUGH = 0.6;

    private const MOST = 4;

    /**
     * @param  list<string>  $names  of the outcome, and other words for it
     * @param  PartNames  $groups  the intervention as 1, the comparator as 2
     * @return list<OfferedResult> the likeliest first
     */
    public static function of(Passages $paper, OutcomeKind $kind, array $names, PartNames $groups): array
    {
        $offers = [];
        foreach (ResultTable::all($paper, $groups) as $table) {
            foreach (self::about($table, $names) as $lines) {
                $offer = CellReader::of($kind, $lines, $table->sizes);
                if ($offer !== null) {
                    $numbers = self::ordered($offer->form, $offer->numbers);
                    $share = self::best($names, $lines[0]);
                    $offers[] = new OfferedResult($offer->form, $numbers, $lines[0]->label, $share);
                }
            }
        }
        usort($offers, fn (OfferedResult $a, OfferedResult $b): int => $b->share <=> $a->share);

        return array_slice($offers, 0, self::MOST);
    }

    /**
     * Lines that name the outcome, each with those right after it that say more of the same: its mean, then its SD.
     *
     * @param  list<string>  $names
     * @return list<non-empty-list<TableLine>>
     */
    private static function about(ResultTable $table, array $names): array
    {
        $about = [];
        $open = null;
        foreach ($table->lines as $line) {
            $share = self::best($names, $line);
            if ($open !== null && self::saysMore($line, $open, $share, self::best($names, $open))) {
                $about[array_key_last($about) ?? 0][] = $line;
            } elseif ($share >= self::ENOUGH && ! $line->counts()) {
                $about[] = [$line];
                $open = $line;
            } else {
                $open = null;
            }
        }

        return array_values($about);
    }

    /** Whether a line gives the spread of what the one before it began with. */
    private static function saysMore(TableLine $line, TableLine $begun, float $share, float $ofBegun): bool
    {
        return $line->says('\b(?:SD|SE|SEM|standard (?:deviation|error))\b') &&
            ! $begun->says('\b(?:SD|SE)\b') &&
            ($share === 0.0 || $share === $ofBegun);
    }

    /** @param  list<string>  $names */
    private static function best(array $names, TableLine $line): float
    {
        return max([0.0, ...array_map(fn (string $name): float => self::share($name, $line->label), $names)]);
    }

    private static function share(string $name, string $label): float
    {
        $asked = array_unique(Stems::of($name));
        // a letter of a note may stand right behind the last word
        $there = [...Stems::of($label), ...Stems::of((string) preg_replace('/(?<=\p{Ll})[a-e]$/u', '', $label))];
        $found = array_filter(
            $asked,
            fn (string $stem): bool => array_filter($there, fn (string $one): bool => self::isSame($stem, $one)) !== [],
        );

        return $asked === [] ? 0.0 : count($found) / count($asked);
    }

    /** “misses” and “miss” are one; “sleepiness” and “sleep” are not. */
    private static function isSame(string $one, string $other): bool
    {
        [$short, $long] = mb_strlen($one) < mb_strlen($other) ? [$one, $other] : [$other, $one];

        return in_array($long, [$short, "{$short}s", "{$short}es"], true);
    }

    /**
     * @param  array<string, OfferedNumber>  $numbers
     * @return array<string, OfferedNumber> in the order of the form
     */
    private static function ordered(ReportForm $form, array $numbers): array
    {
        $ordered = [];
        foreach ($form->fields() as $field) {
            if (isset($numbers[$field->key])) {
                $ordered[$field->key] = $numbers[$field->key];
            }
        }

        return $ordered;
    }
}
