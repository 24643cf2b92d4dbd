<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Strategy;

use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\ParsedQuery;
use WaryHeron\Core\Search\Query\Parser;

/**
 * One line of a strategy: its text in the query language and a note. Its id stays when it moves and its number changes.
 *
 * A line without text holds the place of a concept for which no term has been found yet.
 */
final readonly class StrategyLine
{
    public const LONGEST_NOTE = 300;

    public function __construct(public string $id, public string $text, public string $note = '')
    {
    }

    public function isBlank(): bool
    {
        return trim($this->text) === '';
    }

    public function parsed(): ParsedQuery
    {
        /** @var array<string, ParsedQuery> $read */
        static $read = [];
        if (count($read) > 2000) {
            $read = [];
        }

        return $read[$this->text] ??= Parser::parse($this->text);
    }

    /**
     * The line as a query of its own.
     *
     * @throws BadStrategy If it has mistakes, or refers to others.
     */
    public function written(): Node
    {
        return (new Strategy([$this]))->writtenOut(1);
    }

    /** @return list<int> numbers of the lines that it refers to, each once */
    public function refersTo(): array
    {
        return LineNumbers::in($this->text);
    }

    public function with(?string $text = null, ?string $note = null): self
    {
        return new self($this->id, $text ?? $this->text, $note ?? $this->note);
    }
}
