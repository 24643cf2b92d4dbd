<?php

declare(strict_types=1);

namespace App\Queries\Matching;

use WaryHeron\Core\Text\DifferentPiece;

/** A field of the publications of a group, side by side. */
final readonly class PairingRow
{
    /** @param  list<list<DifferentPiece>>  $cells  in pieces, as they differ from the one they are compared with */
    public function __construct(public string $label, public string $key, public bool $same, public array $cells)
    {
    }
}
