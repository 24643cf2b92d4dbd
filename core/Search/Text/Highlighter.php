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
use WaryHeron\Core\Text\PlacedWord;
use WaryHeron\Core\Text\Words;

/**
 * Finds in a text the words and phrases that queries look for, and of which query each is; what a NOT takes away is not
 * marked.
 */
final class Highlighter
{
    /**
     * @var array<string, list<array{string, list<array{string, bool}>}>> by the first letter, or nothing where that may
     *     be any: the query's key and a run of words, each with whether any ending may follow
     */
    private array $runs = [];

    private string $key = '';

    public function __construct(Node ...$queries)
    {
        array_map($this->collect(...), $queries);
    }

    /** @param  array<string, list<Node>>  $lists  queries by the key under which their words are told apart */
    public static function ofLists(array $lists): self
    {
        $highlighter = new self();
        foreach ($lists as $key => $queries) {
            $highlighter->key = (string) $key;
            array_map($highlighter->collect(...), $queries);
        }

        return $highlighter;
    }

    /** @return list<Segment> that join to the text unchanged */
    public function segments(string $text): array
    {
        $words = Words::placed($text);
        $marks = [];
        foreach ($words as $at => $word) {
            foreach ([...$this->runs[$word->word[0]] ?? [], ...$this->runs[''] ?? []] as [$key, $run]) {
                if ($this->matches($run, $words, $at)) {
                    $marks[] = [$word->start, $words[$at + count($run) - 1]->end, $key];
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
        array_map(
            $this->collect(...),
            match (true) {
                $node instanceof Near => [$node->left, $node->right],
                $node instanceof Fielded => [$node->inner],
                $node instanceof Operation => $node->operator === Operator::Not
                    ? [$node->operands[0]]
                    : $node->operands,
                default => [],
            },
        );
    }

    /** @param  list<Word>  $typed */
    private function add(array $typed): void
    {
        $run = [];
        foreach ($typed as $word) {
            $parts = $word->isMasked() ? Mask::words($word->text) : Words::of($word->text);
            foreach ($parts as $i => $part) {
                $run[] = [$part, $word->truncated && $i === count($parts) - 1];
            }
        }
        if ($run !== []) {
            $this->runs[Mask::isIn($run[0][0][0]) ? '' : $run[0][0][0]][] = [$this->key, $run];
        }
    }

    /**
     * @param  list<array{string, bool}>  $run
     * @param  list<PlacedWord>  $words
     */
    private function matches(array $run, array $words, int $at): bool
    {
        foreach ($run as $i => [$text, $truncated]) {
            $word = $words[$at + $i] ?? null;
            if ($word === null || ! self::isSaid($text, $truncated, $word->word)) {
                return false;
            }
        }

        return true;
    }

    private static function isSaid(string $text, bool $truncated, string $word): bool
    {
        if (Mask::isIn($text)) {
            return preg_match('/'.Mask::pattern($text.($truncated ? Mask::ANY : '')).'/u', $word) === 1;
        }

        return $truncated ? str_starts_with($word, $text) : $word === $text;
    }

    /**
     * @param  list<array{int, int, string}>  $marks  start and end in bytes, and the key
     * @return list<Segment>
     */
    private function cut(string $text, array $marks): array
    {
        $edges = self::edges($marks, strlen($text));
        sort($marks);
        $segments = [];
        $open = [];
        $next = 0;
        for ($i = 0; $i + 1 < count($edges); $i++) {
            [$from, $to] = [$edges[$i], $edges[$i + 1]];
            while (isset($marks[$next]) && $marks[$next][0] <= $from) {
                $open[] = $marks[$next++];
            }
            $open = array_values(array_filter($open, fn (array $mark): bool => $mark[1] > $from));
            $lists = array_values(array_unique(array_column($open, 2)));
            sort($lists);
            $segment = new Segment(substr($text, $from, $to - $from), $open !== [], $lists);
            $before = array_pop($segments);
            if ($before !== null && ! $before->isMarkedAs($segment)) {
                array_push($segments, $before, $segment);
            } else {
                $segments[] = new Segment($before?->text.$segment->text, $segment->marked, $lists);
            }
        }

        return $segments;
    }

    /**
     * @param  list<array{int, int, string}>  $marks
     * @return list<int> bytes at which a mark or the text begins or ends, each once and in order
     */
    private static function edges(array $marks, int $length): array
    {
        $edges = array_fill_keys([0, $length, ...array_column($marks, 0), ...array_column($marks, 1)], true);
        ksort($edges);

        return array_keys($edges);
    }
}
