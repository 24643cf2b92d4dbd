<?php

declare(strict_types=1);

namespace App\Queries\Searches\Sheet;

use WaryHeron\Core\Search\Strategy\Strategy as Lines;
use WaryHeron\Core\Search\Strategy\StrategyLine;

/** A line of a strategy as the list of lines shows it. */
final readonly class SheetLine
{
    private function __construct(
        public string $id,
        public int $number,
        public string $text,
        public string $note,
        public string $problem,
        public bool $isResult,
        public bool $isUsed,
    ) {
    }

    /** @return list<self> */
    public static function all(Lines $lines): array
    {
        return array_map(
            fn (int $i, StrategyLine $line): self => new self(
                $line->id,
                $i + 1,
                $line->text,
                $line->note,
                $line->isBlank() ? '' : self::problem($line, $i + 1),
                $lines->resultNumber() === $i + 1,
                $lines->usersOf($i + 1) !== [],
            ),
            array_keys($lines->lines),
            $lines->lines,
        );
    }

    private static function problem(StrategyLine $line, int $number): string
    {
        $problems = $line->parsed()->problems;
        $later = array_filter($line->refersTo(), fn (int $other): bool => $other >= $number);

        return match (true) {
            $problems !== [] => $problems[0]->message(),
            $later !== [] => 'A line can refer only to lines above it.',
            default => '',
        };
    }
}
