<?php

declare(strict_types=1);

namespace App\Queries\Report\Written;

/** A person who wrote words of a report that stand. */
final readonly class Writer
{
    /** @param  int  $number  by how much they wrote, from 1 */
    public function __construct(public string $name, public int $words, public int $number)
    {
    }
}
