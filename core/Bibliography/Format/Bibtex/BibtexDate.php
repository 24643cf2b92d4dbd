<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Bibtex;

/** A date as the entry has it, its own month and day put together, and its year. */
final readonly class BibtexDate
{
    public function __construct(public ?int $year, public string $date)
    {
    }
}
