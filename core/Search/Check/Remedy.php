<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Check;

/** What would mend a finding: a change of the strategy, as the board makes it, and what its button says. */
final readonly class Remedy
{
    /** @param  array<string, mixed>  $with */
    private function __construct(public string $change, public array $with, public string $label)
    {
    }

    public static function removeTerm(string $line): self
    {
        return new self('remove-term', ['line' => $line], 'Take it off');
    }

    public static function removeLine(string $line): self
    {
        return new self('remove-line', ['line' => $line], 'Take it off');
    }

    public static function write(string $line, string $text, string $label): self
    {
        return new self('set-line', ['line' => $line, 'text' => $text], $label);
    }

    public static function addTerm(string $block, string $text, string $label): self
    {
        return new self('add-terms', ['block' => $block, 'texts' => [$text]], $label);
    }
}
