<?php

declare(strict_types=1);

namespace App\Queries\Synthesis\Traced;

use WaryHeron\Core\Coding\Evidence;

/** A number of a result as the report gives it, and the words that it rests on. */
final readonly class TracedNumber
{
    /** @param  list<Evidence>  $evidence */
    public function __construct(public string $label, public string $given, public array $evidence)
    {
    }
}
