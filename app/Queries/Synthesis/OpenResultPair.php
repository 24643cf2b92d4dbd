<?php

declare(strict_types=1);

namespace App\Queries\Synthesis;

use App\Models\Result;
use Illuminate\Database\Eloquent\Collection;
use WaryHeron\Core\Synthesis\Twice\ResultPair;

/** A result that two coders took differently, or that only one took, and nobody has settled. */
final readonly class OpenResultPair
{
    /** @param  Collection<int, Result>  $sides  what they took, the first coder's first */
    public function __construct(public string $publication, public ResultPair $pair, public Collection $sides)
    {
    }
}
