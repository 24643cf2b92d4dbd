<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Pool;

use WaryHeron\Core\Synthesis\Distribution\Interval;
use WaryHeron\Core\Synthesis\Distribution\Normal;

/** A pooled estimate with its standard error; both null where nothing could be pooled. */
final readonly class Estimate
{
    private function __construct(public ?float $value, public ?float $standardError)
    {
    }

    public static function of(float $value, float $variance): self
    {
        return is_finite($value) && is_finite($variance) && $variance > 0
            ? new self($value, sqrt($variance))
            : self::undefined();
    }

    public static function undefined(): self
    {
        return new self(null, null);
    }

    /** The 95% confidence interval by the normal distribution. */
    public function interval(): Interval
    {
        return $this->value === null || $this->standardError === null
            ? new Interval()
            : Interval::around($this->value, Normal::Z * $this->standardError);
    }

    public function z(): ?float
    {
        return $this->value === null || $this->standardError === null ? null : $this->value / $this->standardError;
    }

    /** Two-sided. */
    public function p(): ?float
    {
        $z = $this->z();

        return $z === null ? null : Normal::twoSided($z);
    }

    /** @return array<string, ?float> */
    public function toArray(): array
    {
        $interval = $this->interval();

        return [
            'estimate' => $this->value,
            'se' => $this->standardError,
            'ci_low' => $interval->low,
            'ci_high' => $interval->high,
            'z' => $this->z(),
            'p' => $this->p(),
        ];
    }
}
