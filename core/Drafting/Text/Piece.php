<?php

declare(strict_types=1);

namespace WaryHeron\Core\Drafting\Text;

/** Words of a drafted text; a claim where they rest on papers. */
final readonly class Piece
{
    /** @param  list<string>  $papers  whose findings it rests on; empty where it only joins, or tells what was done */
    public function __construct(public string $text, public array $papers = [])
    {
    }

    /** @return array<string, string|list<string>> */
    public function toArray(): array
    {
        return ['text' => $this->text, 'papers' => $this->papers];
    }
}
