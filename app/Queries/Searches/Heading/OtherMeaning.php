<?php

declare(strict_types=1);

namespace App\Queries\Searches\Heading;

/** A heading that the typed word may stand for as well, in another sense. */
final readonly class OtherMeaning
{
    public function __construct(public string $label, public ?int $own)
    {
    }
}
