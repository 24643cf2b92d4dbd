<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\LogEntry;
use App\Models\Review;
use App\Models\User;
use Illuminate\Database\Eloquent\Model;

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
}
