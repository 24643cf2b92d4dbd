<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Asked;

/** The pieces of a question as it is read; one of them is open, and what is added belongs to it. */
final class AskedPieces
{
    /** @var list<AskedPiece> */
    private array $closed = [];

    /** @var list<string> */
    private array $words = [];

    private string $mark = '';

    private bool $isVerb = false;

    public bool $hasVerb = false;

    public function isEmpty(): bool
    {
        return $this->closed === [] && $this->words === [];
    }

    public function add(string $word): void
    {
        $this->words[] = $word;
    }

    /** Ends the open piece, if anything stands in it. What was said before an empty one goes on to the next. */
    public function close(): void
    {
        if ($this->words !== []) {
            $this->closed[] = new AskedPiece($this->mark, $this->isVerb, $this->words);
            $this->open();
        }
    }

    /** Begins what a small word or a verb begins. "Than among" is still a comparison. */
    public function begin(?string $mark, bool $isVerb): void
    {
        $this->close();
        $this->mark = $this->mark === 'than' ? 'than' : $mark ?? $this->mark;
        $this->isVerb = $this->isVerb || $isVerb;
        $this->hasVerb = $this->hasVerb || $isVerb;
    }

    /** A verb that is the outcome by itself. */
    public function done(string $word): void
    {
        $this->close();
        $this->closed[] = new AskedPiece('done', true, [$word]);
        $this->open();
        $this->hasVerb = true;
    }

    /** @return list<AskedPiece> */
    public function all(): array
    {
        $this->close();

        return $this->closed;
    }

    private function open(): void
    {
        [$this->mark, $this->isVerb, $this->words] = ['', false, []];
    }
}
