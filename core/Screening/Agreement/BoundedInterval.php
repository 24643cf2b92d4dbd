<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\Agreement;

/**
 * An interval for a coefficient between -1 and 1 that stays between them, for people to read.
 *
 * The usual one, estimate ± z·SE, runs past 1 when agreement is high and items are few. Here the estimate is put on
 * the scale of its inverse hyperbolic tangent, where the standard error is SE / (1 - estimate²) by the delta method,
 * and the ends are brought back (Fisher 1921, for a correlation; the same transformation for any such coefficient).
 */
final readonly class BoundedInterval
{
    private const Z = 1.959963984540054;

    /** Below so many items no interval is worth showing. */
    public const FEW = 20;

    /** Within [-1, 1]. */
    private function __construct(public float $low, public float $high)
    {
    }

    /** Null where it is not defined. */
    public static function of(?float $estimate, ?float $standardError): ?self
    {
        if ($estimate === null || $standardError === null) {
            return null;
        }
        if ($standardError === 0.0 || abs($estimate) >= 1.0) {
            return new self($estimate, $estimate);
        }
        $at = atanh($estimate);
        $reach = (self::Z * $standardError) / (1 - $estimate ** 2);

        return new self(tanh($at - $reach), tanh($at + $reach));
    }
}
