<?php

declare(strict_types=1);

namespace App\Queries\Report\Composed;

use App\Models\KeptAnalysis;
use App\Models\Review;
use App\Models\ReviewOutcome;
use App\Models\ReviewVersion;
use App\Queries\Coding\CodedReports;
use App\Queries\Coding\Themes\ThemeTree;
use App\Queries\Report\FlowQuery;
use App\Queries\Screening\Agreed\Agreement;
use App\Queries\Synthesis\PooledAnalysis;
use App\Queries\Synthesis\Shown;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Flow\Flow;

/** Numbers of a review that a sentence may hold, each with what it is called. */
final class LiveNumbers
{
    private const DAY = 86_400;

    /** @return array<string, LiveNumber> by the key that a report names it with */
    public static function of(Review $review): array
    {
        $version = ReviewVersion::latest($review);
        $together = $version === null ? '' : ', all versions together';

        return [
            ...self::flow(FlowQuery::of($review), CodedReports::count($review), $together),
            ...($version === null ? [] : self::since($review, $version)),
            ...self::agreement($review),
            ...self::analyses($review),
            ...self::themes($review),
        ];
    }

    /** @return array<string, LiveNumber> what an update adds, as its flow diagram tells it */
    private static function since(Review $review, ReviewVersion $version): array
    {
        $flow = FlowQuery::since($review, $version);
        $studies = FlowQuery::studies($review, $version, $flow->included());
        $numbers = self::flow($flow, $studies, ", since {$version->name}");

        return array_combine(array_map(fn (string $key): string => "new {$key}", array_keys($numbers)), $numbers);
    }

    /** @return array<string, LiveNumber> */
    private static function flow(Flow $flow, int $studies, string $of): array
    {
        $facts = $flow->facts;
        $numbers = [
            'records' => ['records delivered', $facts->recordsDelivered],
            'duplicates' => ['duplicate records removed', $flow->duplicatesRemoved()],
            'screened' => ['publications screened', $flow->toScreen()],
            'excluded' => ['excluded by title and abstract', $facts->excluded],
            'studies' => ['included studies', $studies],
        ];
        if ($facts->fullTexts !== null) {
            $numbers['assessed'] = ['reports read in full', $facts->fullTexts->assessed()];
            $numbers['reports'] = ['included reports', $facts->fullTexts->included];
        }

        return array_map(fn (array $one): LiveNumber => new LiveNumber($one[0].$of, number_format($one[1])), $numbers);
    }

    /** @return array<string, LiveNumber> of stages that several judge: how often all said the same before they opened */
    private static function agreement(Review $review): array
    {
        $stages = $review->stages->where('required_decisions', '>', 1)->keyBy('id');
        $numbers = [];
        foreach ($stages->isEmpty() ? [] : self::keptShares($review, $stages->keys()->all()) as $id => $share) {
            if ($stages->has($id)) {
                $name = "{$stages[$id]->name}: agreed before talking";
                $numbers["stage {$id} agreed"] = new LiveNumber($name, Shown::number(100 * $share, 0).' %');
            }
        }

        return $numbers;
    }

    /**
     * Of a large review they take a second; whatever opens is written in the Log.
     *
     * @param  array<mixed>  $stages
     * @return array<string, float>
     */
    private static function keptShares(Review $review, array $stages): array
    {
        $last = DB::table('log_entries')->where('review_id', $review->id)->max('id');

        return Cache::remember("agreed {$last}", self::DAY, fn (): array => self::shares($review, $stages));
    }

    /**
     * @param  array<mixed>  $stages  ids
     * @return array<string, float> by stage
     */
    private static function shares(Review $review, array $stages): array
    {
        $judged = DB::table('items')
            ->join('decisions', fn (JoinClause $join) => $join
                ->on('decisions.review_id', '=', 'items.review_id')
                ->on('decisions.item_id', '=', 'items.id'))
            ->where('items.review_id', $review->id)
            ->whereIn('items.stage_id', $stages)
            ->whereNotNull('items.opened_at')
            ->tap(Agreement::beforeOpening(...))
            ->groupBy('items.stage_id', 'items.id')
            ->havingRaw('count(DISTINCT decisions.user_id) > 1')
            ->selectRaw('items.stage_id, (count(DISTINCT decisions.verdict) = 1)::int AS alike');

        return DB::query()
            ->fromSub($judged, 'judged')
            ->groupBy('stage_id')
            ->selectRaw('stage_id, avg(alike) AS share')
            ->pluck('share', 'stage_id')
            ->map(floatval(...))
            ->all();
    }

    /** @return array<string, LiveNumber> */
    private static function analyses(Review $review): array
    {
        $numbers = [];
        $outcomes = ReviewOutcome::query()->where('review_id', $review->id)->get()->keyBy('id');
        foreach (KeptAnalysis::of($review)->get() as $kept) {
            $outcome = $outcomes->get($kept->asked()->outcome);
            $numbers += $outcome === null ? [] : self::analysis($review, $kept, $outcome);
        }

        return $numbers;
    }

    /** @return array<string, LiveNumber> */
    private static function analysis(Review $review, KeptAnalysis $kept, ReviewOutcome $outcome): array
    {
        $pooled = PooledAnalysis::of($review, $kept->asked(), $outcome);
        $all = $pooled->pooled();
        $estimate = Shown::pooled($kept->asked()->measure, $all, $pooled->size());
        $spread = $pooled->heterogeneity()->iSquared();
        $numbers = [
            'estimate' => new LiveNumber("{$kept->title}: estimate", $estimate ?: '–'),
            'k' => new LiveNumber("{$kept->title}: studies", (string) $all->k),
            ...$spread === null ? [] : ['i2' => new LiveNumber("{$kept->title}: I²", Shown::number($spread, 0).' %')],
            'people' => new LiveNumber("{$kept->title}: people", number_format($pooled->people())),
        ];

        return array_combine(
            array_map(fn (string $key): string => "analysis {$kept->id} {$key}", array_keys($numbers)),
            $numbers,
        );
    }

    /** @return array<string, LiveNumber> of themes that something stands under */
    private static function themes(Review $review): array
    {
        $numbers = [];
        foreach (ThemeTree::of($review)->themes as $one) {
            if ((int) $one->passages > 0) {
                $studies = number_format((int) $one->studies);
                $passages = number_format((int) $one->passages);
                $numbers["theme {$one->id} studies"] = new LiveNumber("{$one->path}: studies", $studies);
                $numbers["theme {$one->id} passages"] = new LiveNumber("{$one->path}: passages", $passages);
            }
        }

        return $numbers;
    }
}
