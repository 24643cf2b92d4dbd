<?php

declare(strict_types=1);

namespace App\Queries\Coding;

use App\Models\Publication;
use App\Models\Review;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * The reports with which studies are coded: of each included study one, so that no study is coded or counted twice. A
 * report that is linked with no other stands for its study.
 */
final class CodedReports
{
    public static function of(Review $review): Builder
    {
        return DB::table('coded_reports')
            ->where('coded_reports.review_id', $review->id)
            ->where('coded_reports.stage_id', $review->lastStage()->id);
    }

    public static function count(Review $review): int
    {
        return self::of($review)->count();
    }

    /** @return list<string> publications, in an order that does not change */
    public static function ids(Review $review): array
    {
        return array_values(
            array_map(strval(...), self::of($review)->orderBy('publication_id')->pluck('publication_id')->all()),
        );
    }

    /** The report with which the study of this one is coded; null where it is this one, or nothing of it is included. */
    public static function instead(Review $review, Publication $report): ?Publication
    {
        if ($report->study_id === null) {
            return null;
        }
        $carrying = self::of($review)->where('coded_reports.study', $report->study_id)->value('publication_id');

        return $carrying === null || $carrying === $report->id
            ? null
            : Publication::query()->where('review_id', $review->id)->whereKey($carrying)->first();
    }
}
