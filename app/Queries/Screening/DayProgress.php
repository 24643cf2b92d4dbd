<?php

declare(strict_types=1);

namespace App\Queries\Screening;

use Carbon\CarbonImmutable;

/** What happened at a stage on one day. */
final readonly class DayProgress
{
    /**
     * @param  int  $opened  items whose decisions were all in
     * @param  int  $disagreements  of these, in disagreement at first
     */
    public function __construct(
        public CarbonImmutable $day,
        public int $opened,
        public int $disagreements,
        public int $settled,
    ) {
    }
}
