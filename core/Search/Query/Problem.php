<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Query;

/** What is wrong with a query and where, in the searcher's words. */
final readonly class Problem
{
    public function __construct(public ProblemKind $kind, public Span $span, private string $text)
    {
    }

    public function message(): string
    {
        return ucfirst($this->span->describe()).": {$this->text}";
    }

    /** @return array<string, string|int> */
    public function toArray(): array
    {
        return [
            'kind' => $this->kind->value,
            'start' => $this->span->start,
            'end' => $this->span->end,
            'message' => $this->message(),
        ];
    }
}
