<?php

declare(strict_types=1);

namespace App\Actions\Screening;

use App\Actions\Shared\TellPeople;
use App\Actions\Shared\WriteLog;
use App\Models\Criterion;
use App\Models\Review;
use App\Models\Stage;
use App\Models\User;
use App\Notices\NoticeKind;
use App\Queries\Question\OlderWording;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Lets decisions that rest on the older wording of a criterion be made once more. They are kept as history; whoever
 * made them is asked again, and their items stand as the decisions that are left make them stand.
 */
final readonly class SendRoundAgain
{
    private const PART = 1000;

    public function __construct(private WriteLog $log, private TellPeople $tell, private ChangeStage $stages)
    {
    }

    /** @return int how many decisions */
    public function execute(User $by, Review $review, Criterion $criterion): int
    {
        return DB::transaction(function () use ($by, $review, $criterion): int {
            $all = 0;
            foreach ($review->stages as $stage) {
                $all += $this->at($stage, $criterion, $by);
            }
            if ($all > 0) {
                ($this->log)(
                    $review,
                    $by,
                    'criterion.sent-round',
                    "Sent {$all} decisions round again that rested on the older wording of “{$criterion->question}”",
                    $criterion,
                    ['decisions' => $all],
                );
            }

            return $all;
        });
    }

    private function at(Stage $stage, Criterion $criterion, User $by): int
    {
        $stage = $this->stages->alone($stage);
        $decisions = OlderWording::decisions($criterion)
            ->where('decisions.stage_id', $stage->id)
            ->orderBy('decisions.id')
            ->get(['decisions.id', 'decisions.item_id', 'decisions.user_id']);
        if ($decisions->isEmpty()) {
            return 0;
        }
        foreach ($decisions->chunk(self::PART) as $part) {
            DB::table('decisions')
                ->where('review_id', $stage->review_id)
                ->whereIn('id', $part->pluck('id')->all())
                ->update(['superseded_at' => now()]);
            DB::table('decisions')->insert(
                array_values(
                    $part
                        ->map(
                            fn (object $one): array => [
                                'id' => strtolower((string) Str::ulid()),
                                'review_id' => $stage->review_id,
                                'item_id' => $one->item_id,
                                'stage_id' => $stage->id,
                                'user_id' => $one->user_id,
                                'verdict' => null,
                                'criterion_id' => null,
                                'note' => '',
                                'created_at' => now(),
                            ],
                        )
                        ->all(),
                ),
            );
            foreach (['settlements', 'proposals'] as $table) {
                DB::table($table)
                    ->where('review_id', $stage->review_id)
                    ->whereIn('item_id', $part->pluck('item_id')->all())
                    ->whereNull('superseded_at')
                    ->update(['superseded_at' => now()]);
            }
        }
        $this->stages->recount($stage);
        foreach ($decisions->groupBy('user_id') as $person => $theirs) {
            $words = count($theirs) === 1 ? 'One of your decisions is' : count($theirs).' of your decisions are';
            ($this->tell)(
                array_values(array_diff([(string) $person], [$by->id])),
                NoticeKind::ShareReady,
                $stage->review,
                "{$words} to be made again: “{$criterion->question}” was reworded",
                route('desk', [$stage->review_id, 'stage' => $stage->id], false),
            );
        }

        return count($decisions);
    }
}
