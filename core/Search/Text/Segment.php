<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Text;

/** A piece of a text that is marked as a whole or not at all. */
final readonly class Segment
{
    /** @param  list<string>  $lists  keys of the queries that look for it */
    public function __construct(public string $text, public bool $marked, public array $lists)
    {
    }

    public function isMarkedAs(self $other): bool
    {
        return $this->marked === $other->marked && $this->lists === $other->lists;
    }
}
