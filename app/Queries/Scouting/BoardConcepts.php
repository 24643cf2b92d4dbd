<?php

declare(strict_types=1);

namespace App\Queries\Scouting;

use App\Models\Review;
use App\Models\StrategyRevision;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Query\JoinClause;
use WaryHeron\Core\Search\Strategy\Board;

/** Where a term could go: the concepts of the strategies in use, as choices. */
final class BoardConcepts
{
    private const MOST = 12;

    /** @return array<string, array<string, string>> by the strategy's name, what is chosen and what it is called */
    public static function of(Review $review): array
    {
        /** @var Collection<int, StrategyRevision> $revisions */
        $revisions = StrategyRevision::query()
            ->join('strategies', fn (JoinClause $join) => $join
                ->on('strategies.id', '=', 'strategy_revisions.strategy_id')
                ->on('strategies.head', '=', 'strategy_revisions.number'))
            ->where('strategies.review_id', $review->id)
            ->whereNull('strategies.archived_at')
            ->orderByDesc('strategies.updated_at')
            ->limit(self::MOST)
            ->get(['strategy_revisions.*', 'strategies.name']);
        $concepts = [];
        foreach ($revisions as $revision) {
            $name = (string) $revision->getAttribute('name');
            foreach (Board::of($revision->strategy())->blocks as $block) {
                $concepts[$name]["{$revision->strategy_id}/{$block->id}"] = $block->name ?: 'a concept without a name';
            }
            $concepts[$name]["{$revision->strategy_id}/"] = 'a new concept';
        }

        return $concepts;
    }
}
