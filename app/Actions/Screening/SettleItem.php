<?php

declare(strict_types=1);

namespace App\Actions\Screening;

use App\Actions\Refused;
use App\Actions\WriteLog;
use App\Models\Criterion;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\Settlement;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Screening\BallotClosed;
use WaryHeron\Core\Screening\Verdict;

/** Ends a disagreement: the lead alone, or its people by proposing the same. */
final readonly class SettleItem
{
    public function __construct(private WriteLog $log)
    {
    }

    public function byLead(User $by, Item $item, Verdict $verdict, ?Criterion $criterion, string $note): void
    {
        DB::transaction(fn () => $this->settle($by, ItemBallot::locked($item->id), $verdict, $criterion?->id, $note, 'lead'));
    }

    /**
     * Settled at once when everybody who decided now proposes the same verdict and reason.
     *
     * @return bool whether the item is settled now
     */
    public function propose(User $by, Item $item, Verdict $verdict, ?Criterion $criterion, string $note): bool
    {
        return DB::transaction(function () use ($by, $item, $verdict, $criterion, $note): bool {
            $ballot = ItemBallot::locked($item->id);
            if (! $ballot->current->contains('user_id', $by->id)) {
                throw new Refused('Only those who decided on this item can settle it by agreement. The lead can settle it alone.');
            }
            if (! $ballot->ballot()->isComplete()) {
                throw new Refused(BallotClosed::stillBlinded()->getMessage());
            }
            if ($ballot->item->settled) {
                throw new Refused('This item has been settled meanwhile.');
            }
            $current = fn () => Proposal::query()->where('review_id', $item->review_id)->where('item_id', $item->id)->whereNull('superseded_at');
            $current()->where('user_id', $by->id)->update(['superseded_at' => now()]);
            $proposal = Proposal::query()->create([
                'review_id' => $item->review_id, 'item_id' => $item->id, 'stage' => $item->stage->value, 'user_id' => $by->id,
                'verdict' => $verdict, 'criterion_id' => $criterion?->id, 'note' => $note,
            ]);
            ($this->log)($item->review_id, $by, 'settlement.proposed', "Proposed to {$verdict->value} “{$ballot->item->publication->title}”", $proposal);
            $proposals = $current()->whereIn('user_id', $ballot->current->pluck('user_id'))->get();
            $agreed = $proposals->count() === $ballot->current->count()
                && $proposals->every(fn (Proposal $p): bool => $p->verdict === $verdict && $p->criterion_id === $criterion?->id);
            if ($agreed) {
                $this->settle($by, $ballot, $verdict, $criterion?->id, $note, 'agreement');
            }

            return $agreed;
        });
    }

    private function settle(User $by, ItemBallot $ballot, Verdict $verdict, ?string $criterionId, string $note, string $how): void
    {
        $item = $ballot->item;
        $ballot->mustTakePart();
        try {
            $settled = $ballot->ballot()->settledBy($ballot->decision($by->id, $verdict, $criterionId));
        } catch (BallotClosed $closed) {
            throw new Refused($closed->getMessage());
        }
        Settlement::query()->where('review_id', $item->review_id)->where('item_id', $item->id)->whereNull('superseded_at')->update(['superseded_at' => now()]);
        $settlement = Settlement::query()->create([
            'review_id' => $item->review_id, 'item_id' => $item->id, 'stage' => $item->stage->value, 'user_id' => $by->id,
            'verdict' => $verdict, 'criterion_id' => $criterionId, 'note' => $note, 'how' => $how,
        ]);
        $ballot->keep($settled);
        $words = $how === 'lead' ? 'Settled alone' : 'Settled by agreement';
        ($this->log)($item->review_id, $by, 'item.settled', "{$words}: {$verdict->value} “{$item->publication->title}”", $settlement, array_filter(['verdict' => $verdict->value, 'criterion' => $criterionId]));
    }
}
