<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Dialect\Cql;

/** @internal */
final readonly class CqlToken
{
    /** @param  'symbol'|'quoted'|'word'|'end'  $kind */
    public function __construct(public string $kind, public string $text, public int $column)
    {
    }

    public function is(string $text): bool
    {
        return $this->kind === 'symbol' && $this->text === $text;
    }

    public function isTerm(): bool
    {
        return $this->kind === 'word' || $this->kind === 'quoted';
    }

    public function keyword(): ?string
    {
        $lower = strtolower($this->text);

        return $this->kind === 'word' && in_array($lower, ['and', 'or', 'not', 'prox', 'sortby'], true) ? $lower : null;
    }
}
