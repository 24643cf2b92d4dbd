<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Offer;

/** One number of a table, with the row in which it stands. */
final readonly class OfferedNumber
{
    public function __construct(public string $value, public string $quote, public int $page)
    {
    }
}
