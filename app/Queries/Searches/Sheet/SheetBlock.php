<?php

declare(strict_types=1);

namespace App\Queries\Searches\Sheet;

use WaryHeron\Core\Search\Strategy\Block;
use WaryHeron\Core\Search\Strategy\Strategy as Lines;
use WaryHeron\Core\Search\Strategy\StrategyLine;

/** A concept of the board: terms that stand for the same. */
final readonly class SheetBlock
{
    /**
     * @param  bool  $combined  whether it takes part in the result
     * @param  list<SheetTerm>  $terms
     */
    private function __construct(
        public string $id,
        public string $name,
        public bool $combined,
        public array $terms,
    ) {
    }

    public static function of(Block $block, Lines $lines): self
    {
        return new self($block->id, $block->name, $block->isCombined, array_map(
            fn (StrategyLine $term): SheetTerm => SheetTerm::of($term, (int) $lines->numberOf($term->id)),
            $block->terms,
        ));
    }
}
