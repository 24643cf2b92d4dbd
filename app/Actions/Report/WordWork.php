<?php

declare(strict_types=1);

namespace App\Actions\Report;

use App\Actions\Shared\Refused;
use App\Actions\Shared\Shown;
use App\Actions\Shared\WriteLog;
use App\Models\Review;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Words the diagram of work and lays it out. Its numbers, rules and people are as they are. */
final readonly class WordWork
{
    public const WORDED = ['work_captions', 'work_columns'];

    public function __construct(private WriteLog $log)
    {
    }

    /**
     * @param  array<string, string>  $captions  by the key of a step; an empty one goes back to the usual words
     *
     * @throws Refused If it no longer says what was shown.
     */
    public function execute(User $by, Review $review, array $captions, int $columns, Shown $shown = new Shown()): void
    {
        DB::transaction(function () use ($by, $review, $captions, $columns, $shown): void {
            $review = $review->locked();
            $did = 'changed what the diagram of work says';
            $shown->orOvertaken($review->only(self::WORDED), $by, $review, 'flow.work-worded', $did);
            $before = ['captions' => $review->work_captions, 'columns' => $review->work_columns];
            $review->update([
                'work_captions' => array_filter(
                    [...$review->work_captions, ...$captions],
                    fn (string $one): bool => $one !== '',
                ),
                'work_columns' => $columns,
            ]);
            ($this->log)($review, $by, 'flow.work-worded', ucfirst($did), $review, ['before' => $before]);
        });
    }
}
