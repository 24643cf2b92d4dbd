<?php

declare(strict_types=1);

namespace App\View\Way;

/** A place of an area, as the row beneath its name leads to it. */
final readonly class Place
{
    public function __construct(public string $name, public string $label, public string $url)
    {
    }
}
