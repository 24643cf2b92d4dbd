<?php

declare(strict_types=1);

namespace App\Queries\Report;

/** Entries of the Log that have something in common, with what narrows the Log down to them. */
final readonly class LogGroup
{
    /** @param  array<string, string>  $kept  filters; none where they cannot be told apart */
    public function __construct(public string $label, public int $n, public array $kept = [])
    {
    }
}
