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
use Carbon\CarbonInterface;
use Illuminate\Support\Collection;
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
            self::supersede($stage, 'decisions', 'id', $part->pluck('id'));
            DB::table('decisions')->insert(array_values($part->map(self::open($stage))->all()));
            self::supersede($stage, 'settlements', 'item_id', $part->pluck('item_id'));
            self::supersede($stage, 'proposals', 'item_id', $part->pluck('item_id'));
        }
        $this->stages->recount($stage);
        foreach ($decisions->groupBy('user_id') as $person => $theirs) {
            $this->tellOf($stage, $criterion, array_values(array_diff([(string) $person], [$by->id])), count($theirs));
        }

        return count($decisions);
    }

    /** @param  Collection<int, string>  $ids */
    private static function supersede(Stage $stage, string $table, string $column, Collection $ids): void
    {
        DB::table($table)
            ->where('review_id', $stage->review_id)
            ->whereIn($column, $ids->all())
            ->whereNull('superseded_at')
            ->update(['superseded_at' => now()]);
    }

    /** @return \Closure(\stdClass): array<string, string|CarbonInterface|null> a decision that is to be made again */
    private static function open(Stage $stage): \Closure
    {
        return fn (\stdClass $one): array => [
            'id' => strtolower((string) Str::ulid()),
            'review_id' => $stage->review_id,
            'item_id' => $one->item_id,
            'stage_id' => $stage->id,
            'user_id' => $one->user_id,
            'verdict' => null,
            'criterion_id' => null,
            'note' => '',
            'created_at' => now(),
        ];
    }

    /** @param  list<string>  $people */
    private function tellOf(Stage $stage, Criterion $criterion, array $people, int $many): void
    {
        $words = $many === 1 ? 'One of your decisions is' : "{$many} of your decisions are";
        $told = "{$words} to be made again: “{$criterion->question}” was reworded";
        $where = route('desk', [$stage->review_id, 'stage' => $stage->id], false);
        ($this->tell)($people, NoticeKind::ShareReady, $stage->review, $told, $where);
    }
}
