<?php

declare(strict_types=1);

namespace App\Queries\Matching;

/** A record of a publication at the Pairing Desk, with the source it came from. */
final readonly class PairedRecord
{
    public function __construct(public string $id, public string $source, public string $delivery)
    {
    }
}
