<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Table;

/** Pearson’s χ² of a table, as the commands print it; null where it means nothing. */
final readonly class PearsonTest
{
    public function __construct(public ?float $chi2 = null, public ?int $df = null, public ?float $p = null)
    {
    }
}
