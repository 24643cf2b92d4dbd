<?php

declare(strict_types=1);

namespace App\Queries\Synthesis\Tables;

/** What a table says of one study in one column, with what it rests on. */
final readonly class StudyCell
{
    /**
     * @param  string  $words  several things one below the other
     * @param  string|int|float  $plain  for a file: a number as a number
     * @param  list<QuotedPiece>  $evidence
     */
    public function __construct(
        public string $words = '',
        public string|int|float $plain = '',
        public array $evidence = [],
        public string $note = '',
    ) {
    }

    /** @return list<string|int|float> it, then the parts that are asked for */
    public function forFile(string ...$parts): array
    {
        $cells = [$this->plain];
        foreach ($parts as $part) {
            $cells[] = match ($part) {
                'quote' => implode("\n", array_column($this->evidence, 'quote')),
                'place' => implode("\n", array_column($this->evidence, 'where')),
                default => $this->note,
            };
        }

        return $cells;
    }
}
