<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\Agreement;

/**
 * Agreement of any number of raters, per pair and overall. What is not defined is null.
 *
 * Sources: Fleiss 1971, Gwet 2008, Krippendorff 2004 with Hayes and Krippendorff 2007 (nominal, missing ratings
 * allowed).
 */
final class AgreementReport
{
    /** @return array<string, mixed> */
    public static function of(Ratings $ratings): array
    {
        $raters = $ratings->raters;
        $pairs = [];
        foreach ($raters as $i => $first) {
            foreach (array_slice($raters, $i + 1) as $second) {
                $pairs[] =
                    ['raters' => [$first, $second]] + (new TwoRaters($ratings->table($first, $second)))->toArray();
            }
        }
        $complete = count($raters) < 2 ? [] : $ratings->counts(count($raters));
        $fleiss = self::fleiss($complete, count($raters));

        return [
            'records' => count($ratings->byItem),
            'raters' => count($raters),
            'two_raters' => count($raters) === 2 ? array_diff_key($pairs[0], ['raters' => true]) : null,
            'complete_records' => count($complete),
            'fleiss' => $fleiss,
            'gwet_ac1' => $fleiss['p_observed'] === null
                    ? ['pe' => null, 'ac1' => null]
                    : self::gwet($fleiss['p_observed'], self::shares($complete)),
            'krippendorff' => self::krippendorff($ratings->counts(2)),
            'pairs' => $pairs,
        ];
    }

    /**
     * @param  list<float>  $shares  of each category offered
     * @return array{pe: ?float, ac1: ?float}
     */
    public static function gwet(float $observed, array $shares): array
    {
        if (count($shares) < 2) {
            return ['pe' => null, 'ac1' => null];
        }
        $expected = array_sum(array_map(fn (float $p): float => $p * (1 - $p), $shares)) / (count($shares) - 1);

        return ['pe' => $expected, 'ac1' => 1 - $expected < 1e-15 ? null : ($observed - $expected) / (1 - $expected)];
    }

    /**
     * @param  list<list<int>>  $counts  of records that all raters judged
     * @return array{n: int, raters: int, p_observed: ?float, p_expected: ?float, kappa: ?float}
     */
    private static function fleiss(array $counts, int $raters): array
    {
        $result = ['n' => count($counts), 'raters' => $raters];
        $result += ['p_observed' => null, 'p_expected' => null, 'kappa' => null];
        if ($counts === [] || $raters < 2) {
            return $result;
        }
        $agreement = array_map(
            fn (array $row): float => (array_sum(array_map(fn (int $n): int => $n * $n, $row)) - $raters) /
                ($raters * ($raters - 1)),
            $counts,
        );
        $observed = array_sum($agreement) / count($agreement);
        $expected = array_sum(array_map(fn (float $p): float => $p * $p, self::shares($counts)));

        return [
            'p_observed' => $observed,
            'p_expected' => $expected,
            'kappa' => 1 - $expected < 1e-15 ? null : ($observed - $expected) / (1 - $expected),
        ] + $result;
    }

    /**
     * @param  list<list<int>>  $counts  of records with two ratings or more
     * @return array{units: int, pairable: int, d_observed: ?float, d_expected: ?float, alpha: ?float}
     */
    public static function krippendorff(array $counts): array
    {
        $n = array_sum(array_map(array_sum(...), $counts));
        $result = [
            'units' => count($counts),
            'pairable' => $n,
            'd_observed' => null,
            'd_expected' => null,
            'alpha' => null,
        ];
        if ($n === 0) {
            return $result;
        }
        $observed = 0.0;
        foreach ($counts as $row) {
            $m = array_sum($row);
            $observed += ($m * $m - array_sum(array_map(fn (int $c): int => $c * $c, $row))) / ($m - 1);
        }
        $observed /= $n;
        $same = 0.0;
        foreach (array_keys($counts[0]) as $k) {
            $total = array_sum(array_column($counts, $k));
            $same += $total * ($total - 1.0);
        }
        $expected = 1 - $same / ($n * ($n - 1.0));

        return [
            'd_observed' => $observed,
            'd_expected' => $expected,
            'alpha' => abs($expected) < 1e-15 ? null : 1 - $observed / $expected,
        ] + $result;
    }

    /**
     * @param  list<list<int>>  $counts
     * @return list<float>
     */
    private static function shares(array $counts): array
    {
        $all = array_sum(array_map(array_sum(...), $counts));

        return array_map(
            fn (int $k): float => array_sum(array_column($counts, $k)) / $all,
            array_keys($counts[0] ?? []),
        );
    }
}
