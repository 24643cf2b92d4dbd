<?php

declare(strict_types=1);

namespace WaryHeron\Core\Flow\Work;

/** A number in a diagram of work, with what it counts. */
final readonly class WorkFact
{
    /**
     * @param  string  $definition  what is counted, in a sentence
     * @param  string  $link  where what it counts is shown; empty: nowhere
     */
    public function __construct(
        public string $label,
        public int $n,
        public string $definition,
        public string $link = '',
    ) {
    }
}
