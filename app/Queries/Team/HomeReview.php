<?php

declare(strict_types=1);

namespace App\Queries\Team;

use App\Access\Role;
use App\Models\Membership;
use App\Models\Review;
use App\Models\Stage;
use App\Models\User;
use App\Queries\FullTexts\Retrievals;
use App\Queries\Shared\Waterline;

/** One review as its members find it on their first page. */
final readonly class HomeReview
{
    private function __construct(
        public Review $review,
        public Role $role,
        public Waterline $waterline,
        public SinceVisit $since,
        public ?Stage $fullTextStage,
    ) {
    }

    /** @return list<self> those where something waits first, then as somebody was last there */
    public static function allOf(User $user): array
    {
        $memberships = Membership::query()
            ->where('user_id', $user->id)
            ->with('review.stages')
            ->orderByRaw('seen_at DESC NULLS LAST')
            ->orderByDesc('id')
            ->get();
        $reviews = $memberships->map(fn (Membership $one): self => self::of($one, $user))->all();
        usort($reviews, fn (self $a, self $b): int => ($b->waterline->waits > 0) <=> ($a->waterline->waits > 0));

        return $reviews;
    }

    private static function of(Membership $membership, User $user): self
    {
        $review = $membership->review;

        return new self(
            $review,
            $membership->role,
            Waterline::of($review, $user),
            SinceVisit::of($review, $user, $membership),
            Retrievals::stage($review),
        );
    }
}
