<?php

declare(strict_types=1);

namespace App\Queries\Searches;

/** What is counted of a strategy so far: "own" numbers, and for a term of a concept "only". */
final readonly class CountedStrategy
{
    /**
     * @param  array<string, array<string, array<string, int|string|null>>>  $numbers  by source and line; null where it
     *     cannot be said there
     * @param  array<string, string>  $failures  by source, in words
     * @param  bool  $done  whether nothing is still to be counted
     */
    public function __construct(
        public array $numbers,
        public array $failures,
        public bool $done,
    ) {
    }
}
