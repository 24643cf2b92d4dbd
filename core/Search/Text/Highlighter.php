<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Text;

use WaryHeron\Core\Search\Query\Node\Fielded;
use WaryHeron\Core\Search\Query\Node\Near;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Node\Operation;
use WaryHeron\Core\Search\Query\Node\Phrase;
use WaryHeron\Core\Search\Query\Node\Word;
use WaryHeron\Core\Search\Query\Operator;

/** Finds in a text the words and phrases that a query looks for; what a NOT takes away is not marked. */
final class Highlighter
{
    /** @var list<list<array{string, bool}>> each a run of words: text and whether any ending may follow */
    private array $runs = [];

    public function __construct(Node ...$queries)
    {
        foreach ($queries as $query) {
            $this->collect($query);
        }
    }

    /** @return list<array{text: string, marked: bool}> that join to the text unchanged */
    public function segments(string $text): array
    {
        $words = Words::placed($text);
        $marks = [];
        foreach ($words as $at => $ignored) {
            foreach ($this->runs as $run) {
                if ($this->matches($run, $words, $at)) {
                    $last = $words[$at + count($run) - 1];
                    $marks[] = [$words[$at]['offset'], $last['offset'] + $last['length']];
                }
            }
        }

        return $this->cut($text, $marks);
    }

    private function collect(Node $node): void
    {
        if ($node instanceof Word || $node instanceof Phrase) {
            $this->add($node instanceof Word ? [$node] : $node->words);

            return;
        }
        array_map($this->collect(...), match (true) {
            $node instanceof Near => [$node->left, $node->right],
            $node instanceof Fielded => [$node->inner],
            $node instanceof Operation => $node->operator === Operator::Not ? [$node->operands[0]] : $node->operands,
            default => [],
        });
    }

    /** @param  list<Word>  $typed */
    private function add(array $typed): void
    {
        $run = [];
        foreach ($typed as $word) {
            $parts = Words::of($word->text);
            foreach ($parts as $i => $part) {
                $run[] = [$part, $word->truncated && $i === count($parts) - 1];
            }
        }
        if ($run !== []) {
            $this->runs[] = $run;
        }
    }

    /**
     * @param  list<array{string, bool}>  $run
     * @param  list<array{word: string, offset: int, length: int}>  $words
     */
    private function matches(array $run, array $words, int $at): bool
    {
        foreach ($run as $i => [$text, $truncated]) {
            $word = $words[$at + $i]['word'] ?? null;
            if ($word === null || ($truncated ? ! str_starts_with($word, $text) : $word !== $text)) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  list<array{int, int}>  $marks  start and end in bytes
     * @return list<array{text: string, marked: bool}>
     */
    private function cut(string $text, array $marks): array
    {
        sort($marks);
        $segments = [];
        $done = 0;
        foreach ($marks as [$start, $end]) {
            if ($end <= $done) {
                continue;
            }
            $start = max($start, $done);
            if ($start > $done) {
                $segments[] = ['text' => substr($text, $done, $start - $done), 'marked' => false];
            }
            $segments[] = ['text' => substr($text, $start, $end - $start), 'marked' => true];
            $done = $end;
        }
        if ($done < strlen($text)) {
            $segments[] = ['text' => substr($text, $done), 'marked' => false];
        }

        return $segments;
    }
}
