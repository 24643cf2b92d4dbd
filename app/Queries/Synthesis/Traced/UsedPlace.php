<?php

declare(strict_types=1);

namespace App\Queries\Synthesis\Traced;

/** One place where something is used, as a link. */
final readonly class UsedPlace
{
    /** @param  string  $what  what kind of use, as “Table” */
    public function __construct(public string $what, public string $words, public string $url)
    {
    }
}
