<?php

declare(strict_types=1);

namespace App\Actions\FullTexts;

use App\Actions\Coding\CarryCoding;
use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Database\Locks;
use App\Models\Publication;
use App\Models\Review;
use App\Models\Study;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/** Says which publications are reports of one study. */
final readonly class LinkReports
{
    public function __construct(private WriteLog $log, private CarryCoding $carry)
    {
    }

    /**
     * @param  list<string>  $publicationIds  where one belongs to a study already, the others join it
     *
     * @throws Refused If there are fewer than two.
     */
    public function execute(User $by, Review $review, array $publicationIds, string $name = ''): Study
    {
        return DB::transaction(function () use ($by, $review, $publicationIds, $name): Study {
            Locks::studiesOf($review->id);
            $reports = self::reports($review, $publicationIds);
            $first = $reports->firstOrFail();
            $joined = array_values($reports->pluck('study_id')->filter()->unique()->all());
            $studies = fn (): Builder => Study::query()->where('review_id', $review->id);
            $study = $joined === [] ? null : $studies()->whereKey($joined[0])->first();
            $name = mb_substr($name !== '' ? $name : $first->called(), 0, 200);
            $study ??= Study::query()->create(['review_id' => $review->id, 'name' => $name, 'created_by' => $by->id]);
            Publication::query()
                ->where('review_id', $review->id)
                ->where(fn ($any) => $any->whereIn('id', $reports->pluck('id'))->orWhereIn('study_id', $joined))
                ->update(['study_id' => $study->id]);
            $studies()->whereIn('id', $joined)->whereKeyNot($study->id)->delete();
            $this->carryOn($by, $study);
            $this->tell($by, $review, $study, $reports);

            return $study;
        });
    }

    /**
     * @param  list<string>  $publicationIds
     * @return Collection<int, Publication> two or more
     */
    private static function reports(Review $review, array $publicationIds): Collection
    {
        $reports = Publication::query()
            ->where('review_id', $review->id)
            ->whereIn('id', $publicationIds)
            ->whereNull('merged_into')
            ->orderBy('year')
            ->orderBy('id')
            ->get();
        if ($reports->count() < 2) {
            throw new Refused('Choose two reports or more of one study.');
        }

        return $reports;
    }

    /** @param  Collection<int, Publication>  $reports */
    private function tell(User $by, Review $review, Study $study, Collection $reports): void
    {
        $ids = $reports->pluck('id');
        $words = "of the study “{$study->name}”";
        $this->log->each($review->id, $by, 'report.linked', "Linked as a report {$words}", $ids);
        $all = 'Linked '.number_format($ids->count())." reports {$words}";
        ($this->log)($review, $by, 'study.linked', $all, $study, ['reports' => $ids->all()]);
    }

    /** It is coded with the report that it was coded with, or with the one that has most answers. */
    private function carryOn(User $by, Study $study): void
    {
        $carried = $study->publications()->whereNull('merged_into')->whereKey($study->carried_by)->exists();
        $report = $carried ? null : CarryCoding::mostAnswered($study);
        if ($report !== null) {
            $this->carry->execute($by, $study, $report);
        }
    }

    public function rename(User $by, Study $study, string $name): void
    {
        DB::transaction(function () use ($by, $study, $name): void {
            $before = $study->name;
            $study->update(['name' => $name]);
            ($this->log)($study->review_id, $by, 'study.renamed', "Renamed the study “{$before}” to “{$name}”", $study);
        });
    }

    /** The report stands for a study of its own again; a study of which one report is left is no longer kept. */
    public function takeOut(User $by, Publication $report): void
    {
        DB::transaction(function () use ($by, $report): void {
            Locks::studiesOf($report->review_id);
            $report->refresh();
            $study = $report->study_id === null ? null : Study::query()->find($report->study_id);
            if ($study === null) {
                return;
            }
            $report->update(['study_id' => null]);
            if ($study->publications()->whereNull('merged_into')->count() < 2) {
                $study->publications()->update(['study_id' => null]);
                $study->delete();
            } else {
                $this->carryOn($by, $study);
            }
            ($this->log)(
                $report->review_id,
                $by,
                'report.unlinked',
                "Unlinked from the study “{$study->name}”: “{$report->title}”",
                $report,
            );
        });
    }
}
