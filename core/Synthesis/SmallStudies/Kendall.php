<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\SmallStudies;

/** Rank correlation with ties (Kendall, Rank Correlation Methods, 1970). */
final readonly class Kendall
{
    /** Concordant less discordant pairs. */
    public int $s;

    private int $k;

    /** @var list<int> how many there are of each value that occurs several times */
    private array $tiesX;

    /** @var list<int> */
    private array $tiesY;

    /**
     * @param  list<float>  $x
     * @param  list<float>  $y
     */
    public function __construct(array $x, array $y)
    {
        $this->k = count($x);
        $s = 0;
        for ($i = 0; $i < $this->k; $i++) {
            for ($j = 0; $j < $i; $j++) {
                $s += ($x[$i] <=> $x[$j]) * ($y[$i] <=> $y[$j]);
            }
        }
        $this->s = $s;
        $this->tiesX = self::ties($x);
        $this->tiesY = self::ties($y);
    }

    public function tauB(): ?float
    {
        $pairs = $this->k * ($this->k - 1) / 2;
        $untied = ($pairs - self::sum($this->tiesX, 2) / 2) * ($pairs - self::sum($this->tiesY, 2) / 2);

        return $untied > 0 ? $this->s / sqrt($untied) : null;
    }

    /** Of S, where nothing but chance rules. */
    public function variance(): float
    {
        $k = $this->k;
        $all = $k * ($k - 1) * (2 * $k + 5);
        foreach ([...$this->tiesX, ...$this->tiesY] as $t) {
            $all -= $t * ($t - 1) * (2 * $t + 5);
        }

        return $all / 18 +
            self::sum($this->tiesX, 3) * self::sum($this->tiesY, 3) / (9 * $k * ($k - 1) * ($k - 2)) +
            self::sum($this->tiesX, 2) * self::sum($this->tiesY, 2) / (2 * $k * ($k - 1));
    }

    /**
     * @param  list<float>  $values
     * @return list<int>
     */
    private static function ties(array $values): array
    {
        $counts = array_count_values(array_map(fn (float $one): string => var_export($one, true), $values));

        return array_values(array_filter($counts, fn (int $count): bool => $count > 1));
    }

    /**
     * Σ t(t − 1), or Σ t(t − 1)(t − 2).
     *
     * @param  list<int>  $ties
     */
    private static function sum(array $ties, int $factors): float
    {
        return (float) array_sum(
            array_map(fn (int $t): int => $factors === 2 ? $t * ($t - 1) : $t * ($t - 1) * ($t - 2), $ties),
        );
    }
}
