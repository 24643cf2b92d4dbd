<?php

declare(strict_types=1);

namespace App\Queries\Searches;

use App\Models\Review;
use App\Sources\Counts;
use App\Sources\SourceFailed;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Node\Operation;
use WaryHeron\Core\Search\Query\Operator;
use WaryHeron\Core\Search\Strategy\BadStrategy;
use WaryHeron\Core\Search\Strategy\Board;
use WaryHeron\Core\Search\Strategy\Strategy as Lines;

/** What each line of a strategy finds in each database, and what each term alone adds to its concept. */
final readonly class StrategyNumbers
{
    public function __construct(private Compiler $compiler, private Counts $counts)
    {
    }

    /**
     * Numbers that are still to be counted are missing; call again.
     *
     * @param  list<string>  $sources
     * @param  float  $seconds  how long to count before answering with what there is
     */
    public function of(Review $review, Lines $lines, array $sources, float $seconds): CountedStrategy
    {
        $queries = $this->queries($lines);
        $numbers = $failures = [];
        $done = true;
        foreach ($sources as $source) {
            $texts = array_map(fn (Node $node): string => $this->text($review, $source, $node), $queries);
            try {
                $asked = array_values(array_filter($texts, fn (string $text): bool => $text !== ''));
                $counts = $this->counts->of($source, $asked, $seconds / count($sources));
            } catch (SourceFailed $failed) {
                $failures[$source] = $failed->getMessage();

                continue;
            }
            foreach ($texts as $key => $text) {
                [$kind, $id] = explode(':', (string) $key, 2);
                if ($text === '') {
                    $numbers[$source][$id][$kind] = null; // cannot be said there
                } elseif (isset($counts[$text])) {
                    $numbers[$source][$id][$kind] = $counts[$text];
                } else {
                    $done = false;
                }
            }
        }

        return new CountedStrategy($numbers, $failures, $done);
    }

    /** @return array<string, Node> by own:ID and only:ID */
    private function queries(Lines $lines): array
    {
        $queries = [];
        foreach ($lines->lines as $i => $line) {
            if (! $line->isBlank()) {
                try {
                    $queries["own:{$line->id}"] = $lines->writtenOut($i + 1);
                } catch (BadStrategy) {
                    continue; // the line itself says what is wrong with it
                }
            }
        }
        foreach (Board::of($lines)->blocks as $block) {
            $own = [];
            foreach ($block->terms as $term) {
                $own[$term->id] = $queries["own:{$term->id}"] ?? null;
            }
            $own = array_filter($own);
            foreach ($own as $id => $query) {
                $others = array_values(array_diff_key($own, [$id => true]));
                if ($others !== []) {
                    $queries["only:{$id}"] = new Operation(Operator::Not, [$query, ...$others]);
                }
            }
        }

        return $queries;
    }

    private function text(Review $review, string $source, Node $node): string
    {
        $compiled = $this->compiler->compile($review, $source, $node);

        return $compiled->isUsable() ? $compiled->text : '';
    }
}
