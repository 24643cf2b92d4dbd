<?php

declare(strict_types=1);

namespace App\Queries\FullTexts;

use App\Models\Review;
use App\Models\ReviewVersion;
use App\Queries\Library\Filter\SinceVersionFilter;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\FullText\ReportOfStudy;
use WaryHeron\Core\FullText\SameStudy;
use WaryHeron\Core\Screening\ItemState;

/** Studies and the reports that tell of them; a report that is linked with none stands for a study of its own. */
final class Studies
{
    /** @return list<string> publications that are included */
    public static function includedReports(Review $review): array
    {
        return array_values(self::reports($review)->orderBy('publications.id')->pluck('publications.id')->all());
    }

    /** How many studies the included reports tell of; of those alone that are new since a version. */
    public static function included(Review $review, ?ReviewVersion $since = null): int
    {
        $reports = self::reports($review);
        if ($since !== null) {
            SinceVersionFilter::leaveNew($reports, 'publications.id', $since);
        }

        return $reports->distinct()->count(DB::raw('coalesce(publications.study_id, publications.id)'));
    }

    /** Included reports in the last stage that there is. */
    private static function reports(Review $review): Builder
    {
        return DB::table('items')
            ->join('publications', 'publications.id', '=', 'items.publication_id')
            ->whereColumn('publications.review_id', 'items.review_id')
            ->where('items.review_id', $review->id)
            ->where('items.stage_id', $review->lastStage()->id)
            ->where('items.state', ItemState::Included->value);
    }

    /** @return list<ListedStudy> studies of several reports first */
    public static function list(Review $review): array
    {
        $studies = [];
        foreach (self::named($review)->get() as $report) {
            $studies[$report->study_id ?? $report->id][] = $report;
        }
        $listed = array_map(fn (array $reports): ListedStudy => new ListedStudy($reports), array_values($studies));
        usort($listed, fn (ListedStudy $a, ListedStudy $b): int => ($a->id === null) <=> ($b->id === null));

        return $listed;
    }

    /** Reports with the names of their studies. */
    private static function named(Review $review): Builder
    {
        return self::reports($review)
            ->leftJoin('studies', 'studies.id', '=', 'publications.study_id')
            ->orderBy('publications.first_author')
            ->orderBy('publications.year')
            ->orderBy('publications.id')
            ->select(['publications.id', 'title', 'authors', 'first_author', 'publications.year', 'journal'])
            ->addSelect(['publications.study_id', 'studies.name']);
    }

    /** @return list<ReportsOfOneStudy> */
    public static function leads(Review $review): array
    {
        $rows = self::reports($review)
            ->limit(2000)
            ->select(['publications.id', 'title', 'authors', 'publications.year', 'abstract', 'publications.study_id'])
            ->get()
            ->keyBy('id');
        $told = [];
        foreach (SameStudy::leads(array_values($rows->map(self::report(...))->all())) as $lead) {
            [$one, $other] = [$rows[$lead->one] ?? new stdClass(), $rows[$lead->other] ?? new stdClass()];
            $studies = [$one->study_id ?? $one->id, $other->study_id ?? $other->id];
            sort($studies);
            // what is linked already is no lead, and of two studies the firmest one says enough
            if ($studies[0] !== $studies[1]) {
                $told[implode(' ', $studies)] ??= new ReportsOfOneStudy(
                    [$one, $other],
                    $lead->confidence,
                    $lead->because,
                );
            }
        }

        return array_values($told);
    }

    private static function report(stdClass $row): ReportOfStudy
    {
        $authors = array_values(array_filter(explode('; ', $row->authors)));

        return new ReportOfStudy($row->id, $row->title, $authors, (int) $row->year, $row->abstract);
    }
}
