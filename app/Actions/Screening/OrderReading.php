<?php

declare(strict_types=1);

namespace App\Actions\Screening;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Database\Locks;
use App\Jobs\Screening\RankItems;
use App\Models\CheckSample;
use App\Models\Ranking;
use App\Models\Stage;
use App\Models\User;
use App\Queries\Screening\ReadingProgress;
use App\Queries\Shared\StageItems;
use App\Tasks\TaskRun;
use Illuminate\Support\Facades\DB;
use Random\Engine\Mt19937;
use Random\Randomizer;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\Ranking\ReadingOrder;

/** Says in which order what is left is read, and draws the random samples by which one sees how much has been found. */
final readonly class OrderReading
{
    public function __construct(private WriteLog $log)
    {
    }

    public function execute(User $by, Stage $stage, ReadingOrder $order, int $randomPercent): void
    {
        DB::transaction(function () use ($by, $stage, $order, $randomPercent): void {
            $stage = $stage->locked('review');
            if ($stage->review->isAtWork('ranking')) {
                throw new Refused('What is left is being put in order already.');
            }
            $stage->update(['reading_order' => $order, 'random_percent' => $randomPercent]);
            $drawn = $order->learns() ? ", {$randomPercent}% of it drawn at random" : '';
            $words = "What is left at “{$stage->name}” is read {$order->label()}{$drawn}";
            ($this->log)($stage->review_id, $by, 'reading.ordered', $words, $stage);
            $order === ReadingOrder::Delivery ? self::forget($stage) : self::begin($by, $stage);
        });
    }

    /** All but what is drawn to check how much was found. */
    private static function forget(Stage $stage): void
    {
        $ranks = DB::table('item_ranks')->where('review_id', $stage->review_id)->where('stage_id', $stage->id);
        (clone $ranks)->where('rank', '>=', Ranking::RANKED)->delete();
        $stage->update(['ranked' => $ranks->exists()]);
    }

    private static function begin(User $by, Stage $stage): void
    {
        $task = TaskRun::queue(
            $stage->review,
            $by->id,
            'ranking',
            "Putting what is left at “{$stage->name}” in order",
            route('reading-order', [$stage->review_id, 'stage' => $stage->id], false),
        );
        dispatch(new RankItems($stage->id, $task->id));
    }

    /** @throws Refused If the last sample has not been read, or nothing is left to draw from. */
    public function drawCheck(User $by, Stage $stage, int $size, int $seed): CheckSample
    {
        return DB::transaction(function () use ($by, $stage, $size, $seed): CheckSample {
            Locks::stage($stage->id);
            self::refuseUnread(ReadingProgress::lastCheck($stage));
            $items = StageItems::of($stage);
            $unread = (clone $items)->where('state', ItemState::Waiting->value)->orderBy('id')->pluck('id')->all();
            if ($unread === []) {
                throw new Refused('Nothing is left unread at this stage.');
            }
            $drawn = array_slice((new Randomizer(new Mt19937($seed)))->shuffleArray($unread), 0, $size);
            $check = CheckSample::query()->create([
                'review_id' => $stage->review_id,
                'stage_id' => $stage->id,
                'unread' => count($unread),
                'found_before' => (clone $items)->where('state', ItemState::Included->value)->count(),
                'seed' => $seed,
                'items' => $drawn,
                'created_by' => $by->id,
            ]);
            self::rankFirst($stage, $drawn);
            [$some, $all] = [number_format(count($drawn)), number_format(count($unread))];
            $words = "Drew {$some} of {$all} unread publications at “{$stage->name}” to check how much has been found";
            ($this->log)($stage->review_id, $by, 'check.drawn', $words, $check, ['seed' => $seed]);

            return $check;
        });
    }

    private static function refuseUnread(?CheckSample $last): void
    {
        $found = $last === null ? null : ReadingProgress::check($last);
        if ($found !== null && $found->read < $found->all) {
            throw new Refused('The last check sample has not been read to its end.');
        }
    }

    /** @param  list<string>  $items  read before everything else */
    private static function rankFirst(Stage $stage, array $items): void
    {
        $rows = array_map(fn (int $i, string $id): array => [
            'review_id' => $stage->review_id,
            'stage_id' => $stage->id,
            'item_id' => $id,
            'rank' => $i + 1,
            'drawn' => true,
        ], array_keys($items), $items);
        DB::table('item_ranks')->upsert($rows, ['review_id', 'item_id'], ['rank', 'drawn']);
        $stage->update(['ranked' => true]);
    }
}
