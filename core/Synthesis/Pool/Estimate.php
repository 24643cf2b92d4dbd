<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Pool;

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

    /** @return array{estimate: ?float, se: ?float, ci_low: ?float, ci_high: ?float, z: ?float, p: ?float} */
    public function toArray(): array
    {
        if ($this->value === null || $this->standardError === null) {
            return ['estimate' => null, 'se' => null, 'ci_low' => null, 'ci_high' => null, 'z' => null, 'p' => null];
        }
        $half = Normal::Z * $this->standardError;
        $z = $this->value / $this->standardError;

        return [
            'estimate' => $this->value,
            'se' => $this->standardError,
            'ci_low' => $this->value - $half,
            'ci_high' => $this->value + $half,
            'z' => $z,
            'p' => Normal::twoSided($z),
        ];
    }
}
