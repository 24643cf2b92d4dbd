<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Report;

use WaryHeron\Core\Synthesis\Effect\AnalysisMeasure;
use WaryHeron\Core\Synthesis\Effect\Effect;
use WaryHeron\Core\Synthesis\Effect\SmallSamples;

/**
 * The same people under both conditions. Sources: Elbourne et al. 2002 (the difference of means of a crossover trial),
 * Borenstein et al. 2009, chapter 4 (the standardised difference of matched groups: by the SD within, with variance
 * (1/n + d²/2n) · 2(1 − r), corrected by J of n − 1).
 */
final readonly class Pairs
{
    /**
     * @param  array<string, Effect>  $effects  by measure
     * @param  list<Step>  $steps
     */
    private function __construct(public array $effects, public array $steps)
    {
    }

    /**
     * From means and SDs under each condition; null where the correlation within people is not given, so that nothing is
     * known of the pairs.
     */
    public static function ofGroups(Group $one, Group $two, ?float $r): ?self
    {
        if ($r === null || abs($r) >= 1 || $one->sd === null || $two->sd === null || $one->mean === null || $two->mean === null) {
            return null;
        }
        $n = min($one->n ?? 0, $two->n ?? 0);
        $spread = sqrt(max(0.0, $one->sd ** 2 + $two->sd ** 2 - 2 * $r * $one->sd * $two->sd));
        $formula = '√((SD₁² + SD₂² − 2r SD₁ SD₂) / n), r = '.Step::shown($r).', n = '.Step::shown($n);

        return $n < 2 ? null : self::of($one->mean - $two->mean, $spread / sqrt($n), $n, $r, $formula);
    }

    /** From a difference and its error, as the report gives them for the pairs. */
    public static function ofDifference(?float $difference, ?float $error, ?float $n, ?float $r): ?self
    {
        return $difference === null || $error === null || $n === null || $n < 2
            ? null
            : self::of($difference, $error, $n, $r, 'as reported for the pairs');
    }

    private static function of(float $difference, float $error, float $n, ?float $r, string $formula): self
    {
        $effects = [AnalysisMeasure::MeanDifference->value => Effect::of($difference, $error ** 2)];
        $steps = [new Step('SE of the difference', $formula, $error, 'Elbourne et al. 2002')];
        if ($r !== null && abs($r) < 1 && $error > 0) {
            $within = $error * sqrt($n) / sqrt(2 * (1 - $r));
            $steps[] = new Step('SD within', 'SE × √n / √(2(1 − r)), r = '.Step::shown($r), $within, 'Borenstein et al. 2009');
            $effects += self::standardised($difference / $within, $n, $r);
        }

        return new self($effects, $steps);
    }

    /** @return array<string, Effect> */
    private static function standardised(float $d, float $n, float $r): array
    {
        $f = $n - 1;
        // J of one degree of freedom is not defined
        $exact = $f < 2 ? NAN : SmallSamples::exact($f);
        $effect = function (float $j) use ($d, $n, $r): Effect {
            $g = $j * $d;

            return Effect::of($g, (1 / $n + $g ** 2 / (2 * $n)) * 2 * (1 - $r));
        };

        return [
            AnalysisMeasure::StandardisedMeanDifference->value => $effect($exact),
            AnalysisMeasure::StandardisedApproximately->value => $effect(SmallSamples::approximate($f)),
        ];
    }
}
