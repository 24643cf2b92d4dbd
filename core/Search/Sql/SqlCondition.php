<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Sql;

/** A condition for a WHERE clause: its text with ? marks, and the values for them in order. */
final readonly class SqlCondition
{
    /** @param  list<string|int>  $bindings */
    public function __construct(public string $text, public array $bindings)
    {
    }

    /** @param  non-empty-list<self>  $parts */
    public static function joined(string $word, array $parts): self
    {
        if (count($parts) === 1) {
            return $parts[0];
        }

        return new self(
            '('.implode(" {$word} ", array_map(fn (self $part): string => $part->text, $parts)).')',
            array_merge(...array_map(fn (self $part): array => $part->bindings, $parts)),
        );
    }

    public function negated(): self
    {
        return new self("NOT ({$this->text})", $this->bindings);
    }
}
