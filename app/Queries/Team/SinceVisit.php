<?php

declare(strict_types=1);

namespace App\Queries\Team;

use App\Models\Membership;
use App\Models\Review;
use App\Models\User;
use App\Queries\Report\LogFilters;
use App\Queries\Shared\Visibility;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** What others did in a review since one was last there, by area, as far as one may see it. */
final readonly class SinceVisit
{
    /** @param  array<string, int>  $entries  of the Log by area, without those of which there are none */
    private function __construct(public ?CarbonImmutable $at, public array $entries)
    {
    }

    public static function of(Review $review, User $user, Membership $membership): self
    {
        $isThere = $membership->seen_at?->greaterThan(now()->subMinutes(Membership::MINUTES_AWAY)) === true;
        $at = $isThere ? $membership->visited_at : $membership->seen_at;

        return new self($at, $at === null ? [] : self::entries($review, $user, $at));
    }

    /** @return array<string, int> */
    private static function entries(Review $review, User $user, CarbonImmutable $at): array
    {
        // what was written later sorts later: the key serves as an index on time
        $from = strtolower(substr((string) Str::ulid($at), 0, 10)).str_repeat('0', 16);
        $log = DB::table('log_entries')
            ->where('log_entries.review_id', $review->id)
            ->where('log_entries.id', '>=', $from)
            ->where('log_entries.user_id', '<>', $user->id);
        Visibility::log($log, $user);
        $counts = $log
            ->selectRaw("split_part(log_entries.action, '.', 1) AS about, count(*) AS entries")
            ->groupBy('about')
            ->pluck('entries', 'about');
        $entries = [];
        foreach (LogFilters::AREAS as $area => $abouts) {
            $entries[$area] = (int) $counts->only($abouts)->sum();
        }

        return array_filter($entries);
    }
}
