<?php

declare(strict_types=1);

namespace App\Actions\Screening;

use App\Actions\Refused;
use App\Models\Item;
use App\Models\Stage;
use App\Queries\Ballots;
use App\Queries\Retrievals;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\FullText\RetrievalState;
use WaryHeron\Core\Screening\Ballot;
use WaryHeron\Core\Screening\Decision;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\Outcome;
use WaryHeron\Core\Screening\StagePurpose;
use WaryHeron\Core\Screening\Verdict;

/** An item with what stands on it, locked, and the keeping of what the core says of it. */
final class ItemBallot
{
    /** @var array<string, int> place in the stage's order by criterion, looked up when an exclusion is about */
    private array $places;

    private function __construct(public readonly Item $item, public readonly Stage $stage, public readonly Ballot $ballot)
    {
    }

    /** Locks the item: two people may decide at once. */
    public static function locked(Item $item): self
    {
        // the stage's rule does not change meanwhile
        DB::select('SELECT pg_advisory_xact_lock_shared(hashtext(?))', ["stage {$item->stage_id}"]);
        $locked = Item::query()->with(['publication', 'stage'])->lockForUpdate()->find($item->id) ?? throw new Refused('This is no longer in the review.');
        if ($item->relationLoaded('review')) {
            $locked->stage->setRelation('review', $item->review);
        }

        return new self($locked, $locked->stage, Ballots::of($locked->stage, [$locked->id])[$locked->id]);
    }

    /**
     * Computes what stands anew from everybody's decisions.
     *
     * @param  list<string>  $itemIds
     */
    public static function recount(array $itemIds): void
    {
        foreach (Item::query()->whereIn('id', $itemIds)->orderBy('position')->get(['id', 'stage_id']) as $item) {
            $ballot = self::locked($item);
            $ballot->keep($ballot->ballot);
        }
    }

    /** @throws Refused If the item is no longer to be judged. */
    public function mustTakePart(): void
    {
        match ($this->item->state) {
            ItemState::Removed => throw new Refused($this->item->publication->removed_at === null
                ? 'This publication is no longer judged here: it was not included at the stage before, or its text is not retrievable. Decisions made before are kept.'
                : "This publication was removed from the review ({$this->item->publication->removed_for}). Decisions made before are kept."),
            ItemState::Awaited => throw new Refused('The text of this is not at hand yet. Bring its PDF under Full texts, or mark it there as obtained.'),
            ItemState::Folded => throw new Refused('This was found to be the same publication as another. What was decided on it counts there.'),
            default => null,
        };
    }

    public function decision(string $person, Verdict $verdict, ?string $criterionId): Decision
    {
        return new Decision($person, $verdict, $criterionId === null ? null : $this->places()[$criterionId] ?? null);
    }

    public function keep(Ballot $ballot): Outcome
    {
        $outcome = $ballot->outcome();
        $was = $this->item->state;
        $state = $this->standing($outcome->state);
        $this->item->update([
            'state' => $state,
            'kind' => $outcome->kind?->value,
            'settled' => $outcome->settled,
            'criterion_id' => $outcome->criterion === null ? null : (array_search($outcome->criterion, $this->places(), true) ?: null),
            'opened_at' => $outcome->state->isOpen() ? $this->item->opened_at ?? now() : null,
        ]);
        if ($was !== $state && in_array(ItemState::Included, [$was, $state], true)) {
            NextStage::follow($this->stage, [$this->item->publication_id]);
        }

        return $outcome;
    }

    /** A publication is judged as long as it is in the review and, in full text, included before and at hand. */
    private function standing(ItemState $decided): ItemState
    {
        if ($this->item->publication->removed_at !== null) {
            return ItemState::Removed;
        }
        if ($this->stage->purpose !== StagePurpose::FullText) {
            return $decided;
        }
        $retrieval = Retrievals::standingOf($this->item);

        return match (true) {
            ! $retrieval->included || $retrieval->state === RetrievalState::NotRetrievable => ItemState::Removed,
            $decided === ItemState::Waiting && $retrieval->state !== RetrievalState::Obtained => ItemState::Awaited,
            default => $decided,
        };
    }

    /** @return array<string, int> */
    private function places(): array
    {
        return $this->places ??= $this->stage->places();
    }
}
