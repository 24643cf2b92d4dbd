<?php

declare(strict_types=1);

namespace WaryHeron\Core\Flow;

/** A number of the diagram with the arm and the phase that it stands in. */
final readonly class FlowNumber
{
    public function __construct(public string $arm, public string $phase, public FlowLine $line)
    {
    }
}
