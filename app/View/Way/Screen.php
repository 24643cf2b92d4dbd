<?php

declare(strict_types=1);

namespace App\View\Way;

/** What Ctrl-K knows: a screen by its name, or a publication by its title. */
final readonly class Screen
{
    public function __construct(public string $title, public string $about, public string $url)
    {
    }
}
