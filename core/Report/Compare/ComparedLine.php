<?php

declare(strict_types=1);

namespace WaryHeron\Core\Report\Compare;

/** A line of two versions, with what became of its words. */
final readonly class ComparedLine
{
    /** @param  list<Piece>  $pieces */
    public function __construct(public TextLine $line, public array $pieces)
    {
    }

    public static function whole(TextLine $line, Fate $fate): self
    {
        return new self($line, [new Piece($fate, $line->words)]);
    }

    public function isChanged(): bool
    {
        return array_filter($this->pieces, fn (Piece $one): bool => $one->fate !== Fate::Kept) !== [];
    }
}
