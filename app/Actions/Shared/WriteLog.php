<?php

declare(strict_types=1);

namespace App\Actions\Shared;

use App\Models\Review;
use App\Models\User;
use Carbon\CarbonInterface;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Adds to the Log. An entry about a blinded item names it, so that nobody but its author reads it before the item
 * opens.
 */
final class WriteLog
{
    /** @param  array<string, mixed>  $details */
    public function __invoke(
        Review|string $review,
        ?User $user,
        string $action,
        string $summary,
        ?Model $subject = null,
        array $details = [],
        ?string $blindedItem = null,
    ): void {
        $this->keep([self::entry($review, $user, $action, $summary, $subject, $details, $blindedItem)]);
    }

    /**
     * What one entry says, to be kept together with others.
     *
     * @param  array<string, mixed>  $details
     * @return array<string, string|CarbonInterface|null>
     */
    public static function entry(
        Review|string $review,
        ?User $user,
        string $action,
        string $summary,
        ?Model $subject = null,
        array $details = [],
        ?string $blindedItem = null,
    ): array {
        return [
            'id' => strtolower((string) Str::ulid()),
            'review_id' => $review instanceof Review ? $review->id : $review,
            'user_id' => $user?->id,
            'action' => $action,
            'subject_type' => $subject === null ? null : class_basename($subject),
            'subject_id' => $subject?->getKey(),
            'summary' => $summary,
            'details' => json_encode((object) $details, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
            'blinded_item_id' => $blindedItem,
            'created_at' => now(),
        ];
    }

    /** @param  list<array<string, mixed>>  $entries */
    public function keep(array $entries): void
    {
        foreach (array_chunk($entries, 2000) as $part) {
            DB::table('log_entries')->insert($part);
        }
    }

    /**
     * The same of many publications, each in its own history.
     *
     * @param  iterable<string>  $publications
     */
    public function each(string $reviewId, ?User $user, string $action, string $summary, iterable $publications): void
    {
        $same = self::entry($reviewId, $user, $action, $summary);
        $entries = [];
        foreach ($publications as $id) {
            $entries[] =
                ['id' => strtolower((string) Str::ulid()), 'subject_type' => 'Publication', 'subject_id' => $id] +
                $same;
        }
        $this->keep($entries);
    }
}
