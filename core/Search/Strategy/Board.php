<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Strategy;

/**
 * A strategy seen as concept blocks that are ANDed one after another, then limits. What cannot be seen so is kept in
 * $rest.
 *
 * Board::of($s)->strategy() has the same meaning as $s, and Board::of of that is the same board.
 */
final readonly class Board
{
    /**
     * @param  list<Block>  $blocks
     * @param  list<StrategyLine>  $chain  the lines that AND the blocks, as they were
     * @param  list<BoardLimit>  $limits
     * @param  list<StrategyLine>  $rest  numbered as in the strategy that the board was made of
     */
    private function __construct(
        private Strategy $from,
        public array $blocks,
        public array $chain,
        public array $limits,
        public array $rest,
    ) {
    }

    public static function of(Strategy $strategy): self
    {
        $read = new BoardReader($strategy);

        return new self($strategy, $read->blocks(), $read->chain, $read->limits, $read->rest());
    }

    public function block(string $id): ?Block
    {
        foreach ($this->blocks as $block) {
            if ($block->id === $id) {
                return $block;
            }
        }

        return null;
    }

    /** @param  list<Block>  $blocks */
    public function withBlocks(array $blocks): self
    {
        return new self($this->from, $blocks, $this->chain, $this->limits, $this->rest);
    }

    /** @param  list<BoardLimit>  $limits */
    public function withLimits(array $limits): self
    {
        return new self($this->from, $this->blocks, $this->chain, $limits, $this->rest);
    }

    /**
     * The strategy in the board's order.
     *
     * @throws BadStrategy If what is not on the board uses a line that is gone.
     */
    public function strategy(): Strategy
    {
        return (new BoardWriter($this->from, $this))->strategy();
    }
}
