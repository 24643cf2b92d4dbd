<?php

declare(strict_types=1);

namespace App\Queries\Question;

use App\Models\Criterion;
use App\Models\Review;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Decisions that rest on a wording of a criterion that has changed since: they name it as reason, or answer it. */
final class OlderWording
{
    public const LISTED = 200;

    /**
     * @return array<string, int> standing decisions by criterion; only criteria that somebody still has to say
     *     something about
     */
    public static function counts(Review $review): array
    {
        $counts = [];
        foreach (
            $review
                ->criteria()
                ->whereNotNull('reworded_at')
                ->where(
                    fn ($open) => $open->whereNull('older_left_at')->orWhereColumn('older_left_at', '<', 'reworded_at'),
                )
                ->get() as $criterion
        ) {
            $counts[$criterion->id] = self::decisions($criterion)->count();
        }

        return array_filter($counts);
    }

    public static function decisions(Criterion $criterion): Builder
    {
        return DB::table('decisions')
            ->where('decisions.review_id', $criterion->review_id)
            ->whereNull('decisions.superseded_at')
            ->whereNotNull('decisions.verdict')
            ->where('decisions.created_at', '<', $criterion->reworded_at)
            ->where(
                fn (Builder $rests) => $rests
                    ->where('decisions.criterion_id', $criterion->id)
                    ->orWhereRaw('jsonb_exists(decisions.answers, ?)', [$criterion->id]),
            );
    }

    /** @return list<stdClass> their items by title, each with how many of them; whose they are is not told */
    public static function items(Criterion $criterion): array
    {
        return array_values(
            self::decisions($criterion)
                ->join(
                    'items',
                    fn ($join) => $join
                        ->on('items.review_id', '=', 'decisions.review_id')
                        ->on('items.id', '=', 'decisions.item_id'),
                )
                ->join('publications', 'publications.id', '=', 'items.publication_id')
                ->whereColumn('publications.review_id', 'items.review_id')
                ->join('stages', 'stages.id', '=', 'items.stage_id')
                ->groupBy('publications.id', 'publications.title', 'stages.name', 'stages.position')
                ->orderBy('stages.position')
                ->orderBy('publications.title')
                ->limit(self::LISTED)
                ->get(['publications.id', 'publications.title', 'stages.name AS stage', DB::raw('count(*) AS n')])
                ->all(),
        );
    }

    /** @return array<string, list<stdClass>> what criteria said before, the latest first */
    public static function wordings(Review $review): array
    {
        return DB::table('criterion_wordings')
            ->where('review_id', $review->id)
            ->orderByDesc('version')
            ->get()
            ->groupBy('criterion_id')
            ->map(fn ($some): array => array_values($some->all()))
            ->all();
    }
}
