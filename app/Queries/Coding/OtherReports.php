<?php

declare(strict_types=1);

namespace App\Queries\Coding;

use App\Models\FullText;
use App\Models\Publication;
use App\Models\Review;

/** Copies of reports other than the one with which their study is coded, so that evidence says from which it is. */
final class OtherReports
{
    /**
     * @param  ?Publication  $of  only those of its study
     * @return array<string, string> how the report is called, by copy
     */
    public static function of(Review $review, ?Publication $of = null): array
    {
        if ($of !== null && $of->study_id === null) {
            return [];
        }
        $copies = FullText::query()
            ->with('publication')
            ->where('review_id', $review->id)
            ->whereHas('publication', fn ($report) => $report
                ->whereNotNull('study_id')
                ->when($of !== null, fn ($one) => $one->where('study_id', $of?->study_id))
                ->whereNotIn('publications.id', CodedReports::of($review)->select('publication_id')))
            ->get(['id', 'publication_id']);

        return $copies->mapWithKeys(
            fn (FullText $one): array => [$one->id => $one->publication?->called() ?? ''],
        )->all();
    }
}
