<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\SmallStudies;

use WaryHeron\Core\Synthesis\Pool\Estimate;
use WaryHeron\Core\Synthesis\Pool\Model;
use WaryHeron\Core\Synthesis\Pool\Study;
use WaryHeron\Core\Synthesis\Pool\Weighted;

/**
 * Studies that a funnel seems to lack, and the estimate with their mirror images put in (Duval & Tweedie 2000, J Am
 * Stat Assoc 95:89, estimator L0). What is filled in was never observed: a look at what asymmetry could do, no
 * correction.
 */
final readonly class TrimAndFill
{
    private const ROUNDS = 100;

    /**
     * @param  int  $missing  how many studies are put in
     * @param  string  $side  left or right, where they are put
     * @param  list<Study>  $filled  the mirror images
     * @param  Estimate  $estimate  with them
     */
    private function __construct(
        public int $missing,
        public string $side,
        public array $filled,
        public Estimate $estimate,
    ) {
    }

    /**
     * @param  list<Study>  $studies
     * @param  ?Model  $model  null for the common effect
     * @return ?self null of fewer than three, or where no side can be told
     */
    public static function of(array $studies, ?Model $model): ?self
    {
        $slope = SmallStudies::egger($studies)->intercept;
        if ($slope === null || $slope === 0.0) {
            return null;
        }
        // small studies on the right leave a gap on the left
        $sign = $slope > 0 ? 1.0 : -1.0;
        usort($studies, fn (Study $a, Study $b): int => $sign * $a->estimate <=> $sign * $b->estimate);
        $missing = self::missing($studies, $model, $sign);
        $mean = self::pooled(array_slice($studies, 0, count($studies) - $missing), $model)->mean;
        $filled = array_map(
            fn (Study $one): Study => new Study("{$one->name} (mirrored)", 2 * $mean - $one->estimate, $one->variance),
            array_slice($studies, count($studies) - $missing),
        );

        return new self(
            $missing,
            $sign > 0 ? 'left' : 'right',
            $filled,
            self::pooled([...$studies, ...$filled], $model)->estimate(),
        );
    }

    /** @param  list<Study>  $studies  those on the side that is full last */
    private static function missing(array $studies, ?Model $model, float $sign): int
    {
        $k = count($studies);
        $missing = $before = 0;
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $mean = self::pooled(array_slice($studies, 0, $k - $missing), $model)->mean;
            $ranked = self::ranked(array_map(fn (Study $one): float => $sign * ($one->estimate - $mean), $studies));
            $before = $missing;
            $missing = max(0, (int) round((4 * $ranked - $k * ($k + 1)) / (2 * $k - 1), 0, PHP_ROUND_HALF_EVEN));
            if ($missing === $before || $missing >= $k - 1) {
                break;
            }
        }

        return min($missing, $k - 2);
    }

    /**
     * The sum of the ranks, by distance from the mean, of those above it; ties in their order.
     *
     * @param  list<float>  $centred
     */
    private static function ranked(array $centred): int
    {
        $order = array_keys($centred);
        usort($order, fn (int $a, int $b): int => [abs($centred[$a]), $a] <=> [abs($centred[$b]), $b]);
        $sum = 0;
        foreach ($order as $rank => $i) {
            $sum += $centred[$i] > 0 ? $rank + 1 : 0;
        }

        return $sum;
    }

    /** @param  list<Study>  $studies */
    private static function pooled(array $studies, ?Model $model): Weighted
    {
        return $studies === []
            ? throw new \LogicException('Two studies at least are left.')
            : Weighted::of($studies, $model?->tau2($studies) ?? 0.0);
    }
}
