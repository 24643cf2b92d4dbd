<?php

declare(strict_types=1);

namespace WaryHeron\Core\Report\Compare;

use Closure;
use WaryHeron\Core\Report\Document\Node;

/** One line of a document as it is read: a paragraph, a heading, or a live block by its name. */
final readonly class TextLine
{
    /** @param  string  $kind  “text”, “block”, or “h1” to “h3” */
    public function __construct(public string $kind, public string $words)
    {
    }

    /**
     * @param  Closure(Node): string  $named  words for what a document only names
     * @return list<self> without those that are empty
     */
    public static function all(Node $node, Closure $named): array
    {
        if ($node->type === 'paragraph' || $node->type === Node::HEADING) {
            $words = implode('', array_map(
                fn (Node $one): string => $one->type === Node::TEXT ? $one->text : $named($one),
                $node->content,
            ));

            return self::unlessEmpty($node->type === Node::HEADING ? 'h'.$node->said('level') : 'text', $words);
        }
        if ($node->type === Node::LIVE_BLOCK) {
            return self::unlessEmpty('block', $named($node));
        }

        return array_merge(...array_map(fn (Node $one): array => self::all($one, $named), $node->content));
    }

    public function isHeading(): bool
    {
        return $this->kind[0] === 'h';
    }

    /** @return list<string> */
    public function split(): array
    {
        return explode(' ', $this->words);
    }

    /** How alike two lines are, from 0 to 1: words in both, however ordered, of the words of both. */
    public function likeness(self $other): float
    {
        if ($this->kind !== $other->kind) {
            return 0.0;
        }
        $here = array_count_values($this->split());
        $there = array_count_values($other->split());
        $both = 0;
        foreach (array_intersect_key($here, $there) as $word => $n) {
            $both += min($n, $there[$word]);
        }

        return 2 * $both / (array_sum($here) + array_sum($there));
    }

    /** @return list<self> */
    private static function unlessEmpty(string $kind, string $words): array
    {
        $words = trim((string) preg_replace('/\s+/u', ' ', $words));

        return $words === '' ? [] : [new self($kind, $words)];
    }
}
