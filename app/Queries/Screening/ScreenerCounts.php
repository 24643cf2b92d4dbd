<?php

declare(strict_types=1);

namespace App\Queries\Screening;

use App\Models\Review;
use App\Models\Stage;
use App\Models\User;
use App\Queries\Shared\Tallies;
use stdClass;
use WaryHeron\Core\Screening\ItemState;

/** How much one person has judged at a stage, and how much waits for their judgement; the database keeps count. */
final readonly class ScreenerCounts
{
    private function __construct(public int $done, public int $left)
    {
    }

    public static function of(User $user, Stage $stage, ?Tallies $tallies = null): self
    {
        $mine = PersonTallies::sums($stage->review_id)
            ->where('stage_id', $stage->id)
            ->where('user_id', $user->id)
            ->first();

        return self::from($mine, $stage, $tallies ?? Tallies::of($stage->review, $stage));
    }

    /**
     * @param  array<string, Tallies>  $tallies  by stage
     * @return array<string, self> by stage; one query for all
     */
    public static function ofStages(User $user, Review $review, array $tallies): array
    {
        $mine = PersonTallies::sums($review->id)->where('user_id', $user->id)->get()->keyBy('stage_id');
        $counts = [];
        foreach ($review->stages as $stage) {
            $counts[$stage->id] = self::from($mine[$stage->id] ?? null, $stage, $tallies[$stage->id]);
        }

        return $counts;
    }

    /**
     * @param  list<string>  $people  by their ids
     * @return array<string, self> by person: of these, and of everybody who has judged anything
     */
    public static function byPerson(Stage $stage, Tallies $tallies, array $people): array
    {
        $rows = PersonTallies::sums($stage->review_id)->where('stage_id', $stage->id)->get()->keyBy('user_id');
        $counts = [];
        foreach ([...$people, ...$rows->where('judged', '>', 0)->keys()] as $person) {
            $counts[$person] = self::from($rows[$person] ?? null, $stage, $tallies);
        }

        return $counts;
    }

    private static function from(?stdClass $row, Stage $stage, Tallies $tallies): self
    {
        return new self(
            (int) ($row->judged ?? 0),
            $stage->work === 'shares'
                ? (int) ($row->to_judge ?? 0)
                : max(0, $tallies->in(ItemState::Waiting) - (int) ($row->unopened ?? 0)),
        );
    }
}
