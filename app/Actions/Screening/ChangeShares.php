<?php

declare(strict_types=1);

namespace App\Actions\Screening;

use App\Actions\Shared\Refused;
use App\Actions\Shared\TellPeople;
use App\Actions\Shared\WriteLog;
use App\Database\Locks;
use App\Models\ShareOut;
use App\Models\Stage;
use App\Models\User;
use App\Notices\NoticeKind;
use App\Queries\Screening\ShareOut\ShareOutDraft;
use App\Queries\Screening\ShareOut\Shares;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Screening\ShareOut\CannotShare;
use WaryHeron\Core\Screening\ShareOut\Plan;
use WaryHeron\Core\Screening\ShareOut\ShareOut as Core;

/** Hands undone items on to others, or takes a share-out back. What was decided stays. */
final readonly class ChangeShares
{
    public function __construct(private WriteLog $log, private TellPeople $tell)
    {
    }

    /**
     * Who would take what of somebody's undone items. Nothing is changed by it.
     *
     * @param  list<string>  $to  people
     *
     * @throws Refused If these people cannot take them all.
     */
    public function handOnPlan(Stage $stage, User $from, array $to): Plan
    {
        return $this->handedOn($stage, $from, $to, array_map(strval(...), array_keys(self::undone($stage, $from))));
    }

    /** @return array<string, \stdClass> assignments by item, in their order */
    private static function undone(Stage $stage, User $from): array
    {
        return Shares::unjudged($stage)
            ->where('assignments.user_id', $from->id)
            ->orderBy('assignments.position')
            ->get(['assignments.item_id', 'assignments.share_out_id', 'assignments.position', 'assignments.waiting'])
            ->keyBy('item_id')
            ->all();
    }

    /**
     * @param  list<string>  $to  people
     * @param  list<string>  $items
     *
     * @throws Refused If these people cannot take them all.
     */
    private function handedOn(Stage $stage, User $from, array $to, array $items): Plan
    {
        $to = array_values(array_diff($to, [$from->id]));
        if ($items === [] || $to === []) {
            throw new Refused(
                $items === [] ? "{$from->name} has nothing left to judge here." : 'Choose at least one other person.',
            );
        }
        try {
            return Core::handOn($items, $to, $this->taken($stage, $items, $to));
        } catch (CannotShare $cannot) {
            throw new Refused($cannot->getMessage());
        }
    }

    /**
     * @param  list<string>  $to  people
     * @return int how many items were handed on
     *
     * @throws Refused If these people cannot take them all.
     */
    public function handOn(User $by, Stage $stage, User $from, array $to): int
    {
        return DB::transaction(function () use ($by, $stage, $from, $to): int {
            Locks::shareOutsOf($stage->review_id);
            $undone = self::undone($stage, $from);
            $items = array_map(strval(...), array_keys($undone));
            $plan = $this->handedOn($stage, $from, $to, $items);
            Shares::unjudged($stage)->where('assignments.user_id', $from->id)->delete();
            foreach (array_chunk($items, 2000) as $part) {
                $rows = array_map(fn (string $item): array => [
                    'review_id' => $stage->review_id,
                    'stage_id' => $stage->id,
                    'item_id' => $item,
                    'user_id' => $plan->people[$item][0],
                    'share_out_id' => $undone[$item]->share_out_id,
                    'position' => $undone[$item]->position,
                    'waiting' => $undone[$item]->waiting,
                ], $part);
                DB::table('assignments')->insert($rows);
            }
            $words = 'Handed on '.number_format(count($items))." items of {$from->name}’s that were not judged";
            $about = ['from' => $from->id, 'per_person' => $plan->perPerson()];
            ($this->log)($stage->review_id, $by, 'share.handed-on', $words, $stage, $about);
            $this->tellOfHandedOn($by, $stage, $from, array_map(strval(...), array_keys($plan->perPerson())));

            return count($items);
        });
    }

    /** @param  list<string>  $to */
    private function tellOfHandedOn(User $by, Stage $stage, User $from, array $to): void
    {
        $at = [$stage->review_id, 'stage' => $stage->id];
        $grown = "Your share at “{$stage->name}” has grown";
        ($this->tell)($to, NoticeKind::ShareReady, $stage->review, $grown, route('desk', $at, false));
        $lost = "{$by->name} handed on what you had not judged at “{$stage->name}”";
        $whose = array_values(array_diff([$from->id], [$by->id]));
        ($this->tell)($whose, NoticeKind::ShareReady, $stage->review, $lost, route('share-outs', $at, false));
    }

    /** @return int how many undone judgements were taken back */
    public function withdraw(User $by, ShareOut $shareOut): int
    {
        return DB::transaction(function () use ($by, $shareOut): int {
            Locks::shareOutsOf($shareOut->review_id);
            $people = array_map(strval(...), array_keys(Shares::ofShareOut($shareOut)));
            $gone = Shares::unjudged($shareOut->stage)->where('assignments.share_out_id', $shareOut->id)->delete();
            $shareOut->update(['withdrawn_at' => now()]);
            $words = "Withdrew the share-out “{$shareOut->name}”; what was judged stays";
            ($this->log)($shareOut->review_id, $by, 'share-out.withdrawn', $words, $shareOut, ['taken_back' => $gone]);
            $others = array_values(array_diff($people, [$by->id]));
            $told = "What you had not judged of “{$shareOut->name}” was taken back";
            $where = route('share-outs', [$shareOut->review_id, 'stage' => $shareOut->stage_id], false);
            ($this->tell)($others, NoticeKind::ShareReady, $shareOut->stage->review, $told, $where);

            return $gone;
        });
    }

    /**
     * @param  list<string>  $items
     * @param  list<string>  $to
     * @return array<string, list<string>> people who have or have judged each item, or wrote it
     */
    private function taken(Stage $stage, array $items, array $to): array
    {
        $taken = [];
        $in = '{'.implode(',', $items).'}';
        foreach (
            DB::select(
                'SELECT item_id, user_id FROM assignments WHERE review_id = ? AND item_id = ANY (?::bpchar[]) UNION SELECT item_id, user_id FROM decisions WHERE review_id = ? AND item_id = ANY (?::bpchar[]) AND superseded_at IS NULL AND verdict IS NOT NULL',
                [$stage->review_id, $in, $stage->review_id, $in],
            ) as $row
        ) {
            $taken[$row->item_id][] = $row->user_id;
        }

        $publications = DB::table('items')
            ->where('review_id', $stage->review_id)
            ->whereIn('id', $items)
            ->pluck('publication_id', 'id')
            ->all();
        $own = ShareOutDraft::own($stage, $to, array_values($publications));
        foreach ($publications as $item => $publication) {
            $taken[$item] = [...$taken[$item] ?? [], ...$own[$publication] ?? []];
        }

        return $taken;
    }
}
