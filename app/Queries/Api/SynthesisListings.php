<?php

declare(strict_types=1);

namespace App\Queries\Api;

use App\Models\KeptAnalysis;
use App\Models\Review;
use App\Models\ReviewOutcome;
use App\Queries\Synthesis\PooledAnalysis;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What studies report of outcomes, and what they come to together. */
final class SynthesisListings
{
    /** @return list<Listing> */
    public static function all(): array
    {
        return [self::outcomes(), self::results(), self::analyses(), self::tables()];
    }

    private static function outcomes(): Listing
    {
        return new Listing('outcomes', 'What is measured of people', [
            'id' => Field::id('the outcome'),
            'name' => Field::text('as the team calls it'),
            'kind' => Field::text('events, a measure …'),
            'better' => Field::text('which way is better'),
            'unit' => Field::text('of a measure'),
            'about' => Field::text('what counts as it'),
            'retired_at' => Field::time('since when it is asked no more')->orNone(),
        ], fn (Review $review): Builder => DB::table('outcomes')->where('review_id', $review->id));
    }

    private static function results(): Listing
    {
        return new Listing('results', 'What studies report, as reported', [
            'id' => Field::id('the result'),
            'publication_id' => Field::id('of which study'),
            'outcome_id' => Field::id('of which outcome'),
            'comparison_id' => Field::id('of which groups'),
            'time' => Field::text('when it was measured, as told'),
            'scale' => Field::text('by which'),
            'form' => Field::text('which numbers are given'),
            'given' => Field::json('the numbers, by field'),
            'evidence' => Field::json('quote, page and place, by field'),
            'note' => Field::text('of whoever took it'),
        ], fn (Review $review): Builder => DB::table('standing_results')
            ->where('review_id', $review->id)
            ->where('hand', '')
            ->select(['standing_results.*', 'row_id AS id', 'time_told AS time']), 'row_id', [
                'publication_id' => [Field::id('only of this study'), 'publication_id'],
                'outcome_id' => [Field::id('only of this outcome'), 'outcome_id'],
            ]);
    }

    private static function analyses(): Listing
    {
        return new Listing('analyses', 'Analyses that are kept, run on what there is now', [
            'id' => Field::id('the analysis'),
            'title' => Field::text('as the team calls it'),
            'terms' => Field::json('outcome, groups, measure, model and what else was chosen'),
            'studies' => Field::whole('that are pooled'),
            'estimate' => Field::number('pooled, on the scale of its measure')->orNone(),
            'low' => Field::number('of its 95 % interval')->orNone(),
            'high' => Field::number('of its 95 % interval')->orNone(),
            'i2' => Field::number('of the variation between studies, how much is more than chance, in per cent')->orNone(),
        ], fn (Review $review): Builder => DB::table('analyses')
            ->where('review_id', $review->id)
            ->whereNull('retired_at'), more: self::addPooled(...));
    }

    private static function tables(): Listing
    {
        return new Listing('tables', 'Tables of studies that are kept; their rows have an address of their own', [
            'id' => Field::id('the table'),
            'title' => Field::text('as the team calls it'),
            'terms' => Field::json('columns, filters and groups'),
            'created_at' => Field::time('when it was kept'),
        ], fn (Review $review): Builder => DB::table('saved_tables')
            ->where('review_id', $review->id)
            ->whereNull('retired_at'));
    }

    /** @param  list<stdClass>  $rows */
    private static function addPooled(array $rows, Review $review): void
    {
        $kept = KeptAnalysis::of($review)->whereIn('id', array_column($rows, 'id'))->get()->keyBy('id');
        $outcomes = ReviewOutcome::query()->where('review_id', $review->id)->get()->keyBy('id');

        foreach ($rows as $row) {
            $terms = $kept[$row->id]->asked();
            $outcome = $outcomes->get($terms->outcome);
            $analysis = $outcome === null ? null : PooledAnalysis::of($review, $terms, $outcome);

            foreach ($analysis === null ? ['studies' => 0] : self::numbers($analysis) as $name => $number) {
                $row->{$name} = $number;
            }
        }
    }

    /** @return array<string, int|float|null> */
    private static function numbers(PooledAnalysis $analysis): array
    {
        $studies = $analysis->studies();
        if ($studies === []) {
            return ['studies' => 0];
        }
        $pooled = $analysis->pooled();
        $shown = fn (?float $one): ?float => $analysis->terms->measure->shown($one, $analysis->size());

        return [
            'studies' => count($studies),
            'estimate' => $shown($pooled->estimate),
            'low' => $shown($pooled->low),
            'high' => $shown($pooled->high),
            'i2' => count($studies) > 1 ? $analysis->heterogeneity()->iSquared() : null,
        ];
    }
}
