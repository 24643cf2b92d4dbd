<?php

declare(strict_types=1);

namespace App\Queries\Searches\Sheet;

/** A strategy as the board and its lines show it: what the page's script begins with. */
final readonly class StrategyPage
{
    /**
     * @param  int  $revision  its number
     * @param  string  $change  what it changed
     * @param  ?int  $result  the number of the line that is the strategy's result
     * @param  list<SheetSource>  $sources
     * @param  list<SheetLine>  $lines
     * @param  list<SheetBlock>  $blocks  the same lines as a board: blocks, the chain that joins them, limits, the rest
     * @param  list<NumberedLine>  $chain
     * @param  list<SheetLimit>  $limits
     * @param  list<NumberedLine>  $rest
     */
    public function __construct(
        public int $revision,
        public string $change,
        public bool $canUndo,
        public bool $canRedo,
        public ?int $result,
        public array $sources,
        public array $lines,
        public array $blocks,
        public array $chain,
        public array $limits,
        public array $rest,
    ) {
    }
}
