<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Regression;

use WaryHeron\Core\Synthesis\Distribution\ChiSquared;
use WaryHeron\Core\Synthesis\Distribution\Interval;
use WaryHeron\Core\Synthesis\Distribution\StudentT;
use WaryHeron\Core\Synthesis\Pool\Model;
use WaryHeron\Core\Synthesis\Pool\Study;

/**
 * Regression of estimates on moderators with a random effect of each study: τ² by restricted maximum likelihood (Fisher
 * scoring, Viechtbauer 2005 and 2010), tests and intervals by Knapp & Hartung 2003.
 */
final readonly class Regression
{
    private const ROUNDS = 300;

    /**
     * @param  list<string>  $names  of the coefficients, the intercept first
     * @param  list<float>  $coefficients
     * @param  list<list<float>>  $covariance  by Knapp & Hartung
     * @param  float  $tau2  that the moderators leave
     * @param  ?float  $explained  how much of τ² without them they take away, in percent; null where there was none
     * @param  float  $q  of what they leave, on $df
     */
    private function __construct(
        public int $k,
        public array $names,
        public array $coefficients,
        private array $covariance,
        public float $tau2,
        public ?float $explained,
        public float $q,
        public int $df,
    ) {
    }

    /**
     * @param  list<Study>  $studies
     * @param  array<string, list<float>>  $moderators  a value of each study, by name
     * @return ?self null where there are too few studies, or a moderator is the same in all or told by the others
     */
    public static function of(array $studies, array $moderators): ?self
    {
        $k = count($studies);
        $p = count($moderators) + 1;
        if ($studies === [] || $k <= $p) {
            return null;
        }
        $x = [];
        foreach (array_keys($studies) as $i) {
            $x[] = [1.0, ...array_map(fn (array $values): float => $values[$i], array_values($moderators))];
        }
        $plain = self::fitted($studies, $x, 0.0);
        if ($plain === null) {
            return null;
        }
        $tau2 = self::tau2($studies, $x);
        $fit = self::fitted($studies, $x, $tau2);
        $without = Model::RestrictedMaximumLikelihood->tau2($studies) ?? 0.0;
        if ($fit === null) {
            return null;
        }
        // Knapp & Hartung: the covariance times the weighted mean square of what is left
        $scale = $fit->rest / ($k - $p);

        return new self(
            $k,
            ['intercept', ...array_map(strval(...), array_keys($moderators))],
            $fit->beta,
            array_map(
                fn (array $row): array => array_map(fn (float $one): float => $one * $scale, $row),
                $fit->inverse,
            ),
            $tau2,
            $without > 0 ? max(0.0, 100 * ($without - $tau2) / $without) : null,
            $plain->rest,
            $k - $p,
        );
    }

    /** @return list<Coefficient> */
    public function rows(): array
    {
        $quantile = StudentT::quantile(0.975, $this->df);
        $rows = [];
        foreach ($this->coefficients as $i => $estimate) {
            $se = sqrt(max(0.0, $this->covariance[$i][$i]));
            $t = $se > 0 ? $estimate / $se : null;
            $p = $t === null ? null : StudentT::twoSided($t, $this->df);
            $interval = Interval::around($estimate, $quantile * $se);
            $rows[] = new Coefficient($this->names[$i], $estimate, $se, $t, $p, $interval);
        }

        return $rows;
    }

    public function pOfRest(): float
    {
        return ChiSquared::above($this->q, $this->df);
    }

    /** Where the line lies at some values of the moderators. */
    public function at(float ...$values): float
    {
        return Matrix::dot([1.0, ...array_values($values)], $this->coefficients);
    }

    /**
     * @param  non-empty-list<Study>  $studies
     * @param  list<list<float>>  $x
     */
    private static function tau2(array $studies, array $x): float
    {
        $tau2 = Model::RestrictedMaximumLikelihood->tau2($studies) ?? 0.0;
        for ($i = 0; $i < self::ROUNDS; $i++) {
            $step = self::step($studies, $x, $tau2);
            $next = max(0.0, $tau2 + $step);
            if (abs($next - $tau2) <= 1e-12 * max($next, 1e-8)) {
                return $next;
            }
            $tau2 = $next;
        }

        return $tau2;
    }

    /**
     * (y′PPy − tr P) / tr PP, with P = W − WX(X′WX)⁻¹X′W.
     *
     * @param  list<Study>  $studies
     * @param  list<list<float>>  $x
     */
    private static function step(array $studies, array $x, float $tau2): float
    {
        $weights = self::weights($studies, $tau2);
        $inverse = Matrix::inverse(Matrix::crossed($x, $weights)) ?? [];
        $fit = self::fitted($studies, $x, $tau2);
        $trace = $traceOfSquare = $squares = 0.0;
        foreach ($x as $i => $row) {
            $leverage = Matrix::times($inverse, $row);
            foreach ($x as $j => $other) {
                $p = ($i === $j ? $weights[$i] : 0.0) - $weights[$i] * Matrix::dot($leverage, $other) * $weights[$j];
                $trace += $i === $j ? $p : 0.0;
                $traceOfSquare += $p * $p;
            }
            $squares += ($weights[$i] * ($fit->left[$i] ?? 0.0)) ** 2;
        }

        return ($squares - $trace) / $traceOfSquare;
    }

    /**
     * @param  list<Study>  $studies
     * @param  list<list<float>>  $x
     */
    private static function fitted(array $studies, array $x, float $tau2): ?LeastSquares
    {
        $weights = self::weights($studies, $tau2);
        $inverse = Matrix::inverse(Matrix::crossed($x, $weights));
        if ($inverse === null) {
            return null;
        }
        $sums = array_fill(0, count($x[0]), 0.0);
        foreach ($x as $i => $row) {
            foreach ($row as $a => $one) {
                $sums[$a] += $weights[$i] * $one * $studies[$i]->estimate;
            }
        }
        $beta = Matrix::times($inverse, array_values($sums));
        $left = [];
        $rest = 0.0;
        foreach ($x as $i => $row) {
            $left[] = $studies[$i]->estimate - Matrix::dot($row, $beta);
            $rest += $weights[$i] * $left[$i] ** 2;
        }

        return new LeastSquares($beta, $inverse, $left, $rest);
    }

    /**
     * @param  list<Study>  $studies
     * @return list<float>
     */
    private static function weights(array $studies, float $tau2): array
    {
        return array_map(fn (Study $one): float => 1 / ($one->variance + $tau2), $studies);
    }
}
