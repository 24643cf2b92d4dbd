<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Strategy;

/** A concept of the question on the board: its terms, any of which will do. */
final readonly class Block
{
    /**
     * @param  string  $id  of the line that joins the terms, or of the only or still empty line
     * @param  list<StrategyLine>  $terms
     * @param  bool  $isCombined  whether it is ANDed with the others
     */
    public function __construct(
        public string $id,
        public string $name,
        public array $terms,
        public bool $isCombined = true,
    ) {
    }

    /** @param  list<StrategyLine>  $terms */
    public function withTerms(array $terms): self
    {
        return new self($this->id, $this->name, $terms, $this->isCombined);
    }
}
