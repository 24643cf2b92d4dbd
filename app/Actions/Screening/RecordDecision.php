<?php

declare(strict_types=1);

namespace App\Actions\Screening;

use App\Actions\Shared\Refused;
use App\Actions\Shared\TellPeople;
use App\Actions\Shared\WriteLog;
use App\Database\Locks;
use App\Jobs\Screening\RankItems;
use App\Models\Criterion;
use App\Models\Decision;
use App\Models\Item;
use App\Models\Ranking;
use App\Models\Stage;
use App\Models\User;
use App\Notices\NoticeKind;
use App\Queries\Shared\Tallies;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Screening\BallotClosed;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\Verdict;

/** Keeps a person's verdict on an item, or takes it back. The item opens by itself when the last decision comes in. */
final readonly class RecordDecision
{
    private const LEARN_AFTER = 20;

    private const LEARNING_SECONDS = 600;

    /** More than can be closing at once: the database takes 80 connections. */
    private const LAST_FEW = 100;

    public function __construct(private WriteLog $log, private TellPeople $tell)
    {
    }

    /**
     * @param  array<string, string>  $answers  yes, no or unclear by criterion
     * @param  ?string  $seen  the decision of mine that the page showed, '' for none, null where it does not say
     * @param  ?string  $clientKey  the same key again is the same decision again
     *
     * @throws Refused If the item has opened, or my decision is another one than the page showed.
     */
    public function execute(
        User $by,
        Item $item,
        Verdict $verdict,
        ?Criterion $criterion,
        string $note,
        ?string $seen = null,
        ?string $clientKey = null,
        array $answers = [],
    ): Decision {
        $values = [
            'verdict' => $verdict,
            'criterion_id' => $criterion?->id,
            'note' => $note,
            'client_key' => $clientKey,
            'answers' => (object) $answers,
        ];

        return DB::transaction(function () use ($by, $item, $values, $seen): Decision {
            $ballot = ItemBallot::locked($item, $by, $values['client_key']);
            if ($ballot->before !== null) {
                return Decision::query()->findOrFail($ballot->before)->setRelation('item', $ballot->item);
            }
            $ballot->mustTakePart();
            $this->mustBeTheirs($ballot);
            $this->mustBeSeen($ballot->mine, $seen);
            $own = $ballot->decision($by->id, $values['verdict'], $values['criterion_id']);
            $closed = $this->tried(fn () => $ballot->ballot->with($own));

            return $this->replace($by, $ballot, $closed, $values, 'decision.recorded', 'Decided on');
        });
    }

    /** @throws Refused If the item is not in disagreement or I did not decide on it. */
    public function rethink(User $by, Item $item, Verdict $verdict, ?Criterion $criterion, string $note): Decision
    {
        return DB::transaction(function () use ($by, $item, $verdict, $criterion, $note): Decision {
            $ballot = ItemBallot::locked($item, $by);
            $ballot->mustTakePart();
            $after = $this->tried(
                fn () => $ballot->ballot->rethought($ballot->decision($by->id, $verdict, $criterion?->id)),
            );

            return $this->replace(
                $by,
                $ballot,
                $after,
                ['verdict' => $verdict, 'criterion_id' => $criterion?->id, 'note' => $note],
                'decision.rethought',
                'Changed their mind about',
            );
        });
    }

    /** @throws Refused If the item has opened or there is nothing to take back. */
    public function takeBack(User $by, Item $item): Decision
    {
        return DB::transaction(function () use ($by, $item): Decision {
            $ballot = ItemBallot::locked($item, $by);
            $ballot->mustTakePart();
            $without = $this->tried(fn () => $ballot->ballot->without($by->id));

            return $this->replace(
                $by,
                $ballot,
                $without,
                ['verdict' => null, 'criterion_id' => null, 'note' => ''],
                'decision.taken-back',
                'Took back the decision on',
            );
        });
    }

    /** @param  array<string, mixed>  $values */
    private function replace(
        User $by,
        ItemBallot $ballot,
        \WaryHeron\Core\Screening\Ballot $after,
        array $values,
        string $action,
        string $says,
    ): Decision {
        $item = $ballot->item;
        if ($ballot->mine !== null) {
            Decision::query()->whereKey($ballot->mine->id)->update(['superseded_at' => now()]);
        }
        $of = ['review_id' => $item->review_id, 'item_id' => $item->id, 'stage_id' => $item->stage_id];
        $decision = Decision::query()->create([...$values, ...$of, 'user_id' => $by->id]);
        $wasOpen = $item->state->isOpen();
        $opened = $ballot->keep($after)->state->isOpen() && ! $wasOpen;
        $title = $item->publication->title;
        $said = array_filter(['verdict' => $decision->verdict?->value, 'criterion' => $decision->criterion_id]);
        $entries = [
            WriteLog::entry($item->review_id, $by, $action, "{$says} “{$title}”", $decision, $said, $item->id),
        ];
        if ($opened) {
            $words = "All decisions are in on “{$title}”";
            $entries[] = WriteLog::entry($item->review_id, null, 'item.opened', $words, $item);
        }
        $this->log->keep($entries);
        $decision->setRelation('item', $item);
        if ($opened) {
            $this->tellOf($ballot, $after);
        }

        return $decision;
    }

    private function tellOf(ItemBallot $ballot, \WaryHeron\Core\Screening\Ballot $after): void
    {
        $stage = $ballot->stage;
        if ($ballot->item->state === ItemState::Disagreement) {
            $words = "Disagreements wait at “{$stage->name}”";
            $where = route('disagreements', [$stage->review_id, 'stage' => $stage->id], false);
            ($this->tell)($after->people(), NoticeKind::Disagreement, $stage->review, $words, $where);
        }
        $tallies = $this->tallies($stage);
        if ($stage->reading_order->learns()) {
            $this->learnAnew($stage, $tallies->in(ItemState::Included, ItemState::Excluded));
        }
        if ($tallies->in(ItemState::Waiting) === 0) {
            $words = "All decisions are in at “{$stage->name}”";
            $where = route('screening', [$stage->review_id, 'stage' => $stage->id], false);
            ($this->tell)($stage->review->leads(), NoticeKind::StageDone, $stage->review, $words, $where);
        }
    }

    /**
     * Of the last few, somebody else may just be closing one that is not kept yet: then one after the other, so that
     * whoever is last knows it.
     */
    private function tallies(Stage $stage): Tallies
    {
        $tallies = Tallies::of($stage->review, $stage);
        $waiting = $tallies->in(ItemState::Waiting);
        if ($waiting === 0 || $waiting > self::LAST_FEW) {
            return $tallies;
        }
        Locks::lastOf($stage->id);

        return Tallies::of($stage->review, $stage);
    }

    /** The order follows what has opened, in steps: each costs a look at everything that is left. */
    private function learnAnew(Stage $stage, int $open): void
    {
        $before = (int) Ranking::query()
            ->where('review_id', $stage->review_id)
            ->where('stage_id', $stage->id)
            ->orderByDesc('id')
            ->value('judged');
        if (
            $open >= $before + max(self::LEARN_AFTER, intdiv($before, 10)) &&
            Cache::add("ranking {$stage->id} {$before}", true, self::LEARNING_SECONDS)
        ) {
            dispatch(new RankItems($stage->id));
        }
    }

    private function mustBeTheirs(ItemBallot $ballot): void
    {
        if ($ballot->stage->work === 'shares' && ! $ballot->isShared) {
            throw new Refused('This item is in other people’s shares. The lead can add it to yours.');
        }
    }

    private function mustBeSeen(?stdClass $mine, ?string $seen): void
    {
        $standing = $mine?->verdict === null ? '' : $mine->id;
        if ($seen !== null && $seen !== $standing) {
            $what = $mine?->verdict === null ? 'taken back' : "changed to {$mine->verdict}";
            throw new Refused(
                "Your decision on this item was {$what} in another window. What stands there is shown now; decide again if you want to change it.",
            );
        }
    }

    /** @param  callable(): \WaryHeron\Core\Screening\Ballot  $try */
    private function tried(callable $try): \WaryHeron\Core\Screening\Ballot
    {
        try {
            return $try();
        } catch (BallotClosed $closed) {
            throw new Refused($closed->getMessage());
        }
    }
}
