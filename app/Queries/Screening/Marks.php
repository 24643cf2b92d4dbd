<?php

declare(strict_types=1);

namespace App\Queries\Screening;

use App\Models\MarkList;
use App\Models\Review;
use App\Models\StrategyRevision;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Strategy\BadStrategy;
use WaryHeron\Core\Search\Strategy\Board;
use WaryHeron\Core\Search\Text\Highlighter;

/**
 * The words that are marked while reading: the concepts of the review's strategies, and the team's own lists for and
 * against.
 */
final readonly class Marks
{
    private const KEPT_SECONDS = 3600;

    /** Concepts are told apart by how they are underlined; more than these look like the last. */
    public const CONCEPTS = 4;

    private const STRATEGIES = 20;

    /** @param  list<MarkedList>  $lists */
    private function __construct(public array $lists, public Highlighter $highlighter)
    {
    }

    public static function of(Review $review): self
    {
        $heads = DB::table('strategies')
            ->where('review_id', $review->id)
            ->orderBy('id')
            ->limit(self::STRATEGIES)
            ->pluck('head', 'id')
            ->all();
        $changed = DB::table('mark_lists')
            ->where('review_id', $review->id)
            ->selectRaw('count(*) AS n, max(updated_at) AS at')
            ->first();

        return $heads === [] && (int) ($changed->n ?? 0) === 0
            ? new self([], new Highlighter())
            : Cache::remember(
                'marked lists '.md5($review->id.json_encode([$heads, $changed], JSON_THROW_ON_ERROR)),
                self::KEPT_SECONDS,
                fn (): self => self::made($review),
            );
    }

    private static function made(Review $review): self
    {
        $lists = $queries = [];
        foreach (self::concepts($review) as $name => $nodes) {
            $number = count($lists) + 1;
            $style = 'concept-'.min($number, self::CONCEPTS);
            $lists[] = new MarkedList("c{$number}", (string) $name, MarkedList::CONCEPT, $style, null);
            $queries["c{$number}"] = $nodes;
        }
        foreach (MarkList::query()->where('review_id', $review->id)->orderBy('id')->get() as $list) {
            $lists[] = new MarkedList($list->id, $list->name, $list->stance, $list->stance, $list->criterion_id);
            $queries[$list->id] = $list->queries();
        }

        return new self($lists, Highlighter::ofLists($queries));
    }

    /** @return array<string, list<Node>> what each block of the strategies looks for, by its name */
    private static function concepts(Review $review): array
    {
        $concepts = [];
        foreach (self::strategies($review) as $revision) {
            $lines = $revision->strategy();
            try {
                foreach (Board::of($lines)->blocks as $block) {
                    $number = $lines->numberOf($block->id);
                    if ($number !== null && $block->terms !== []) {
                        $name = $block->name === '' ? "Line {$number}" : $block->name;
                        $concepts[$name][] = $lines->writtenOut($number);
                    }
                }
                if ($concepts === [] && ($result = $lines->resultNumber()) !== null) {
                    $concepts['The strategy'][] = $lines->writtenOut($result);
                }
            } catch (BadStrategy) {
                continue; // a strategy with a mistake marks nothing
            }
        }

        return $concepts;
    }

    /** @return Collection<int, StrategyRevision> as each strategy stands */
    private static function strategies(Review $review): Collection
    {
        /** @var Collection<int, StrategyRevision> */
        return StrategyRevision::query()
            ->join(
                'strategies',
                fn ($join) => $join
                    ->on('strategies.id', '=', 'strategy_revisions.strategy_id')
                    ->on('strategies.head', '=', 'strategy_revisions.number'),
            )
            ->where('strategies.review_id', $review->id)
            ->orderBy('strategies.id')
            ->limit(self::STRATEGIES)
            ->select('strategy_revisions.*')
            ->get();
    }
}
