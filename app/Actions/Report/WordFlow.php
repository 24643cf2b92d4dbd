<?php

declare(strict_types=1);

namespace App\Actions\Report;

use App\Actions\Shared\Refused;
use App\Actions\Shared\Shown;
use App\Actions\Shared\WriteLog;
use App\Models\Review;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/**
 * Words the lines of the flow diagram, and says what an earlier version of the review included. Its numbers are never
 * typed.
 */
final readonly class WordFlow
{
    public const WORDED = ['flow_captions', 'previous_studies', 'previous_reports'];

    public function __construct(private WriteLog $log)
    {
    }

    /**
     * @param  array<string, string>  $captions  by the key of a line; empty ones go back to the usual words
     * @param  ?array<string, int>  $previous  studies and reports of the version that this one updates
     *
     * @throws Refused If it no longer says what was shown.
     */
    public function execute(User $by, Review $review, array $captions, ?array $previous, Shown $shown = new Shown()): void
    {
        DB::transaction(function () use ($by, $review, $captions, $previous, $shown): void {
            $review = $review->locked();
            $shown->orOvertaken($review->only(self::WORDED), $by, $review, 'flow.worded', 'changed what the flow diagram says');
            $before = self::worded($review);
            $review->update([
                'flow_captions' => array_filter(
                    [...$review->flow_captions, ...$captions],
                    fn (string $caption): bool => $caption !== '',
                ),
                'previous_studies' => $previous['studies'] ?? null,
                'previous_reports' => $previous['reports'] ?? null,
            ]);
            $about = ['before' => $before, 'after' => self::worded($review)];
            ($this->log)($review, $by, 'flow.worded', 'Changed what the flow diagram says', $review, $about);
        });
    }

    /** @return array<string, array<string, string>|list<?int>> */
    private static function worded(Review $review): array
    {
        return [
            'captions' => $review->flow_captions,
            'previous' => [$review->previous_studies, $review->previous_reports],
        ];
    }
}
