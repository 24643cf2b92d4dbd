<?php

declare(strict_types=1);

namespace App\Actions\Screening;

use App\Actions\Refused;
use App\Models\Decision;
use App\Models\Item;
use App\Models\Settlement;
use App\Models\Stage;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Screening\Ballot;
use WaryHeron\Core\Screening\Decision as CoreDecision;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\Outcome;
use WaryHeron\Core\Screening\StagePurpose;
use WaryHeron\Core\Screening\Verdict;

/** Reads the current decisions on items for the core, and writes back what the core says of them. */
final class ItemBallot
{
    /** @var array<string, int> place in the stage's order by criterion, looked up when an exclusion is about */
    private array $places;

    /**
     * @param  Collection<int, Decision>  $current the people's current decisions, without those taken back
     * @param  Collection<int, Decision>  $alsoSaid  earlier ones of the same people on what was found to be the same publication
     */
    private function __construct(public readonly Item $item, public readonly Stage $stage, public readonly Collection $current, private readonly ?Settlement $settlement, private readonly Collection $alsoSaid)
    {
    }

    /** Locks the item: two people may decide at once. */
    public static function locked(Item $item): self
    {
        // the stage's rule does not change meanwhile
        DB::select('SELECT pg_advisory_xact_lock_shared(hashtext(?))', ["stage {$item->stage_id}"]);

        return self::of([$item->id])[$item->id];
    }

    /**
     * @param  list<string>  $itemIds
     * @return array<string, self> by item; all are locked
     */
    public static function of(array $itemIds): array
    {
        $items = Item::query()->whereIn('id', $itemIds)->orderBy('id')->lockForUpdate()->with(['publication', 'stage'])->get();
        if ($items->count() < count($itemIds)) {
            throw new Refused('This is no longer in the review.');
        }
        $folded = self::foldedInto($items);
        $heardAt = [];
        foreach ($folded as $id => [$kept, $at]) {
            $heardAt[$kept] = max($heardAt[$kept] ?? $at, $at);
        }
        $review = $items->first()?->review_id;
        $decisions = Decision::query()->where('review_id', $review)->whereIn('item_id', [...$itemIds, ...array_keys($folded)])->whereNull('superseded_at')->whereNotNull('verdict')->orderBy('created_at')->get()
            ->groupBy(fn (Decision $decision): string => $folded[$decision->item_id][0] ?? $decision->item_id);
        $settlements = Settlement::query()->where('review_id', $review)->whereIn('item_id', $itemIds)->whereNull('superseded_at')->get()->keyBy('item_id');

        $ballots = [];
        foreach ($items as $item) {
            /** @var Collection<int, Decision> $all */
            $all = $decisions[$item->id] ?? new Collection;
            // of one who judged both records of a publication before they were known to be one, the later decision stands; the earlier is heard
            $standing = $all->keyBy('user_id');
            $heard = $heardAt[$item->id] ?? null;
            $also = $heard === null ? new Collection : $all->filter(fn (Decision $one): bool => $one->id !== $standing[$one->user_id]->id && $standing[$one->user_id]->created_at <= $heard)->values();
            $settlement = $settlements[$item->id] ?? null;
            $ballots[$item->id] = new self(
                $item,
                $item->stage,
                $standing->values(),
                // a settlement from before somebody's decisions came to this item has not heard them
                $settlement !== null && $heard !== null && $settlement->created_at < $heard ? null : $settlement,
                $also,
            );
        }

        return $ballots;
    }

    /**
     * Computes what stands anew from everybody's decisions.
     *
     * @param  list<string>  $itemIds
     */
    public static function recount(array $itemIds): void
    {
        foreach (array_chunk($itemIds, 1000) as $some) {
            foreach (self::of($some) as $ballot) {
                $ballot->keep($ballot->ballot());
            }
        }
    }

    /**
     * @param  Collection<int, Item>  $items
     * @return array<string, array{string, CarbonImmutable}> items of publications found to be one of these, by id, with the item they count for and since when
     */
    private static function foldedInto(Collection $items): array
    {
        $rows = DB::table('items AS folded')->join('publications', 'publications.id', '=', 'folded.publication_id')
            ->join('items AS kept', fn ($join) => $join->on('kept.publication_id', '=', 'publications.merged_into')->on('kept.stage_id', '=', 'folded.stage_id'))
            ->where('publications.review_id', $items->first()?->review_id)->whereIn('publications.merged_into', $items->pluck('publication_id'))->whereIn('kept.id', $items->pluck('id'))
            ->get(['folded.id AS folded', 'kept.id AS kept', 'folded.folded_at']);

        return $rows->mapWithKeys(fn (object $row): array => [$row->folded => [$row->kept, CarbonImmutable::parse($row->folded_at ?? now())]])->all();
    }

    /** @throws Refused If the item is no longer to be judged. */
    public function mustTakePart(): void
    {
        match ($this->item->state) {
            ItemState::Removed => throw new Refused($this->item->publication->removed_at === null
                ? 'This publication was not included at the stage before, so it is no longer judged here. Decisions made before are kept.'
                : "This publication was removed from the review ({$this->item->publication->removed_for}). Decisions made before are kept."),
            ItemState::Folded => throw new Refused('This was found to be the same publication as another. What was decided on it counts there.'),
            default => null,
        };
    }

    public function ballot(): Ballot
    {
        $core = fn (Decision $d): CoreDecision => $this->decision($d->user_id, $d->verdict ?? throw new \LogicException('A decision taken back is none.'), $d->criterion_id);

        return Ballot::of(
            $this->stage->rule(),
            $this->current->map($core),
            $this->settlement === null ? null : $this->decision($this->settlement->user_id, $this->settlement->verdict, $this->settlement->criterion_id),
            array_values($this->alsoSaid->map($core)->all()),
        );
    }

    public function decision(string $person, Verdict $verdict, ?string $criterionId): CoreDecision
    {
        return new CoreDecision($person, $verdict, $criterionId === null ? null : $this->places()[$criterionId] ?? null);
    }

    public function keep(Ballot $ballot): Outcome
    {
        $outcome = $ballot->outcome();
        $was = $this->item->state;
        $state = $this->takesPart() ? $outcome->state : ItemState::Removed;
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

    /** A publication is judged as long as it is in the review and, in full text, included before. */
    private function takesPart(): bool
    {
        return $this->item->publication->removed_at === null && ($this->stage->purpose !== StagePurpose::FullText
            || Item::query()->where('review_id', $this->item->review_id)->where('publication_id', $this->item->publication_id)->where('state', ItemState::Included)
                ->whereHas('stage', fn ($stage) => $stage->where('purpose', StagePurpose::TitleAbstract))->exists());
    }

    /** @return array<string, int> */
    private function places(): array
    {
        return $this->places ??= $this->stage->places();
    }
}
