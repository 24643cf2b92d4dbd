<?php

declare(strict_types=1);

namespace WaryHeron\Core\Flow;

/** A step of an arm of the diagram: a box, and beside it what leaves there. */
final readonly class FlowRow
{
    public function __construct(public FlowBox $box, public ?FlowBox $leaving = null)
    {
    }

    /** @param  array<string, string>  $captions  by key */
    public function captioned(array $captions): self
    {
        return new self($this->box->captioned($captions), $this->leaving?->captioned($captions));
    }

    /** @return non-empty-list<FlowBox> */
    public function boxes(): array
    {
        return $this->leaving === null ? [$this->box] : [$this->box, $this->leaving];
    }
}
