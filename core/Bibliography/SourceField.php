<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography;

use JsonSerializable;

/** A field of a record as its source had it, under the source's own tag. */
final readonly class SourceField implements JsonSerializable
{
    public function __construct(public string $tag, public string $value)
    {
    }

    /** Null where these are no two texts. */
    public static function fromPair(mixed $pair): ?self
    {
        return is_array($pair) && count($pair) === 2 && is_string($pair[0] ?? null) && is_string($pair[1] ?? null)
            ? new self($pair[0], $pair[1])
            : null;
    }

    /** @return list<string> tag and value */
    public function jsonSerialize(): array
    {
        return [$this->tag, $this->value];
    }

    /** Whether it stands under one of these tags. */
    public function isOne(string ...$tags): bool
    {
        return in_array($this->tag, $tags, true);
    }
}
