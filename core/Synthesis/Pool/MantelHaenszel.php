<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Pool;

use WaryHeron\Core\Synthesis\Effect\Measure;
use WaryHeron\Core\Synthesis\Effect\TwoByTwo;

/**
 * Tables pooled from their uncorrected counts.
 *
 * Sources: Mantel & Haenszel 1959; Robins, Breslow & Greenland 1986 (variance of the odds ratio); Greenland & Robins
 * 1985 (variances of the risk ratio and of the risk difference).
 */
final readonly class MantelHaenszel
{
    /**
     * @param  array<string, float>  $weights  as displayed: S for ratios, W for the difference
     */
    private function __construct(public Estimate $estimate, public array $weights)
    {
    }

    /** @param  array<string, TwoByTwo>  $tables  by study, none of which its measure leaves out */
    public static function of(Measure $measure, array $tables): self
    {
        return match ($measure) {
            Measure::OddsRatio => self::oddsRatio($tables),
            Measure::RiskRatio => self::riskRatio($tables),
            Measure::RiskDifference => self::riskDifference($tables),
            default => throw new \LogicException("{$measure->value} is not pooled in this way."),
        };
    }

    /** In percent, by study; empty where nothing was pooled. */
    public function percent(): object
    {
        $sum = array_sum($this->weights);

        return $this->estimate->value === null || $sum <= 0
            ? (object) []
            : (object) array_map(fn (float $weight): float => 100 * $weight / $sum, $this->weights);
    }

    /** @param  array<string, TwoByTwo>  $tables */
    private static function oddsRatio(array $tables): self
    {
        $r = $s = $pr = $mixed = $ts = 0.0;
        $weights = [];
        foreach ($tables as $name => $t) {
            [$ri, $si] = [$t->a * $t->d / $t->n(), $t->b * $t->c / $t->n()];
            [$p, $rest] = [($t->a + $t->d) / $t->n(), ($t->b + $t->c) / $t->n()];
            $r += $ri;
            $s += $si;
            $pr += $p * $ri;
            $mixed += $p * $si + $rest * $ri;
            $ts += $rest * $si;
            $weights[$name] = $si;
        }

        return $r <= 0 || $s <= 0
            ? new self(Estimate::undefined(), [])
            : new self(
                Estimate::of(log($r / $s), $pr / (2 * $r ** 2) + $mixed / (2 * $r * $s) + $ts / (2 * $s ** 2)),
                $weights,
            );
    }

    /** @param  array<string, TwoByTwo>  $tables */
    private static function riskRatio(array $tables): self
    {
        $r = $s = $v = 0.0;
        $weights = [];
        foreach ($tables as $name => $t) {
            $r += $t->a * $t->n2() / $t->n();
            $s += $weights[$name] = $t->c * $t->n1() / $t->n();
            $v += (($t->a + $t->c) * $t->n1() * $t->n2() - $t->a * $t->c * $t->n()) / $t->n() ** 2;
        }

        return $r <= 0 || $s <= 0
            ? new self(Estimate::undefined(), [])
            : new self(Estimate::of(log($r / $s), $v / ($r * $s)), $weights);
    }

    /** @param  array<string, TwoByTwo>  $tables */
    private static function riskDifference(array $tables): self
    {
        $sum = $total = $v = 0.0;
        $weights = [];
        foreach ($tables as $name => $t) {
            [$n1, $n2] = [$t->n1(), $t->n2()];
            $sum += $weights[$name] = $n1 * $n2 / $t->n();
            $total += $weights[$name] * ($t->a / $n1 - $t->c / $n2);
            $v += ($t->a * $t->b * $n2 ** 3 + $t->c * $t->d * $n1 ** 3) / ($n1 * $n2 * $t->n() ** 2);
        }

        return $sum <= 0
            ? new self(Estimate::undefined(), [])
            : new self(Estimate::of($total / $sum, $v / $sum ** 2), $weights);
    }
}
