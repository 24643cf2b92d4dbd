<?php

declare(strict_types=1);

namespace App\Queries\Searches\Sheet;

use WaryHeron\Core\Search\Strategy\Strategy as Lines;
use WaryHeron\Core\Search\Strategy\StrategyLine;

/** A line of a strategy that the board only names. */
final readonly class NumberedLine
{
    public function __construct(
        public string $id,
        public int $number,
        public string $text,
        public string $note,
    ) {
    }

    public static function of(StrategyLine $line, Lines $lines): self
    {
        return new self($line->id, (int) $lines->numberOf($line->id), $line->text, $line->note);
    }
}
