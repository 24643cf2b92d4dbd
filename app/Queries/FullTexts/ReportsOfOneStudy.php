<?php

declare(strict_types=1);

namespace App\Queries\FullTexts;

use stdClass;

/** Two reports that may tell of one study, for a person to judge. */
final readonly class ReportsOfOneStudy
{
    /**
     * @param  array{stdClass, stdClass}  $reports
     * @param  'firm'|'fair'|'check'  $confidence
     * @param  list<string>  $because
     */
    public function __construct(public array $reports, public string $confidence, public array $because)
    {
    }
}
