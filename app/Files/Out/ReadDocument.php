<?php

declare(strict_types=1);

namespace App\Files\Out;

/** What a report's updates come to. */
final readonly class ReadDocument
{
    /**
     * @param  array<string, mixed>  $json  what it says, as Schema reads it
     * @param  string  $state  one update that makes all of it
     * @param  list<string>  $left  why updates were left out: one that is none, or one that misses another
     */
    public function __construct(public array $json, public string $state, public array $left)
    {
    }
}
