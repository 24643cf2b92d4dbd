<?php

declare(strict_types=1);

namespace App\Actions\Screening;

use App\Access\Ability;
use App\Actions\Shared\Refused;
use App\Actions\Shared\TellPeople;
use App\Actions\Shared\WriteLog;
use App\Models\Criterion;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\Settlement;
use App\Models\User;
use App\Notices\NoticeKind;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Screening\Ballot;
use WaryHeron\Core\Screening\BallotClosed;
use WaryHeron\Core\Screening\Decision;
use WaryHeron\Core\Screening\HowSettled;
use WaryHeron\Core\Screening\Settler;
use WaryHeron\Core\Screening\Verdict;

/** Ends a disagreement: one person alone where the stage has it so, or its people by proposing the same. */
final readonly class SettleItem
{
    public function __construct(private WriteLog $log, private TellPeople $tell)
    {
    }

    /** @throws Refused If the stage leaves it to others, or the item is still blinded. */
    public function alone(User $by, Item $item, Verdict $verdict, ?Criterion $criterion, string $note): void
    {
        DB::transaction(function () use ($by, $item, $verdict, $criterion, $note): void {
            $ballot = ItemBallot::locked($item);
            $adjudicates = $by->roleIn($ballot->stage->review)?->may(Ability::Settle) === true;
            self::refuseUnless($ballot, $by, $adjudicates);
            $how = $adjudicates ? HowSettled::Lead : HowSettled::Third;
            $this->settle($by, $ballot, $verdict, $criterion?->id, $note, $how);
        });
    }

    private static function refuseUnless(ItemBallot $ballot, User $by, bool $adjudicates): void
    {
        $settler = $ballot->stage->settled_by;
        if (! $settler->alone($adjudicates, in_array($by->id, $ballot->ballot->people(), true))) {
            throw new Refused(
                $settler === Settler::Third
                    ? 'You decided on this item, so a third person settles it, or those who decided by agreement.'
                    : 'At this stage the review lead settles what those who decided cannot agree on.',
            );
        }
    }

    /**
     * Settled at once when everybody who decided now proposes the same verdict and reason.
     *
     * @return bool whether the item is settled now
     */
    public function propose(User $by, Item $item, Verdict $verdict, ?Criterion $criterion, string $note): bool
    {
        return DB::transaction(function () use ($by, $item, $verdict, $criterion, $note): bool {
            $ballot = ItemBallot::locked($item);
            self::refuseProposal($by, $ballot);
            $proposal = self::proposal($by, $item, $verdict, $criterion, $note);
            $words = "Proposed to {$verdict->value} “{$ballot->item->publication->title}”";
            ($this->log)($item->review_id, $by, 'settlement.proposed', $words, $proposal, [], $item->id);
            $agreed = self::isAgreed($ballot, $proposal);
            $agreed
                ? $this->settle($by, $ballot, $verdict, $criterion?->id, $note, HowSettled::Agreement)
                : $this->tellOthers($by, $ballot);

            return $agreed;
        });
    }

    /** In the place of what this person had proposed. */
    private static function proposal(
        User $by,
        Item $item,
        Verdict $verdict,
        ?Criterion $criterion,
        string $note,
    ): Proposal {
        self::proposals($item)->where('user_id', $by->id)->update(['superseded_at' => now()]);

        return Proposal::query()->create([
            'review_id' => $item->review_id,
            'item_id' => $item->id,
            'stage_id' => $item->stage_id,
            'user_id' => $by->id,
            'verdict' => $verdict,
            'criterion_id' => $criterion?->id,
            'note' => $note,
        ]);
    }

    /** @return Builder<Proposal> those that stand */
    private static function proposals(Item $item): Builder
    {
        return Proposal::query()
            ->where('review_id', $item->review_id)
            ->where('item_id', $item->id)
            ->whereNull('superseded_at');
    }

    private static function isAgreed(ItemBallot $ballot, Proposal $as): bool
    {
        $people = $ballot->ballot->people();
        $alike = self::proposals($ballot->item)->whereIn('user_id', $people)->get()->filter(
            fn (Proposal $one): bool => $one->verdict === $as->verdict && $one->criterion_id === $as->criterion_id,
        );

        return $alike->count() === count($people);
    }

    private static function refuseProposal(User $by, ItemBallot $ballot): void
    {
        if (! $ballot->stage->settled_by->byAgreement()) {
            throw new Refused('At this stage the review lead settles disagreements. Say in Talk what you think.');
        }
        if (! in_array($by->id, $ballot->ballot->people(), true)) {
            throw new Refused(
                'Only those who decided on this item can settle it by agreement. The lead can settle it alone.',
            );
        }
        if (! $ballot->ballot->isComplete()) {
            throw new Refused(BallotClosed::stillBlinded()->getMessage());
        }
        if ($ballot->item->settled) {
            throw new Refused('This item has been settled meanwhile.');
        }
    }

    private function tellOthers(User $by, ItemBallot $ballot): void
    {
        $item = $ballot->item;
        $others = array_values(array_diff($ballot->ballot->people(), [$by->id]));
        $words = "{$by->name} proposes how to settle “{$item->publication->title}”";
        $where = route('disagreements.show', [$item->review_id, $item], false);
        ($this->tell)($others, NoticeKind::Proposal, $ballot->stage->review, $words, $where);
    }

    /**
     * The same for many items, each by itself: what cannot be settled so is left and told.
     *
     * @param  list<Item>  $items
     */
    public function together(
        User $by,
        array $items,
        Verdict $verdict,
        ?Criterion $criterion,
        string $note,
        bool $alone,
    ): SettledTogether {
        $result = new SettledTogether();
        foreach ($items as $item) {
            try {
                if ($alone) {
                    $this->alone($by, $item, $verdict, $criterion, $note);
                }
                $isSettled = $alone || $this->propose($by, $item, $verdict, $criterion, $note);
                $result = $result->and(new SettledTogether((int) $isSettled, (int) ! $isSettled));
            } catch (Refused $refused) {
                $result = $result->and(new SettledTogether(refused: [$refused->getMessage()]));
            }
        }

        return $result;
    }

    /**
     * Agrees to whatever the others propose on items that this person decided on too.
     *
     * @param  list<Proposal>  $proposals
     */
    public function agree(User $by, array $proposals): SettledTogether
    {
        $result = new SettledTogether();
        foreach ($proposals as $proposal) {
            $result = $result->and($this->together(
                $by,
                [$proposal->item],
                $proposal->verdict,
                $proposal->criterion,
                $proposal->note,
                false,
            ));
        }

        return $result;
    }

    private function settle(
        User $by,
        ItemBallot $ballot,
        Verdict $verdict,
        ?string $criterionId,
        string $note,
        HowSettled $how,
    ): void {
        $item = $ballot->item;
        $ballot->mustTakePart();
        $settled = self::settled($ballot, $ballot->decision($by->id, $verdict, $criterionId));
        $settlement = self::settlement($item, [
            'user_id' => $by->id,
            'verdict' => $verdict,
            'criterion_id' => $criterionId,
            'note' => $note,
            'how' => $how,
        ]);
        $ballot->keep($settled);
        $way = $how === HowSettled::Agreement ? 'Settled by agreement' : 'Settled alone';
        $words = "{$way}: {$verdict->value} “{$item->publication->title}”";
        $about = array_filter(['verdict' => $verdict->value, 'criterion' => $criterionId]);
        ($this->log)($item->review_id, $by, 'item.settled', $words, $settlement, $about);
    }

    /**
     * In the place of the one before.
     *
     * @param  array<string, string|Verdict|HowSettled|null>  $values
     */
    private static function settlement(Item $item, array $values): Settlement
    {
        Settlement::query()
            ->where('review_id', $item->review_id)
            ->where('item_id', $item->id)
            ->whereNull('superseded_at')
            ->update(['superseded_at' => now()]);
        $of = ['review_id' => $item->review_id, 'item_id' => $item->id, 'stage_id' => $item->stage_id];

        return Settlement::query()->create([...$of, ...$values]);
    }

    private static function settled(ItemBallot $ballot, Decision $by): Ballot
    {
        try {
            return $ballot->ballot->settledBy($by);
        } catch (BallotClosed $closed) {
            throw new Refused($closed->getMessage());
        }
    }
}
