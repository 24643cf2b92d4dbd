<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Convert;

use WaryHeron\Core\Synthesis\Distribution\StudentT;

/**
 * The standard error of a mean difference, and the SD that both groups have in common, from what a report gives of the
 * comparison. Undefined is null.
 */
final readonly class Comparison
{
    public function __construct(private ?float $n1, private ?float $n2)
    {
    }

    public function fromT(?float $difference, ?float $t): CommonSpread
    {
        return $this->from($difference === null || $t === null || $t == 0 ? null : abs($difference) / abs($t));
    }

    /** @param  ?float  $p  two-sided */
    public function fromP(?float $difference, ?float $p): CommonSpread
    {
        $df = $this->freedom();

        return $p === null || $p <= 0 || $p >= 1 || $df === null
            ? $this->from(null)
            : $this->fromT($difference, StudentT::quantile(1 - $p / 2, $df));
    }

    public function fromStandardError(?float $error): CommonSpread
    {
        return $this->from($error);
    }

    /** @param  ?float  $width  of the 95% interval of the difference */
    public function fromIntervalWidth(?float $width): CommonSpread
    {
        $df = $this->freedom();

        return $this->from($width === null || $df === null ? null : $width / (2 * StudentT::quantile(0.975, $df)));
    }

    private function freedom(): ?float
    {
        $df = $this->n1 === null || $this->n2 === null ? 0.0 : $this->n1 + $this->n2 - 2;

        return $df > 0 ? $df : null;
    }

    private function from(?float $error): CommonSpread
    {
        $se = $error === null ? null : Spread::positive($error);
        if ($se === null || $this->n1 === null || $this->n2 === null || $this->n1 <= 0 || $this->n2 <= 0) {
            return new CommonSpread();
        }

        return new CommonSpread($se, Spread::positive($se / sqrt(1 / $this->n1 + 1 / $this->n2)));
    }
}
