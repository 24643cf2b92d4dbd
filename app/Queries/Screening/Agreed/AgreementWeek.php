<?php

declare(strict_types=1);

namespace App\Queries\Screening\Agreed;

use Carbon\CarbonImmutable;

/** Agreement on the items that opened in one week. */
final readonly class AgreementWeek
{
    public function __construct(
        public CarbonImmutable $week,
        public int $items,
        public ?float $alpha,
        public ?float $agreement,
    ) {
    }
}
