<?php

declare(strict_types=1);

namespace App\Actions\Deliveries;

use App\Models\Delivery;

/** What became of records: how many were kept, were of publications that were here, and brought a new one. */
final readonly class TakenIn
{
    public function __construct(public int $kept, public int $alreadyHere, public int $new)
    {
    }

    /** @return array<string, int> the counts of a delivery with these */
    public function addedTo(Delivery $delivery): array
    {
        return [
            'kept' => $delivery->kept + $this->kept,
            'already_here' => $delivery->already_here + $this->alreadyHere,
            'new' => $delivery->new + $this->new,
        ];
    }
}
