<?php

declare(strict_types=1);

namespace App\Queries\Synthesis;

/** Rows of what was judged: the name of each, and the study that it is of. */
final readonly class JudgedRows
{
    /**
     * @param  array<string, string>  $names
     * @param  array<string, string>  $studies
     */
    public function __construct(
        public array $names,
        public array $studies,
    ) {
    }
}
