<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Effect;

use WaryHeron\Core\Synthesis\Distribution\Interval;
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

    /** The 95% confidence interval. */
    public function interval(): Interval
    {
        return $this->estimate === null || $this->variance === null
            ? new Interval()
            : Interval::around($this->estimate, Normal::Z * sqrt($this->variance));
    }

    /** @return array<string, ?float> */
    public function toArray(): array
    {
        $interval = $this->interval();

        return [
            'estimate' => $this->estimate,
            'variance' => $this->variance,
            'se' => $this->standardError(),
            'ci_low' => $interval->low,
            'ci_high' => $interval->high,
        ];
    }
}
