<?php

declare(strict_types=1);

namespace App\Actions\Question;

use App\Actions\Shared\Refused;
use App\Actions\Shared\Shown;
use App\Actions\Shared\WriteLog;
use App\Models\Criterion;
use App\Models\Review;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

final readonly class ChangeCriteria
{
    public function __construct(private WriteLog $log)
    {
    }

    public function add(User $by, Review $review, string $question, string $reason): Criterion
    {
        return $review->whileLocked(function () use ($by, $review, $question, $reason): Criterion {
            $criterion = $review
                ->criteria()
                ->create([
                    'position' => 1 + (int) $review->criteria()->max('position'),
                    'question' => $question,
                    'reason' => $reason,
                ]);
            ($this->log)($review, $by, 'criterion.added', "Added the criterion “{$question}”", $criterion);

            return $criterion;
        });
    }

    /** @throws Refused If it is no longer as it was shown. */
    public function reword(
        User $by,
        Review $review,
        Criterion $criterion,
        string $question,
        string $reason,
        Shown $shown = new Shown(),
    ): void {
        DB::transaction(function () use ($by, $review, $criterion, $question, $reason, $shown): void {
            $criterion = $criterion->locked();
            $before = $criterion->only('question', 'reason');
            if ($before === ['question' => $question, 'reason' => $reason]) {
                return;
            }
            $shown->orOvertaken($before, $by, $criterion, 'criterion.reworded', "reworded “{$criterion->question}”");
            self::keepWording($by, $criterion);
            $version = $criterion->version + 1;
            $now = ['question' => $question, 'reason' => $reason, 'version' => $version, 'reworded_at' => now()];
            $criterion->update($now);
            $about = ['before' => $before, 'version' => $version];
            ($this->log)($review, $by, 'criterion.reworded', "Reworded the criterion “{$question}”", $criterion, $about);
        });
    }

    private static function keepWording(User $by, Criterion $criterion): void
    {
        DB::table('criterion_wordings')->insert([
            'review_id' => $criterion->review_id,
            'id' => strtolower((string) Str::ulid()),
            'criterion_id' => $criterion->id,
            ...$criterion->only('version', 'question', 'reason'),
            'until' => now(),
            'user_id' => $by->id,
        ]);
    }

    /** What was decided by the older wording stands; it is no longer asked about. */
    public function leave(User $by, Review $review, Criterion $criterion): void
    {
        DB::transaction(function () use ($by, $review, $criterion): void {
            $criterion->update(['older_left_at' => now()]);
            ($this->log)(
                $review,
                $by,
                'criterion.older-left',
                "Left standing what was decided by the older wording of “{$criterion->question}”",
                $criterion,
            );
        });
    }

    /** Up or down by one place among the criteria in use. */
    public function move(User $by, Review $review, Criterion $criterion, int $by_places): void
    {
        DB::transaction(function () use ($by, $review, $criterion, $by_places): void {
            $ids = array_values($review->criteria()->whereNull('retired_at')->lockForUpdate()->pluck('id')->all());
            $at = array_search($criterion->id, $ids, true);
            $to = $at === false ? -1 : $at + $by_places;
            if ($at === false || $to < 0 || $to >= count($ids)) {
                return;
            }
            array_splice($ids, $at, 1);
            array_splice($ids, $to, 0, [$criterion->id]);
            DB::update(
                'UPDATE criteria SET position = o.position FROM unnest(?::text[]) WITH ORDINALITY AS o (id, position) WHERE criteria.id = o.id AND review_id = ?',
                ['{'.implode(',', $ids).'}', $review->id],
            );
            ($this->log)(
                $review,
                $by,
                'criterion.moved',
                "Moved the criterion “{$criterion->question}” to place ".($to + 1),
                $criterion,
            );
        });
    }

    /** It is no longer offered; exclusions that name it keep it. */
    public function retire(User $by, Review $review, Criterion $criterion): void
    {
        DB::transaction(function () use ($by, $review, $criterion): void {
            $criterion->update(['retired_at' => now()]);
            ($this->log)(
                $review,
                $by,
                'criterion.retired',
                "Retired the criterion “{$criterion->question}”",
                $criterion,
            );
        });
    }
}
