<?php

declare(strict_types=1);

namespace App\Actions\Screening;

/** What became of items that were to be settled together. */
final readonly class SettledTogether
{
    /** @param  list<string>  $refused  why, for each that was left */
    public function __construct(public int $settled = 0, public int $proposed = 0, public array $refused = [])
    {
    }

    public function and(self $other): self
    {
        return new self(
            $this->settled + $other->settled,
            $this->proposed + $other->proposed,
            [...$this->refused, ...$other->refused],
        );
    }
}
