<?php

declare(strict_types=1);

namespace App\Queries\Report\Composed;

/** What a live block of a report showed when it was taken last; a version of the report keeps it as it is. */
final readonly class KeptBlock
{
    /** @param  array{title: string, html: string, facts: array<string, string>}  $shown */
    public function __construct(public string $kind, public string $source, public array $shown, public string $taken)
    {
    }
}
