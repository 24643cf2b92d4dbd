<?php

declare(strict_types=1);

namespace App\Queries\Coding;

use JsonSerializable;
use WaryHeron\Core\Coding\Evidence;

/** A piece of evidence at its newest place. */
final readonly class ShownEvidence implements JsonSerializable
{
    /** @param  string  $where  it stands, in words */
    public function __construct(public Evidence $piece, public string $where)
    {
    }

    /** As evidence is kept, with where it is. */
    public function jsonSerialize(): object
    {
        return (object) [...$this->piece->toArray(), 'where' => $this->where];
    }
}
