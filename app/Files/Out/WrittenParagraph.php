<?php

declare(strict_types=1);

namespace App\Files\Out;

/** A paragraph as what was written with one client after another. */
final readonly class WrittenParagraph
{
    /** @param  list<WrittenRun>  $runs */
    public function __construct(public string $type, public array $runs)
    {
    }
}
