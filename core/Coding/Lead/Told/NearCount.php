<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Told;

use WaryHeron\Core\Coding\Lead\Count;

/** The count that is said to be of people at a stage, with the words between both. */
final readonly class NearCount
{
    public function __construct(public Count $count, public string $between)
    {
    }
}
