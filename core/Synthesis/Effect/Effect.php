<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Effect;

use WaryHeron\Core\Synthesis\Distribution\Normal;

/** An estimate with its variance, on the scale of the analysis: logs for ratios. Both are null where it is undefined. */
final readonly class Effect
{
    private function __construct(public ?float $estimate, public ?float $variance)
    {
    }

    /** Undefined where either is not finite, or the variance is not above zero. */
    public static function of(float $estimate, float $variance): self
    {
        return is_finite($estimate) && is_finite($variance) && $variance > 0
            ? new self($estimate, $variance)
            : self::undefined();
    }

    public static function undefined(): self
    {
        return new self(null, null);
    }

    public function isDefined(): bool
    {
        return $this->estimate !== null;
    }

    public function standardError(): ?float
    {
        return $this->variance === null ? null : sqrt($this->variance);
    }

    /** @return array{?float, ?float} the limits of the 95% confidence interval */
    public function interval(): array
    {
        $half = $this->variance === null ? 0.0 : Normal::Z * sqrt($this->variance);

        return $this->estimate === null ? [null, null] : [$this->estimate - $half, $this->estimate + $half];
    }

    /** @return array{estimate: ?float, variance: ?float, se: ?float, ci_low: ?float, ci_high: ?float} */
    public function toArray(): array
    {
        [$low, $high] = $this->interval();

        return [
            'estimate' => $this->estimate,
            'variance' => $this->variance,
            'se' => $this->standardError(),
            'ci_low' => $low,
            'ci_high' => $high,
        ];
    }
}
