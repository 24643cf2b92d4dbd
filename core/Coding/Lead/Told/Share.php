<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Told;

/** A part of the people of a study, in percent, as a sentence or a row gives it or lets one count it. */
final readonly class Share
{
    /**
     * @param  float  $weight  how plainly it is given
     * @param  string  $reason  in words
     */
    public function __construct(public float $percent, public float $weight, public string $reason)
    {
    }

    public function isPossible(): bool
    {
        return $this->percent >= 0 && $this->percent <= 100;
    }
}
