<?php

declare(strict_types=1);

namespace App\Queries\Synthesis\Given;

use App\Queries\Coding\ShownEvidence;

/** A row of a study's table that seems to give a result, for a press. */
final readonly class OfferedRow
{
    /**
     * @param  array<string, string>  $given  numbers by their keys
     * @param  array<string, list<ShownEvidence>>  $evidence  by number
     */
    public function __construct(
        public string $outcome,
        public string $comparison,
        public string $form,
        public array $given,
        public array $evidence,
        public string $label,
    ) {
    }
}
