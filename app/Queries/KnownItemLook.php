<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\KnownItem;
use App\Models\Review;
use App\Sources\Counts;
use App\Sources\Sources;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Search\Query\Field;
use WaryHeron\Core\Search\Query\Node\Fielded;
use WaryHeron\Core\Search\Query\Node\Heading;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Node\Operation;
use WaryHeron\Core\Search\Query\Node\Phrase;
use WaryHeron\Core\Search\Query\Node\Word;
use WaryHeron\Core\Search\Query\Operator;
use WaryHeron\Core\Search\Strategy\BadStrategy;
use WaryHeron\Core\Search\Strategy\Block;
use WaryHeron\Core\Search\Strategy\Board;
use WaryHeron\Core\Search\Strategy\Strategy as Lines;
use WaryHeron\Core\Search\Text\Words;

/** Whether a strategy finds what it has to; and if not, which of its concepts loses it and what would have caught it. */
final readonly class KnownItemLook
{
    private const SECONDS = 6.0;

    private const COMMON = ['with', 'from', 'that', 'this', 'were', 'been', 'have', 'than', 'among', 'between', 'effect', 'effects', 'study', 'trial', 'during', 'after', 'before', 'using', 'their', 'which', 'when', 'into', 'randomised', 'controlled', 'results', 'methods', 'conclusions', 'background'];

    public function __construct(private Compiler $compiler, private Counts $counts, private Sources $sources)
    {
    }

    /**
     * @return array{indexed: bool, found: bool, lost: list<array{id: string, name: string, suggestions: list<array{text: string, why: string}>}>, byLimit: bool, title: string}
     *
     * @throws \App\Sources\SourceFailed
     */
    public function at(Review $review, Lines $lines, KnownItem $item, string $source): array
    {
        $clause = $this->clause($review, $item, $source);
        if ($clause === null) {
            return ['indexed' => false, 'found' => false, 'lost' => [], 'byLimit' => false, 'title' => ''];
        }
        $blocks = Board::of($lines)->blocks;
        $queries = [];
        $result = $lines->resultNumber();
        try {
            $queries['result'] = $result === null ? null : $lines->writtenOut($result);
            foreach ($blocks as $block) {
                $queries[$block->id] = $this->blockQuery($lines, $block);
            }
        } catch (BadStrategy) {
            // a line with a mistake finds nothing; it says so itself
        }
        $queries = array_filter($queries);
        $counts = $this->count($review, $source, array_map(fn (Node $query): Node => new Operation(Operator::And, [$clause, $query]), $queries));
        $found = ($counts['result'] ?? 0) > 0;
        $lost = $found ? [] : array_values(array_filter($blocks, fn (Block $block): bool => $block->isCombined && isset($queries[$block->id]) && ($counts[$block->id] ?? 0) === 0));
        // one that was given by its DOI has its title from here
        $record = $found && $item->title !== $item->doi ? null : ($this->sources->get($source)->page($this->compiler->compile($review, $source, $clause)->text, 1, 1)->records[0] ?? null);

        return [
            'indexed' => true, 'found' => $found, 'byLimit' => ! $found && $lost === [], 'title' => $record instanceof Reference && $record->title !== '' ? $record->title : $item->title,
            'lost' => array_map(fn (Block $block): array => ['id' => $block->id, 'name' => $block->name, 'suggestions' => $record instanceof Reference ? $this->suggestions($review, $source, $record, $queries[$block->id]) : []], $lost),
        ];
    }

    /** What picks just this item out of the database: its DOI, else its title; null where it is not there. */
    public function clause(Review $review, KnownItem $item, string $source): ?Node
    {
        $words = array_map(fn (string $word): Word => new Word($word), array_slice(Words::of($item->title), 0, 25));
        $ways = array_filter([
            $item->doi === '' || $this->sources->dialect($source)->field(Field::Doi) === null ? null : new Fielded([Field::Doi], new Word($item->doi)),
            count($words) < 3 ? null : new Fielded([Field::Title], new Phrase($words)),
        ]);
        $counts = $this->count($review, $source, $ways);
        foreach ($ways as $i => $way) {
            if (($counts[$i] ?? 0) > 0) {
                return $way;
            }
        }

        return null;
    }

    private function blockQuery(Lines $lines, Block $block): ?Node
    {
        $number = $lines->numberOf($block->id);

        return $block->terms === [] || $number === null ? null : $lines->writtenOut($number);
    }

    /**
     * Headings and words of the record, those first of which most records are in the block already: they are its kind.
     *
     * @return list<array{text: string, why: string}>
     */
    private function suggestions(Review $review, string $source, Reference $record, Node $block): array
    {
        $candidates = [];
        foreach ($record->keywords as $keyword) {
            $label = trim((string) strtok($keyword, '/'));
            $candidates["heading:\"{$label}\""] = new Heading($label);
        }
        $counted = array_count_values(Words::of("{$record->title} {$record->title} {$record->abstract}"));
        arsort($counted);
        $titleWords = array_flip(Words::of($record->title));
        foreach ($counted as $word => $times) {
            $word = (string) $word;
            if (count($candidates) < 36 && mb_strlen($word) > 3 && ! is_numeric($word) && ! in_array($word, self::COMMON, true) && ($times > 1 || isset($titleWords[$word]))) {
                $candidates[$word] = new Word($word);
            }
        }
        $own = $this->count($review, $source, $candidates);
        $shared = $this->count($review, $source, array_map(fn (Node $one): Node => new Operation(Operator::And, [$one, $block]), $candidates));
        $ranked = [];
        foreach ($candidates as $text => $one) {
            $total = $own[$text] ?? 0;
            if ($total >= 3 && ($shared[$text] ?? 0) > 0) {
                $ranked[$text] = [$shared[$text] / $total, $total - $shared[$text]];
            }
        }
        uasort($ranked, fn (array $a, array $b): int => $b[0] <=> $a[0]);
        $best = [];
        foreach (array_slice($ranked, 0, 5, true) as $text => [$share, $more]) {
            $best[] = ['text' => (string) $text, 'why' => round($share * 100).' % of the records with it are in this concept already; it would bring '.number_format($more).' more'];
        }

        return $best;
    }

    /**
     * @template K of array-key
     *
     * @param  array<K, Node>  $queries
     * @return array<K, int>
     */
    private function count(Review $review, string $source, array $queries): array
    {
        $texts = array_filter(array_map(function (Node $query) use ($review, $source): string {
            $compiled = $this->compiler->compile($review, $source, $query);

            return $compiled->isUsable() ? $compiled->text : '';
        }, $queries));
        $counts = $this->counts->of($source, array_values($texts), self::SECONDS);

        return array_filter(array_map(fn (string $text): int|string|null => $counts[$text] ?? null, $texts), is_int(...));
    }
}
