<?php

declare(strict_types=1);

namespace App\Queries\Coding;

use WaryHeron\Core\Coding\Evidence;

/** A piece of evidence that was taken from a copy, and where it stands now. */
final readonly class RestingPiece
{
    /**
     * @param  string  $of  what it is evidence of, in words
     * @param  string  $by  whose it is
     * @param  ?Evidence  $now  in the newest copy; null where it is not found there, or where none replaced its own
     */
    public function __construct(
        public string $of,
        public string $by,
        public Evidence $piece,
        public ?Evidence $now = null,
    ) {
    }

    public function in(EvidenceView $view): self
    {
        $now = $view->now($this->piece);

        return new self($this->of, $this->by, $this->piece, $now === $this->piece ? null : $now);
    }
}
