<?php

declare(strict_types=1);

namespace App\Queries\Matching;

/** A publication at the Pairing Desk. */
final readonly class PairingColumn
{
    /**
     * @param  string  $state  of its item in screening
     * @param  list<PairedRecord>  $records
     */
    public function __construct(public string $id, public string $letter, public string $state, public array $records)
    {
    }
}
