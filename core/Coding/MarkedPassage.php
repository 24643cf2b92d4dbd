<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding;

/** Words that a person put under a theme. */
final readonly class MarkedPassage
{
    public function __construct(
        public string $study,
        public string $person,
        public string $theme,
        public Evidence $piece,
    ) {
    }

    /** Whether it shares words with another: of the same copy the same ones, elsewhere of one quote the other. */
    public function overlaps(self $other): bool
    {
        [$a, $b] = [$this->piece->selector, $other->piece->selector];
        if ($this->study !== $other->study || $this->piece->copy !== $other->piece->copy) {
            return false;
        }

        return $this->piece->copy === null
            ? str_contains($a->quote, $b->quote) || str_contains($b->quote, $a->quote)
            : $a->page === $b->page && $a->first <= $b->last && $b->first <= $a->last;
    }
}
