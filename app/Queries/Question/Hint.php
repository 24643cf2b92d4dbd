<?php

declare(strict_types=1);

namespace App\Queries\Question;

/** What a question leaves open, with headings that may be meant. */
final readonly class Hint
{
    /**
     * @param  list<string>  $headings
     * @param  string  $lacking  the block that has no term yet: the hint goes when it has one
     * @param  string  $to  the block where a heading that somebody takes goes
     */
    public function __construct(
        public string $text,
        public array $headings = [],
        public string $lacking = '',
        public string $to = '',
    ) {
    }
}
