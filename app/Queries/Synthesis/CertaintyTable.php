<?php

declare(strict_types=1);

namespace App\Queries\Synthesis;

use App\Models\JudgedCertainty;
use App\Models\KeptAnalysis;
use App\Models\Review;
use App\Models\ReviewOutcome;

/** What is known of each outcome and how surely: all analyses that are kept, side by side. */
final class CertaintyTable
{
    /** @return list<CertaintyRow> */
    public static function of(Review $review): array
    {
        $analyses = KeptAnalysis::of($review)->get();
        $outcomes = ReviewOutcome::query()->where('review_id', $review->id)->get()->keyBy('id');
        $judged = JudgedCertainty::query()->where('review_id', $review->id)->with('user')->orderBy('created_at')->orderBy('id')->get()->keyBy('analysis_id');
        $rows = [];
        foreach ($analyses as $one) {
            $outcome = $outcomes[$one->asked()->outcome] ?? null;
            if ($outcome !== null) {
                $rows[] = new CertaintyRow($one, PooledAnalysis::of($review, $one->asked(), $outcome), $judged[$one->id] ?? null);
            }
        }

        return $rows;
    }

    /**
     * @param  list<CertaintyRow>  $rows
     * @return \Generator<int, list<string|int|null>>
     */
    public static function cells(array $rows): \Generator
    {
        yield ['analysis', 'outcome', 'studies', 'people', 'measure', 'effect (95% CI)', 'risk without, per 1,000', 'absolute effect', 'certainty', 'reasons', 'judged by'];
        foreach ($rows as $row) {
            yield [
                $row->kept->title,
                $row->pooled->outcome->name,
                $row->all->k,
                $row->pooled->people(),
                $row->pooled->terms->measure->label(),
                $row->effect(),
                $row->judged?->baseline,
                $row->absolute(),
                $row->judged?->certainty()->level()->label() ?? '',
                implode('; ', $row->judged?->certainty()->told() ?? []),
                $row->judged->user->name ?? '',
            ];
        }
    }
}
