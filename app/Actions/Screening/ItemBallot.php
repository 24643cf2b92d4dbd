<?php

declare(strict_types=1);

namespace App\Actions\Screening;

use App\Actions\Refused;
use App\Models\Criterion;
use App\Models\Decision;
use App\Models\Item;
use App\Models\Publication;
use App\Models\Settlement;
use Illuminate\Database\Eloquent\Collection;
use WaryHeron\Core\Screening\Ballot;
use WaryHeron\Core\Screening\Decision as CoreDecision;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\Outcome;
use WaryHeron\Core\Screening\StageRule;
use WaryHeron\Core\Screening\Verdict;

/** Reads an item's current decisions for the core, and writes back what the core says of them. */
final class ItemBallot
{
    /** @var ?array<string, int> place in the protocol by criterion, looked up when an exclusion is about */
    private ?array $places = null;

    /**
     * @param  Collection<int, Decision>  $current the people's current decisions, without those taken back
     * @param  Collection<int, Decision>  $alsoSaid  earlier ones of the same people on what was found to be the same publication
     */
    private function __construct(public readonly Item $item, public readonly Collection $current, private readonly ?Settlement $settlement, private readonly Collection $alsoSaid)
    {
    }

    /** Locks the item: two people may decide at once. */
    public static function locked(string $itemId): self
    {
        $item = Item::query()->lockForUpdate()->findOrFail($itemId);
        $folded = self::foldedInto($item);
        $decisions = Decision::query()->where('review_id', $item->review_id)->whereIn('item_id', [$item->id, ...array_keys($folded)])->whereNull('superseded_at')->whereNotNull('verdict')->orderBy('created_at')->get();
        $settlement = Settlement::query()->where('review_id', $item->review_id)->where('item_id', $item->id)->whereNull('superseded_at')->first();

        // of one who judged both records of a publication before they were known to be one, the later decision stands; the earlier is heard
        $standing = $decisions->keyBy('user_id')->values();

        return new self(
            $item,
            $standing,
            // a settlement from before somebody's decisions came to this item has not heard them
            $settlement !== null && $folded !== [] && $settlement->created_at < max($folded) ? null : $settlement,
            $decisions->diff($standing)->values(),
        );
    }

    /** @return array<string, \Carbon\CarbonImmutable> items of publications found to be this one, by id, with when that was */
    private static function foldedInto(Item $item): array
    {
        $folded = [];
        foreach (Item::query()->where('items.review_id', $item->review_id)->where('stage', $item->stage)->whereIn('publication_id', Publication::query()->where('review_id', $item->review_id)->where('merged_into', $item->publication_id)->select('id'))->get(['id', 'folded_at']) as $one) {
            $folded[$one->id] = $one->folded_at ?? now()->toImmutable();
        }

        return $folded;
    }

    /** @throws Refused If the item is no longer to be judged. */
    public function mustTakePart(): void
    {
        match ($this->item->state) {
            ItemState::Removed => throw new Refused("This publication was removed from the review ({$this->item->publication->removed_for}). Decisions made before are kept."),
            ItemState::Folded => throw new Refused('This was found to be the same publication as another. What was decided on it counts there.'),
            default => null,
        };
    }

    public function ballot(): Ballot
    {
        return Ballot::of(
            StageRule::for($this->item->stage),
            $this->current->map(fn (Decision $d): CoreDecision => $this->decision($d->user_id, $d->verdict ?? throw new \LogicException('A decision taken back is none.'), $d->criterion_id)),
            $this->settlement === null ? null : $this->decision($this->settlement->user_id, $this->settlement->verdict, $this->settlement->criterion_id),
            array_values($this->alsoSaid->map(fn (Decision $d): CoreDecision => $this->decision($d->user_id, $d->verdict ?? throw new \LogicException('A decision taken back is none.'), $d->criterion_id))->all()),
        );
    }

    public function decision(string $person, Verdict $verdict, ?string $criterionId): CoreDecision
    {
        return new CoreDecision($person, $verdict, $criterionId === null ? null : $this->places()[$criterionId] ?? null);
    }

    public function keep(Ballot $ballot): Outcome
    {
        $outcome = $ballot->outcome();
        $this->item->update([
            'state' => $this->item->publication->removed_at === null ? $outcome->state : ItemState::Removed,
            'kind' => $outcome->kind?->value,
            'settled' => $outcome->settled,
            'criterion_id' => $outcome->criterion === null ? null : (array_search($outcome->criterion, $this->places(), true) ?: null),
            'opened_at' => $outcome->state->isOpen() ? $this->item->opened_at ?? now() : null,
        ]);

        return $outcome;
    }

    /** @return array<string, int> */
    private function places(): array
    {
        return $this->places ??= Criterion::query()->where('review_id', $this->item->review_id)->orderBy('position')->pluck('id')->flip()->all();
    }
}
