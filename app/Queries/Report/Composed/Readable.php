<?php

declare(strict_types=1);

namespace App\Queries\Report\Composed;

use App\Models\ReportVersion;
use App\Models\Review;
use App\Models\Run;
use App\Queries\Report\FlowQuery;
use Illuminate\Database\Eloquent\Collection as Models;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Report\Document\Node;
use WaryHeron\Core\Report\Document\Schema;
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

    /** @return list<string> headings of a kept report, each once */
    public static function headings(ReportVersion $version): array
    {
        $headings = [];
        foreach (Schema::node($version->said)->all() as $node) {
            if ($node->type === Node::HEADING && $node->words() !== '') {
                $headings[$node->words()] = true;
            }
        }

        return array_map(strval(...), array_keys($headings));
    }

    /** @return array<string, string> who decided on full text, or settled what others decided otherwise, by publication */
    public static function deciders(Review $review): array
    {
        $by = fn (string $table): Builder => DB::table($table)
            ->where("{$table}.review_id", $review->id)
            ->where("{$table}.stage_id", $review->lastStage()->id)
            ->whereNull("{$table}.superseded_at")
            ->select("{$table}.item_id", "{$table}.user_id");

        return DB::query()
            ->fromSub($by('decisions')->union($by('settlements')), 'by')
            ->join('items', fn ($join) => $join->on('items.id', '=', 'by.item_id')->where('items.review_id', $review->id))
            ->join('users', 'users.id', '=', 'by.user_id')
            ->whereNotNull('items.opened_at')
            ->groupBy('items.publication_id')
            ->selectRaw("items.publication_id, string_agg(users.name, ', ' ORDER BY users.name) AS names")
            ->pluck('names', 'publication_id')
            ->all();
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
