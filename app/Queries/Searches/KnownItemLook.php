<?php

declare(strict_types=1);

namespace App\Queries\Searches;

use App\Models\KnownItem;
use App\Models\Review;
use App\Sources\QueryCounts;
use App\Sources\Sources;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Search\Query\Field;
use WaryHeron\Core\Search\Query\Node\Fielded;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Node\Operation;
use WaryHeron\Core\Search\Query\Node\Phrase;
use WaryHeron\Core\Search\Query\Node\Word;
use WaryHeron\Core\Search\Query\Operator;
use WaryHeron\Core\Search\Strategy\BadStrategy;
use WaryHeron\Core\Search\Strategy\Strategy as Lines;
use WaryHeron\Core\Text\Words;

/**
 * Whether a strategy finds what it has to, and if not, which of its concepts loses it.
 *
 * @phpstan-type Standing array{indexed: bool, found: bool, lost: list<array{id: string, name: string}>, byLimit: bool}
 */
final readonly class KnownItemLook
{
    public function __construct(private Compiler $compiler, private QueryCounts $counts, private Sources $sources)
    {
    }

    /**
     * All items in one source, with a few questions together instead of many one after another.
     *
     * @param  iterable<KnownItem>  $items
     * @return array<string, Standing> by item
     *
     * @throws \App\Sources\SourceFailed
     */
    public function all(Review $review, Lines $lines, iterable $items, string $source): array
    {
        $clauses = $this->clauses($review, $items, $source);
        $concepts = StrategyConcepts::of($lines);
        $asked = [];
        foreach ($clauses as $item => $clause) {
            foreach (array_filter([...$concepts->queries, 'result' => self::result($lines)]) as $part => $query) {
                $asked["{$item}/{$part}"] = new Operation(Operator::And, [$clause, $query]);
            }
        }
        $counts = $this->counts->of($review, $source, $asked);
        $standings = [];
        foreach ($items as $item) {
            $standings[$item->id] = isset($clauses[$item->id])
                ? self::standing($concepts, $counts, $item->id)
                : ['indexed' => false, 'found' => false, 'lost' => [], 'byLimit' => false];
        }

        return $standings;
    }

    private static function result(Lines $lines): ?Node
    {
        $number = $lines->resultNumber();
        try {
            return $number === null ? null : $lines->writtenOut($number);
        } catch (BadStrategy) {
            return null; // a line with a mistake finds nothing; it says so itself
        }
    }

    /** What picks just this item out of the database: its DOI, else its title; null where it is not there. */
    public function clause(Review $review, KnownItem $item, string $source): ?Node
    {
        return $this->clauses($review, [$item], $source)[$item->id] ?? null;
    }

    /** What a database has of it; null where it is not there. */
    public function record(Review $review, KnownItem $item, string $source): ?Reference
    {
        $clause = $this->clause($review, $item, $source);
        $record =
            $clause === null
                ? null
                : $this->sources->get($source)->page($this->compiler->compile($review, $source, $clause)->text, 1, 1)
                        ->records[0] ?? null;

        return $record instanceof Reference ? $record : null;
    }

    /**
     * @param  array<string, int>  $counts
     * @return Standing
     */
    private static function standing(StrategyConcepts $concepts, array $counts, string $item): array
    {
        $isFound = ($counts["{$item}/result"] ?? 0) > 0;
        $lost = [];
        foreach ($isFound ? [] : $concepts->blocks as $id => $block) {
            if ($block->isCombined && ($counts["{$item}/{$id}"] ?? 0) === 0) {
                $lost[] = ['id' => $id, 'name' => $block->name];
            }
        }

        return ['indexed' => true, 'found' => $isFound, 'lost' => $lost, 'byLimit' => ! $isFound && $lost === []];
    }

    /**
     * @param  iterable<KnownItem>  $items
     * @return array<string, Node> by item
     */
    private function clauses(Review $review, iterable $items, string $source): array
    {
        $ways = [];
        $hasDoi = $this->sources->dialect($source)->field(Field::Doi) !== null;
        foreach ($items as $item) {
            $words = array_map(fn (string $word): Word => new Word($word), array_slice(Words::of($item->title), 0, 25));
            $ways += array_filter([
                "{$item->id}/doi" => $item->doi === '' || ! $hasDoi ? null : new Fielded([Field::Doi], new Word($item->doi)),
                "{$item->id}/title" => count($words) < 3 || $item->title === $item->doi
                        ? null
                        : new Fielded([Field::Title], new Phrase($words)),
            ]);
        }
        $counts = $this->counts->of($review, $source, $ways);
        $clauses = [];
        foreach ($ways as $key => $way) {
            if (($counts[$key] ?? 0) > 0) {
                $clauses[(string) strtok($key, '/')] ??= $way;
            }
        }

        return $clauses;
    }
}
