<?php

declare(strict_types=1);

namespace App\Actions\Shared;

use App\Models\Review;
use App\Models\User;
use App\Notices\Notice;
use App\Notices\NoticeKind;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Notification;

/**
 * Sends notices once what they tell of has been kept. Somebody who has not read the last of a kind is not told again.
 */
final class TellPeople
{
    /** @param  list<string>  $userIds */
    public function __invoke(array $userIds, NoticeKind $kind, Review $review, string $text, string $url): void
    {
        $told =
            $kind === NoticeKind::Mentioned
                ? []
                : DB::table('notifications')
                    ->whereIn('notifiable_id', $userIds)
                    ->whereNull('read_at')
                    ->where('data->kind', $kind->value)
                    ->where('data->url', $url)
                    ->pluck('notifiable_id')
                    ->all();
        $untold = array_diff($userIds, $told);
        if ($untold === []) {
            return;
        }
        $people = User::query()
            ->whereIn('id', $untold)
            ->whereHas('memberships', fn ($m) => $m->where('review_id', $review->id))
            ->get();
        Notification::send($people, new Notice($kind, $review->id, $review->title, $text, $url));
    }
}
