<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Told;

/** An estimate as a sentence or a cell tells it; both limits are null where it gives no interval. */
final readonly class ToldEstimate
{
    /**
     * @param  string  $kind  such as OR or MD
     * @param  float  $strength  how plainly it is one
     */
    public function __construct(
        public string $kind,
        public string $value,
        public float $strength,
        public ?string $low = null,
        public ?string $high = null,
    ) {
    }

    public function told(): string
    {
        $limits = $this->low === null ? '' : " ({$this->low} to {$this->high})";

        return "{$this->kind} {$this->value}{$limits}";
    }
}
