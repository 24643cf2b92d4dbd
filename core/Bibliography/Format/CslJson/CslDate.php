<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\CslJson;

/** The date of an item as a text, and its year. */
final readonly class CslDate
{
    public function __construct(public string $text, public ?int $year)
    {
    }
}
