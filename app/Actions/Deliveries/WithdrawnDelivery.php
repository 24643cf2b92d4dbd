<?php

declare(strict_types=1);

namespace App\Actions\Deliveries;

/** How many publications left with a delivery, and how many stayed because people had worked on them. */
final readonly class WithdrawnDelivery
{
    public function __construct(public int $gone, public int $kept)
    {
    }
}
