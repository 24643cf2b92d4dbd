<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Reader;

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Figures;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\LeadReader;
use WaryHeron\Core\Coding\Lead\Passage;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\Ranked\Ranking;
use WaryHeron\Core\Coding\Lead\Ranked\Stems;
use WaryHeron\Core\Coding\Lead\Traps;

/** Any other number: one with the item's unit, or the one that stands nearest to its words. */
final class NumberReader implements LeadReader
{
    /** What items ask with, and papers do not repeat. */
    private const ASKING = ['number', 'count', 'total', 'amount', 'how', 'many', 'much', 'size', 'mean', 'average'];

    /** Units of everything: where they stand, it may be anything. */
    private const COMMON_UNITS = '/^(?:%|per ?cent|percent|people|persons?|years?|months?|weeks?|days?|hours?|h|minutes?|min|points?)$/iu';

    /** Words between a number and what it is of: of a count two, of anything else some more. */
    private const NEAR = ['count' => 2, 'other' => 12];

    public function reads(AskedItem $item): bool
    {
        return $item->type === ItemType::Number;
    }

    public function leads(AskedItem $item, Passages $paper): array
    {
        $leads = [];
        foreach (Ranking::of($item, $paper)->best(12) as $ranked) {
            $value = Traps::isCited($ranked->passage) ? null : self::nearest($ranked->passage->text, $item);
            if ($value !== null) {
                $score = 0.9 + $ranked->score * ($item->unit === '' ? 0.8 : 1.4);
                $why = 'the number nearest to its words';
                $leads[] = Lead::from($ranked->passage, Figures::told($value), $score, $why, $item->unit);
            }
        }

        return $leads === [] ? self::byUnit($item, $paper) : $leads;
    }

    /** @return list<Lead> where nothing speaks of it in its words: numbers with a unit that few things have */
    private static function byUnit(AskedItem $item, Passages $paper): array
    {
        $leads = [];
        $isRare = $item->unit !== '' && preg_match(self::COMMON_UNITS, $item->unit) !== 1;
        foreach ($isRare ? $paper->told() : [] as $passage) {
            $value = Traps::isCited($passage) ? null : self::first($passage, $item);
            if ($value !== null) {
                $score = 1.0 + max(0.0, Traps::trust($passage->section));
                $leads[] = Lead::from($passage, Figures::told($value), $score, 'a number with its unit', $item->unit);
            }
        }

        return $leads;
    }

    private static function first(Passage $passage, AskedItem $item): ?float
    {
        $numbers = self::numbers($passage->text, $item->unit);

        return $numbers === [] ? null : $numbers[array_key_first($numbers)];
    }

    private static function nearest(string $text, AskedItem $item): ?float
    {
        $stems = array_diff(Stems::of(implode(' ', $item->called())), self::ASKING);
        $isCount = preg_match('/^(?:number of|no\. of|count of|how many)\b/iu', $item->label) === 1;
        [$best, $least] = [null, self::NEAR[$isCount ? 'count' : 'other'] + 1];
        foreach (self::numbers($text, $item->unit) as $at => $value) {
            $gap = self::gap($text, $at, $stems, $isCount);
            if ($gap !== null && $gap < $least) {
                [$best, $least] = [$value, $gap];
            }
        }

        return $best;
    }

    /**
     * Numbers but years, ranges, parts of a number, and what tables and pictures are called by.
     *
     * @return array<int, float> by where they begin, in bytes
     */
    private static function numbers(string $text, string $unit): array
    {
        $after = $unit === '' ? '(?!\s*(?:to|–|-|of)\s*\d|\d|[.,]\d|\s*%|\p{L})' : '[\s-]*'.self::unit($unit).'(?!\p{L})';
        $before = '(?<!Table )(?<!Fig\. )(?<!Figure )(?<![\p{L}\d.,–-])(?<!\d to )(?<!\d of )';
        preg_match_all("/{$before}(".Figures::PATTERN.")(?:{$after})/iu", $text, $found, PREG_OFFSET_CAPTURE);
        $numbers = [];
        foreach ($found[1] as [$told, $at]) {
            $value = Figures::value($told);
            $isYear = $unit === '' && preg_match('/^(?:19|20)\d\d$/', $told) === 1;
            if ($value !== null && ! $isYear) {
                $numbers[$at] = $value;
            }
        }

        return $numbers;
    }

    /** “minutes” is also “minute” and “min”. */
    private static function unit(string $unit): string
    {
        return match (true) {
            preg_match('/^(?:%|per ?cent|percent)$/iu', $unit) === 1 => '(?:%|per ?cent)',
            preg_match('/^min(?:utes?)?$/iu', $unit) === 1 => 'min(?:utes?)?',
            preg_match('/^h(?:ours?|rs?)?$/iu', $unit) === 1 => 'h(?:ours?|rs?)?',
            default => preg_quote(rtrim($unit, 's'), '/').'s?',
        };
    }

    /**
     * @param  array<string>  $stems
     * @return ?int words from a number to the nearest of these; of a count to those after it, or to “was” before it
     */
    private static function gap(string $text, int $at, array $stems, bool $isCount): ?int
    {
        $isNamed = fn (string $word): bool => array_intersect(Stems::of($word), $stems) !== [];
        $after = preg_split('/\s+/u', trim(substr($text, $at))) ?: [];
        $before = array_reverse(preg_split('/\s+/u', trim(substr($text, 0, $at))) ?: []);
        $gaps = [];
        foreach ([array_slice($after, 1), $isCount ? [] : $before] as $words) {
            $named = array_keys(array_filter($words, $isNamed));
            array_push($gaps, ...array_slice($named, 0, 1));
        }
        $said = $isCount && preg_match('/^(?:was|were|is)$/iu', $before[0] ?? '') === 1 && $isNamed($before[1] ?? '');

        return $said ? 0 : ($gaps === [] ? null : min($gaps));
    }
}
