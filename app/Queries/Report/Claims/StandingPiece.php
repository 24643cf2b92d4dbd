<?php

declare(strict_types=1);

namespace App\Queries\Report\Claims;

use JsonSerializable;

/** A piece of evidence of a claim, and what has become of it since. */
final readonly class StandingPiece implements JsonSerializable
{
    /** @param  string  $stands  in words what has changed; empty where it stands as it was */
    public function __construct(public HeldPiece $piece, public string $stands)
    {
    }

    /** @return array<string, string> the piece, with how it stands */
    public function jsonSerialize(): array
    {
        return [...get_object_vars($this->piece), 'stands' => $this->stands];
    }
}
