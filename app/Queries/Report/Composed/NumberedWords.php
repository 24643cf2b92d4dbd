<?php

declare(strict_types=1);

namespace App\Queries\Report\Composed;

use WaryHeron\Core\Report\Document\Node;

/** Makes paragraphs of words and of numbers that stay live. */
final readonly class NumberedWords
{
    /** @param  array<string, LiveNumber>  $numbers */
    public function __construct(private array $numbers)
    {
    }

    public function has(string $key): bool
    {
        return isset($this->numbers[$key]);
    }

    public function shown(string $key): string
    {
        return isset($this->numbers[$key]) ? $this->numbers[$key]->value : '–';
    }

    /** @param  string|list<string>  ...$pieces  words, or the key of a number */
    public function paragraph(string|array ...$pieces): Node
    {
        return Node::paragraph(...array_map(fn (string|array $one): Node => is_string($one)
            ? Node::text($one)
            : new Node(Node::LIVE_NUMBER, attrs: ['source' => $one[0], 'shown' => $this->shown($one[0])]), $pieces));
    }
}
