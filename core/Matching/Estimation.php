<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching;

/**
 * Learns the weights from the compared pairs themselves, without being told which are of one publication: expectation
 * and maximisation over the patterns of agreement (Dempster, Laird & Rubin 1977; for record linkage Winkler 1988).
 * The starting values count as so many pairs seen before, so that a small review does not unlearn what holds in
 * general.
 */
final class Estimation
{
    /** How many pairs the starting values stand for. */
    private const BEFORE = 1500.0;

    /** How many of those are of one publication. */
    private const SAME_BEFORE = 300.0;

    private const ROUNDS = 25;

    private const ENOUGH = 1e-6;

    /** No chance is less, however many pairs never showed a level. */
    private const LEAST = 1e-6;

    /** @var list<array<int, int>> its levels by place of the field for each pattern, without what was not compared */
    private readonly array $levels;

    /** @var list<int> how many pairs showed each pattern */
    private readonly array $counts;

    /** @var list<array<int, array{float, float}>> the pairs that the starting values stand for, by place and level */
    private readonly array $before;

    /**
     * @param  array<int, int>  $patterns
     * @param  list<array<int, array{float, float}>>  $chances  m and u by place and level
     * @param  float  $share  of the pairs that are of one publication
     */
    private function __construct(array $patterns, private array $chances, private float $share)
    {
        ksort($patterns);
        $this->levels = array_map(
            fn (int $pattern): array => array_filter((new Comparison($pattern))->levels()),
            array_keys($patterns),
        );
        $this->counts = array_values($patterns);
        $this->before = array_map(
            fn (array $levels): array => array_map(
                fn (array $of): array => [$of[0] * self::BEFORE, $of[1] * self::BEFORE],
                $levels,
            ),
            $chances,
        );
    }

    /**
     * @param  array<int, int>  $patterns  how many pairs showed each pattern of levels (Comparison::pattern)
     */
    public static function weights(array $patterns, Weights $start): Weights
    {
        $fields = array_column(MatchField::cases(), 'value');
        $odds = 2 ** $start->prior;
        $learning = new self(
            $patterns,
            array_map(fn (string $field): array => $start->chances[$field], $fields),
            $odds / (1 + $odds),
        );
        for ($round = 0; $round < self::ROUNDS && $learning->round() >= self::ENOUGH; $round++);
        $share = $learning->share;

        return new Weights(array_combine($fields, $learning->chances), log($share / (1 - $share), 2));
    }

    /** @return float how far the chance moved that moved furthest */
    private function round(): float
    {
        $sums = $this->before;
        $matched = self::SAME_BEFORE;
        foreach ($this->levels as $i => $levels) {
            $same = $this->isSame($levels) * $this->counts[$i];
            $matched += $same;
            foreach ($levels as $place => $level) {
                [$ofSame, $ofOthers] = $sums[$place][$level];
                $sums[$place][$level] = [$ofSame + $same, $ofOthers + $this->counts[$i] - $same];
            }
        }
        $this->share = $matched / (array_sum($this->counts) + self::BEFORE);

        return $this->renew($sums);
    }

    /**
     * The chance that a pair is of one publication, as things stand.
     *
     * @param  array<int, int>  $levels
     */
    private function isSame(array $levels): float
    {
        $m = $this->share;
        $u = 1 - $this->share;
        foreach ($levels as $place => $level) {
            $m *= $this->chances[$place][$level][0];
            $u *= $this->chances[$place][$level][1];
        }

        return $m / ($m + $u);
    }

    /** @param  list<array<int, array{float, float}>>  $sums  pairs of one publication and of two, by place and level */
    private function renew(array $sums): float
    {
        $moved = 0.0;
        foreach ($sums as $place => $of) {
            $all = [array_sum(array_column($of, 0)), array_sum(array_column($of, 1))];
            foreach ($of as $level => $counted) {
                foreach ($counted as $which => $count) {
                    $chance = max(self::LEAST, $count / $all[$which]);
                    $moved = max($moved, abs($chance - $this->chances[$place][$level][$which]));
                    $this->chances[$place][$level][$which] = $chance;
                }
            }
        }

        return $moved;
    }
}
