<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\Ranking;

/**
 * How much of what is relevant has been found, from a random check sample of what was unread.
 *
 * Of N unread items n were drawn without replacement and read, and x of them were relevant. The largest number K of
 * relevant ones among the N under which x or fewer are drawn with a probability above 1 − confidence is a one-sided
 * exact bound, by inversion of the hypergeometric distribution (Buonaccorsi 1987; for screening: Callaghan &
 * Müller-Hansen 2020). It is an estimate from chance, never a promise.
 */
final readonly class RecallEstimate
{
    public const METHOD = 'one-sided exact bound from the hypergeometric distribution, for a simple random sample drawn without replacement';

    private function __construct(
        public float $confidence,
        /** Relevant ones expected among the unread when the sample was drawn. */
        public float $expected,
        /** At most so many, with the confidence named. */
        public int $most,
        public float $recall,
        public float $atLeast,
        /** Nothing of what it was drawn from is unread any more: no estimate, but what there is. */
        public bool $isCount = false,
    ) {
    }

    /**
     * @param  int  $unread  N, when the sample was drawn
     * @param  int  $drawn  n, all of them read by now
     * @param  int  $hits  x, the relevant ones among the drawn
     * @param  int  $before  relevant ones found before the sample was drawn
     * @param  int  $since  relevant ones found since among the N, those of the sample included
     */
    public static function of(
        int $unread,
        int $drawn,
        int $hits,
        int $before,
        int $since,
        float $confidence = 0.95,
    ): self {
        if ($drawn < 1 || $drawn > $unread || $hits > $drawn || $hits < 0 || $since < $hits) {
            throw new \DomainException(
                'A sample holds between one and all of the unread items, and no more relevant ones than were found.',
            );
        }
        $most = self::bound($unread, $drawn, $hits, 1 - $confidence);
        $expected = ($unread * $hits) / $drawn;
        $found = $before + $since;
        $recall = fn (float $among): float => $found + max(0.0, $among - $since) > 0
            ? $found / ($found + max(0.0, $among - $since))
            : 1.0;

        return new self($confidence, $expected, max($most, $since), $recall($expected), $recall($most));
    }

    /** When everything has been read, what was found is all there was to find. */
    public static function counted(int $found): self
    {
        return new self(1.0, (float) $found, $found, 1.0, 1.0, true);
    }

    /** The largest K with P(X ≤ x | N, K, n) > α; that probability falls as K grows, so it is found by halving. */
    public static function bound(int $unread, int $drawn, int $hits, float $alpha): int
    {
        [$low, $high] = [$hits, $unread - ($drawn - $hits)];
        while ($low < $high) {
            $middle = intdiv($low + $high + 1, 2);
            if (self::atMost($hits, $unread, $middle, $drawn) > $alpha) {
                $low = $middle;
            } else {
                $high = $middle - 1;
            }
        }

        return $low;
    }

    /** P(X ≤ x) where n are drawn from N of which K are relevant. */
    public static function atMost(int $x, int $all, int $relevant, int $drawn): float
    {
        $first = max(0, $drawn - ($all - $relevant));
        if ($first > $x) {
            return 0.0;
        }
        $log =
            self::logChoose($relevant, $first) +
            self::logChoose($all - $relevant, $drawn - $first) -
            self::logChoose($all, $drawn);
        $term = exp($log);
        // far out, the first terms are too small to be told from nothing; they then start from their logarithm anew
        $sum = $term;
        for ($i = $first + 1; $i <= min($x, $relevant, $drawn); $i++) {
            $log += log(($relevant - $i + 1) * ($drawn - $i + 1)) - log($i * ($all - $relevant - $drawn + $i));
            $sum += exp($log);
        }

        return min(1.0, $sum);
    }

    private static function logChoose(int $n, int $k): float
    {
        return self::logFactorial($n) - self::logFactorial($k) - self::logFactorial($n - $k);
    }

    /** Exact sums for small numbers; Stirling's series (Abramowitz & Stegun 6.1.41), good to 1e-10, for large ones. */
    private static function logFactorial(int $n): float
    {
        if ($n < 64) {
            $sum = 0.0;
            for ($i = 2; $i <= $n; $i++) {
                $sum += log($i);
            }

            return $sum;
        }
        $x = $n + 1.0;

        return ($x - 0.5) * log($x) -
            $x +
            0.5 * log(2 * M_PI) +
            1 / (12 * $x) -
            1 / (360 * $x ** 3) +
            1 / (1260 * $x ** 5);
    }
}
