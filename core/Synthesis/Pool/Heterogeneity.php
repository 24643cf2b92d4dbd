<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Pool;

use WaryHeron\Core\Synthesis\Distribution\ChiSquared;
use WaryHeron\Core\Synthesis\Distribution\Interval;
use WaryHeron\Core\Synthesis\Distribution\Normal;

/**
 * How far studies differ beyond chance: Cochran's Q, I² and H² with their test-based interval (Higgins & Thompson
 * 2002), the interval of τ² (Viechtbauer 2007). With one study Q is 0 and the rest is null.
 */
final readonly class Heterogeneity
{
    public int $k;

    public ?float $q;

    public ?int $df;

    /** @param  list<Study>  $studies */
    public function __construct(private array $studies)
    {
        $this->k = count($studies);
        $this->df = $this->k === 0 ? null : $this->k - 1;
        $this->q = match (true) {
            $studies === [] => null,
            $this->k === 1 => 0.0,
            default => Weighted::of($studies)->q(),
        };
    }

    public function p(): ?float
    {
        return $this->k < 2 ? null : ChiSquared::above((float) $this->q, (float) $this->df);
    }

    /** In percent. */
    public function iSquared(): ?float
    {
        return $this->k < 2 ? null : ($this->q > 0 ? 100 * max(0.0, ($this->q - $this->df) / $this->q) : 0.0);
    }

    public function hSquared(): ?float
    {
        return $this->k < 2 ? null : max(1.0, $this->q / $this->df);
    }

    /** Of I², in percent. */
    public function iSquaredInterval(): Interval
    {
        if ($this->k < 2 || ($this->k === 2 && $this->q <= 2)) {
            return new Interval();
        }
        if ($this->q <= 0) {
            return new Interval(0.0, 0.0);
        }
        $lnH = 0.5 * log($this->q / $this->df);
        $error = $this->errorOfLnH();

        return new Interval(self::fromLnH($lnH - Normal::Z * $error), self::fromLnH($lnH + Normal::Z * $error));
    }

    /** @return array<string, int|float|null> */
    public function toArray(): array
    {
        $iSquared = $this->iSquaredInterval();
        $tau2 = $this->k < 2 || $this->studies === [] ? new Interval() : TauSquared::interval($this->studies);

        return [
            'k' => $this->k,
            'Q' => $this->q,
            'df' => $this->df,
            'p' => $this->p(),
            'I2' => $this->iSquared(),
            'I2_low' => $iSquared->low,
            'I2_high' => $iSquared->high,
            'H2' => $this->hSquared(),
            'tau2_low' => $tau2->low,
            'tau2_high' => $tau2->high,
        ];
    }

    private function errorOfLnH(): float
    {
        $k = $this->k;

        return $this->q > $k
            ? 0.5 * (log((float) $this->q) - log((float) $this->df)) / (sqrt(2 * $this->q) - sqrt(2 * $k - 3))
            : sqrt(1 / (2 * ($k - 2)) * (1 - 1 / (3 * ($k - 2) ** 2)));
    }

    private static function fromLnH(float $lnH): float
    {
        return max(0.0, 100 * (1 - 1 / exp(2 * $lnH)));
    }
}
