<?php

declare(strict_types=1);

namespace App\Queries\Report\Composed;

use App\Models\Review;
use App\Models\Run;
use App\Queries\Report\FlowQuery;
use Illuminate\Database\Eloquent\Collection as Models;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Screening\ItemState;

/** What outsiders may read beside the report: searches as they were sent, decisions with their reasons, and nobody's name. */
final class Readable
{
    public const MOST = 3000;

    /** @return Models<int, Run> the last run in each database of each strategy */
    public static function runs(Review $review): Models
    {
        return Run::query()
            ->where('review_id', $review->id)
            ->orderByDesc('ran_at')
            ->get()
            ->unique(fn (Run $one): string => "{$one->strategy_id} {$one->source}")
            ->values();
    }

    /** @return Collection<int, stdClass> */
    public static function sources(Review $review): Collection
    {
        return FlowQuery::sources($review)->where('kept', '>', 0)->values();
    }

    /** @return array<string, string> the newest copy of each included report, by its publication */
    public static function papers(Review $review): array
    {
        $included = DB::table('items')
            ->where('review_id', $review->id)
            ->where('stage_id', $review->lastStage()->id)
            ->where('state', ItemState::Included->value)
            ->whereNotNull('opened_at')
            ->select('publication_id');

        return array_map(strval(...), DB::table('full_texts')
            ->where('review_id', $review->id)
            ->whereIn('publication_id', $included)
            ->whereNull('taken_out_at')
            ->orderBy('id')
            ->pluck('id', 'publication_id')
            ->all());
    }

    /** @return Collection<int, stdClass> included ones, then those excluded in full text, each with its reason */
    public static function decided(Review $review): Collection
    {
        return DB::table('items')
            ->join('publications', fn ($join) => $join
                ->on('publications.review_id', '=', 'items.review_id')
                ->on('publications.id', '=', 'items.publication_id'))
            ->leftJoin('criteria', 'criteria.id', '=', 'items.criterion_id')
            ->where('items.review_id', $review->id)
            ->where('items.stage_id', $review->lastStage()->id)
            ->whereIn('items.state', [ItemState::Included->value, ItemState::Excluded->value])
            ->whereNotNull('items.opened_at')
            ->orderByRaw("items.state = 'included' DESC")
            ->orderBy('publications.first_author')
            ->orderBy('publications.id')
            ->limit(self::MOST)
            ->get(['publications.id', 'publications.title', 'publications.authors', 'publications.year', 'publications.doi', 'items.state', 'criteria.reason']);
    }
}
