<?php

declare(strict_types=1);

namespace App\Queries\Synthesis\Given;

use App\Models\Comparison;

/** A comparison that results can be given of. */
final readonly class AskedComparison
{
    /** @param  list<string>  $arms  names by the number of the group; the first is empty */
    private function __construct(public string $id, public string $words, public array $arms)
    {
    }

    public static function of(Comparison $one): self
    {
        return new self($one->id, $one->words(), ['', $one->intervention->name, $one->comparator->name]);
    }
}
