<?php

declare(strict_types=1);

namespace App\Queries\Screening\ShareOut;

use App\Models\Review;
use App\Models\ShareOut;
use App\Models\Stage;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;

/** What is shared out at a stage already, and what is not. */
final readonly class MadeShareOuts
{
    /**
     * @param  Collection<int, ShareOut>  $shareOuts  the newest first
     * @param  array<string, array<string, ShareProgress>>  $progress  by share-out, then person
     * @param  array<string, string>  $names  by person, those who have left the team too
     * @param  int  $unshared  items that wait in nobody's share
     * @param  int  $lackingOne  items that have all their judges but one
     */
    private function __construct(
        public Collection $shareOuts,
        public array $progress,
        public array $names,
        public int $unshared,
        public int $lackingOne,
    ) {
    }

    /** @param  iterable<User>  $screeners  of the review */
    public static function of(Review $review, Stage $stage, iterable $screeners): self
    {
        $progress = Shares::progress($stage);
        $sharing = array_merge(...array_map(array_keys(...), array_values($progress)) ?: [[]]);
        $left = User::query()->whereKey($sharing)->get();

        return new self(
            ShareOut::query()
                ->where('review_id', $review->id)
                ->where('stage_id', $stage->id)
                ->with('creator')
                ->orderByDesc('id')
                ->get(),
            $progress,
            (new Collection($screeners))->concat($left)->pluck('name', 'id')->all(),
            Shares::unshared($stage),
            Shares::lackingOne($stage),
        );
    }
}
