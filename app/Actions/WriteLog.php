<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\LogEntry;
use App\Models\Review;
use App\Models\User;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Str;

/** Adds to the Log. An entry about a blinded item names it, so that nobody but its author reads it before the item opens. */
final class WriteLog
{
    /** @param  array<string, mixed>  $details */
    public function __invoke(Review|string $review, ?User $user, string $action, string $summary, ?Model $subject = null, array $details = [], ?string $blindedItem = null): void
    {
        LogEntry::query()->create([
            'review_id' => $review instanceof Review ? $review->id : $review,
            'user_id' => $user?->id,
            'action' => $action,
            'subject_type' => $subject === null ? null : class_basename($subject),
            'subject_id' => $subject?->getKey(),
            'summary' => $summary,
            'details' => $details,
            'blinded_item_id' => $blindedItem,
        ]);
    }

    /**
     * The same of many publications, each in its own history.
     *
     * @param  iterable<string>  $publications
     */
    public function each(string $reviewId, ?User $user, string $action, string $summary, iterable $publications): void
    {
        $now = now()->format('Y-m-d H:i:s.vP');
        $rows = [];
        foreach ($publications as $id) {
            $rows[] = ['id' => strtolower((string) Str::ulid()), 'review_id' => $reviewId, 'user_id' => $user?->id, 'action' => $action, 'subject_type' => 'Publication', 'subject_id' => $id, 'summary' => $summary, 'details' => '{}', 'created_at' => $now];
        }
        foreach (array_chunk($rows, 2000) as $part) {
            LogEntry::query()->insert($part);
        }
    }
}
