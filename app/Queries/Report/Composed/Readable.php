<?php

declare(strict_types=1);

namespace App\Queries\Report\Composed;

use App\Models\ReportVersion;
use App\Models\Review;
use App\Models\Run;
use App\Queries\Report\FlowQuery;
use Illuminate\Database\Eloquent\Collection as Models;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Report\Document\Node;
use WaryHeron\Core\Report\Document\Schema;
use WaryHeron\Core\Screening\ItemState;

/** What outsiders may read beside the report and its decisions: searches as they were sent, and papers. */
final class Readable
{
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
}
