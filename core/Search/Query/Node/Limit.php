<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Query\Node;

use WaryHeron\Core\Search\Query\LimitKind;

/** A restriction on what a record is rather than what it says. Years have two ends, either of which may be open. */
final readonly class Limit implements Node
{
    private function __construct(public LimitKind $kind, public ?string $value, public ?int $from, public ?int $to)
    {
    }

    public static function years(?int $from, ?int $to): self
    {
        return new self(LimitKind::Year, null, $from, $to);
    }

    public static function to(LimitKind $kind, string $value): self
    {
        return new self($kind, $value, null, null);
    }
}
