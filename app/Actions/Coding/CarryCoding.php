<?php

declare(strict_types=1);

namespace App\Actions\Coding;

use App\Actions\Shared\WriteLog;
use App\Models\Answer;
use App\Models\Publication;
use App\Models\Study;
use App\Models\StudyPart;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * Says with which of its reports a study is coded. What other reports were answered and this one was not goes along, with
 * its coder and its evidence; where both were answered, what the other says stays there, to be looked at.
 */
final readonly class CarryCoding
{
    public function __construct(private WriteLog $log)
    {
    }

    public function execute(User $by, Study $study, Publication $report): void
    {
        DB::transaction(function () use ($by, $study, $report): void {
            $study = $study->locked();
            if ($study->carried_by !== $report->id && $report->study_id === $study->id) {
                $study->update(['carried_by' => $report->id]);
                self::carryShares($study, $report);
                ($this->log)(
                    $study->review_id,
                    $by,
                    'study.carried',
                    "Said that the study “{$study->name}” is coded with “{$report->title}”",
                    $report,
                    ['brought' => $this->bringAnswers($study, $report)],
                );
            }
        });
    }

    /** The report of a study that has most answers, the earliest of several. */
    public static function mostAnswered(Study $study): ?Publication
    {
        return $study->publications()
            ->whereNull('merged_into')
            ->orderByDesc(
                Answer::query()
                    ->selectRaw('count(*)')
                    ->whereColumn('answers.review_id', 'publications.review_id')
                    ->whereColumn('answers.publication_id', 'publications.id')
                    ->whereNull('superseded_at'),
            )
            ->orderByRaw('year NULLS LAST')
            ->orderBy('id')
            ->first();
    }

    /** Who was to code the study codes it with this report, and it stays in the in-depth subset or out of it. */
    private static function carryShares(Study $study, Publication $report): void
    {
        $others = $study->publications()->whereKeyNot($report->id)->pluck('id')->all();
        foreach (['coding_shares', 'depth_studies'] as $table) {
            $rows = DB::table($table)->where('review_id', $study->review_id)->whereIn('publication_id', $others);
            $moved = array_map(
                fn (stdClass $one): array => ['publication_id' => $report->id] + (array) $one,
                (clone $rows)->get()->all(),
            );
            DB::table($table)->insertOrIgnore($moved);
            $rows->delete();
        }
    }

    /** @return int how many */
    private function bringAnswers(Study $study, Publication $report): int
    {
        $others = $study->publications()->whereKeyNot($report->id)->pluck('id')->all();
        $parts = self::bringParts($study, $report, $others);
        $key = fn (Answer $one): string => "{$one->code_id} {$one->part_id} {$one->hand}";
        $has = self::answers($study, [$report->id])->map($key)->flip()->all();
        $brought = 0;
        foreach (self::answers($study, $others) as $answer) {
            $part = $answer->part_id === null ? null : $parts[$answer->part_id];
            $here = $answer->replicate(['created_at', 'updated_at']);
            $here->fill(['publication_id' => $report->id, 'part_id' => $part]);
            if (! isset($has[$key($here)])) {
                $has[$key($here)] = true;
                $brought++;
                $here->save();
            }
        }

        return $brought;
    }

    /**
     * @param  array<string>  $reports
     * @return Collection<int, Answer>
     */
    private static function answers(Study $study, array $reports): Collection
    {
        return Answer::query()
            ->where('review_id', $study->review_id)
            ->whereIn('publication_id', $reports)
            ->whereNull('superseded_at')
            ->orderBy('id')
            ->get();
    }

    /**
     * Parts that other reports name and this one does not go along.
     *
     * @param  array<mixed>  $others
     * @return array<string, string> which part of this report each is now
     */
    private static function bringParts(Study $study, Publication $report, array $others): array
    {
        $name = fn (StudyPart $one): string => $one->kind.' '.mb_strtolower($one->name);
        $here = StudyPart::of($report)->get()->keyBy($name);
        $parts = [];
        foreach (StudyPart::query()->where('review_id', $study->review_id)->whereIn('publication_id', $others)->get() as $part) {
            $same = $here->get($name($part));
            $parts[$part->id] = $same->id ?? $part->id;
            if ($same === null) {
                $here->put($name($part), $part);
                StudyPart::query()
                    ->where('review_id', $study->review_id)
                    ->whereKey($part->id)
                    ->update(['publication_id' => $report->id]);
            }
        }

        return $parts;
    }
}
