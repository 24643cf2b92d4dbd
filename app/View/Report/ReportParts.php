<?php

declare(strict_types=1);

namespace App\View\Report;

use App\Queries\Report\Claims\ClaimStanding;

/** A report as its pages and files are made of it: HTML but for the title. */
final readonly class ReportParts
{
    /** @param  array<int, ClaimStanding>  $claims  what each rests on, by its number */
    public function __construct(
        public string $title,
        public string $body,
        public string $references,
        public array $claims,
    ) {
    }
}
