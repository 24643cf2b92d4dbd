<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening;

/** What one person judges of an item. An exclusion names the criterion that failed, by its place in the protocol. */
final readonly class Decision
{
    public function __construct(public string $person, public Verdict $verdict, public ?int $criterion = null)
    {
    }
}
