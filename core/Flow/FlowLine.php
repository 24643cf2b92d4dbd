<?php

declare(strict_types=1);

namespace WaryHeron\Core\Flow;

/** A line of a box: what is counted, and how many. */
final readonly class FlowLine
{
    /**
     * @param  string  $key  names it in captions and links
     * @param  ?int  $n  null where it heads the lines below it
     * @param  bool  $isPart  whether it tells a part of the number above
     */
    public function __construct(
        public string $key,
        public string $label,
        public ?int $n,
        public bool $isPart = false,
    ) {
    }

    public function captioned(string $caption): self
    {
        return $caption === '' ? $this : new self($this->key, $caption, $this->n, $this->isPart);
    }

    public function words(): string
    {
        return $this->label.($this->n === null ? ':' : ' (n = '.number_format($this->n).')');
    }
}
