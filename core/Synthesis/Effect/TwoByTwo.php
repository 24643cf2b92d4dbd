<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Effect;

/**
 * Events in two groups: a of a + b in the intervention group, c of c + d in the comparator.
 *
 * Sources: Katz et al. 1978 (risk ratio), Woolf 1955 (odds ratio), Yusuf et al. 1985 (Peto). If any cell is 0, 0.5 is
 * added to all four of that study; nothing is added for the risk difference itself, nor for Peto's odds ratio.
 */
final readonly class TwoByTwo
{
    private function __construct(public float $a, public float $b, public float $c, public float $d)
    {
    }

    /** Null where counts are missing, negative or above their totals, or a total is not above zero. */
    public static function of(?float $e1, ?float $n1, ?float $e2, ?float $n2): ?self
    {
        if ($e1 === null || $n1 === null || $e2 === null || $n2 === null) {
            return null;
        }

        return $n1 <= 0 || $n2 <= 0 || $e1 < 0 || $e2 < 0 || $e1 > $n1 || $e2 > $n2
            ? null
            : new self($e1, $n1 - $e1, $e2, $n2 - $e2);
    }

    public function n1(): float
    {
        return $this->a + $this->b;
    }

    public function n2(): float
    {
        return $this->c + $this->d;
    }

    public function n(): float
    {
        return $this->n1() + $this->n2();
    }

    /** Nobody had the event in either group, or everybody had it in both: nothing to compare by a ratio. */
    public function isOneSided(): bool
    {
        return ($this->a == 0 && $this->c == 0) || ($this->b == 0 && $this->d == 0);
    }

    public function logRiskRatio(): Effect
    {
        $x = $this->corrected();

        return $this->isOneSided()
            ? Effect::undefined()
            : Effect::of(
                log($x->a / $x->n1()) - log($x->c / $x->n2()),
                1 / $x->a - 1 / $x->n1() + 1 / $x->c - 1 / $x->n2(),
            );
    }

    public function logOddsRatio(): Effect
    {
        $x = $this->corrected();

        return $this->isOneSided()
            ? Effect::undefined()
            : Effect::of(
                log($x->a) + log($x->d) - log($x->b) - log($x->c),
                1 / $x->a + 1 / $x->b + 1 / $x->c + 1 / $x->d,
            );
    }

    public function riskDifference(): Effect
    {
        $x = $this->corrected();

        return Effect::of(
            $this->a / $this->n1() - $this->c / $this->n2(),
            $x->a * $x->b / $x->n1() ** 3 + $x->c * $x->d / $x->n2() ** 3,
        );
    }

    public function petoLogOddsRatio(): Effect
    {
        $v = $this->petoVariance();

        return $this->isOneSided() || $v <= 0
            ? Effect::undefined()
            : Effect::of($this->observedMinusExpected() / $v, 1 / $v);
    }

    /** Events in the intervention group above those expected if both groups fared alike. */
    public function observedMinusExpected(): float
    {
        return $this->a - $this->n1() * ($this->a + $this->c) / $this->n();
    }

    /** The hypergeometric variance of the events; 0 where it is not defined. */
    public function petoVariance(): float
    {
        $n = $this->n();

        return $n <= 1
            ? 0.0
            : $this->n1() * $this->n2() * ($this->a + $this->c) * ($this->b + $this->d) / ($n * $n * ($n - 1));
    }

    private function corrected(): self
    {
        return min($this->a, $this->b, $this->c, $this->d) == 0
            ? new self($this->a + 0.5, $this->b + 0.5, $this->c + 0.5, $this->d + 0.5)
            : $this;
    }
}
