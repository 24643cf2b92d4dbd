<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\Ranking;

/**
 * How early an order brings what is relevant (WSS@95: Cohen, Hersh, Peterson & Yen 2006). All null where nothing is
 * relevant.
 */
final readonly class RankingQuality
{
    /** @param  list<int>  $ranks  of the relevant ones, from 1, ascending */
    private function __construct(public int $all, private array $ranks)
    {
    }

    /** @param  list<bool>  $relevant  in the order they are read */
    public static function of(array $relevant): self
    {
        return new self(count($relevant), array_map(fn (int $i): int => $i + 1, array_keys(array_filter($relevant))));
    }

    public function relevant(): int
    {
        return count($this->ranks);
    }

    /** The smallest rank by which at least 95% of the relevant ones are found. */
    public function k95(): ?int
    {
        $needed = $this->needed95();

        return $needed === null ? null : $this->ranks[$needed - 1];
    }

    /** How many relevant ones are at least 95% of them: in whole numbers, since 0.95 times 20 must not round up to 20. */
    public function needed95(): ?int
    {
        return $this->ranks === [] ? null : intdiv(95 * count($this->ranks) + 99, 100);
    }

    /** Work saved over reading in random order, at 95% recall; may be negative. */
    public function wss95(): ?float
    {
        $k = $this->k95();

        return $k === null ? null : ($this->all - $k) / $this->all - 0.05;
    }

    public function recallAt(int $k): ?float
    {
        return $this->ranks === []
            ? null
            : count(array_filter($this->ranks, fn (int $rank): bool => $rank <= $k)) / count($this->ranks);
    }

    public function averagePrecision(): ?float
    {
        if ($this->ranks === []) {
            return null;
        }
        $sum = 0.0;
        foreach ($this->ranks as $i => $rank) {
            $sum += ($i + 1) / $rank;
        }

        return $sum / count($this->ranks);
    }
}
