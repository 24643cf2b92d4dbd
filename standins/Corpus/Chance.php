<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Corpus;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/** Draws that come out the same for the same seed and number. */
final readonly class Chance
{
    private Randomizer $random;

    public function __construct(string $seed)
    {
        $this->random = new Randomizer(new Xoshiro256StarStar(hash('sha256', $seed, true)));
    }

    public function int(int $from, int $to): int
    {
        return $this->random->getInt($from, $to);
    }

    public function is(float $probability): bool
    {
        return $this->random->getInt(0, 999_999) < $probability * 1_000_000;
    }

    /**
     * @template T
     *
     * @param  non-empty-list<T>  $of
     * @return T
     */
    public function one(array $of): mixed
    {
        return $of[$this->random->getInt(0, count($of) - 1)];
    }

    /**
     * @template T
     *
     * @param  list<T>  $of
     * @return list<T>
     */
    public function some(array $of, int $count): array
    {
        return array_slice($this->random->shuffleArray($of), 0, $count);
    }

    /**
     * @template T
     *
     * @param  non-empty-list<array{T, float}>  $of
     * @return T
     */
    public function weighted(array $of): mixed
    {
        $left = ($this->random->getInt(0, 999_999) / 1_000_000) * array_sum(array_column($of, 1));
        foreach ($of as [$value, $weight]) {
            if (($left -= $weight) < 0) {
                return $value;
            }
        }

        return $of[count($of) - 1][0];
    }

    /** A normal deviate, by the sum of twelve uniform draws. */
    public function normal(float $mean = 0.0, float $spread = 1.0): float
    {
        $sum = -6.0;
        for ($i = 0; $i < 12; $i++) {
            $sum += $this->random->getInt(0, 999_999) / 1_000_000;
        }

        return $mean + $spread * $sum;
    }
}
