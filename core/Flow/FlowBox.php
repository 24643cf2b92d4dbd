<?php

declare(strict_types=1);

namespace WaryHeron\Core\Flow;

/**
 * A box of the flow diagram. What is still to be decided stands outside of it, so that the parts of every box sum to
 * its number.
 */
final readonly class FlowBox
{
    /**
     * @param  non-empty-list<FlowLine>  $lines  the number first, its parts after it
     * @param  list<FlowLine>  $pending  what waits before it
     */
    public function __construct(public string $phase, public array $lines, public array $pending = [])
    {
    }

    /** @param  array<string, string>  $captions  by key */
    public function captioned(array $captions): self
    {
        $with = fn (FlowLine $line): FlowLine => $line->captioned($captions[$line->key] ?? '');

        return new self($this->phase, array_map($with, $this->lines), array_map($with, $this->pending));
    }

    /** @return list<FlowLine> */
    public function all(): array
    {
        return [...$this->pending, ...$this->lines];
    }
}
