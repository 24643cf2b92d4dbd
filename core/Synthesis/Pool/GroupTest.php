<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Pool;

/** A test of whether groups of studies differ: Q between them on its degrees of freedom. Null of one group. */
final readonly class GroupTest
{
    public function __construct(public ?float $q = null, public ?int $df = null, public ?float $p = null)
    {
    }

    /** @return array<string, int|float|null> */
    public function toArray(): array
    {
        return ['Q' => $this->q, 'df' => $this->df, 'p' => $this->p];
    }
}
