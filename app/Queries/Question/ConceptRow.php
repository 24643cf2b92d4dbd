<?php

declare(strict_types=1);

namespace App\Queries\Question;

/** A concept of a question as its page shows it. */
final readonly class ConceptRow
{
    /** @param  bool  $isOwn  named by the team, not by the frame */
    public function __construct(
        public string $key,
        public string $label,
        public string $text,
        public bool $isForSearch = true,
        public bool $isOwn = false,
    ) {
    }

    /** As a block on the board is first called. */
    public function heading(): string
    {
        return $this->label === '' ? $this->text : "{$this->label}: {$this->text}";
    }
}
