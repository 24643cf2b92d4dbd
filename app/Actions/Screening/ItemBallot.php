<?php

declare(strict_types=1);

namespace App\Actions\Screening;

use App\Actions\Shared\Refused;
use App\Database\Locks;
use App\Models\Item;
use App\Models\Publication;
use App\Models\Stage;
use App\Models\User;
use App\Queries\FullTexts\Retrievals;
use App\Queries\Screening\Ballots;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;
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
    /** What is needed of the publication; its abstract is not. */
    private const PUBLICATION = ['id', 'review_id', 'title', 'removed_at', 'removed_for', 'merged_into'];

    private const STAGE = [
        'id',
        'review_id',
        'position',
        'name',
        'purpose',
        'required_decisions',
        'unsure_includes',
        'reason_required',
        'reasons_must_agree',
        'settled_by',
        'names_hidden',
        'work',
        'criteria',
        'closed_at',
        'closed_by',
        'reading_order',
        'random_percent',
        'ranked',
        'after_titles',
    ];

    private const WITH = [
        'publication' => [Publication::class, self::PUBLICATION],
        'stage' => [Stage::class, self::STAGE],
    ];

    /** @var array<string, int> place in the stage's order by criterion, looked up when an exclusion is about */
    private array $places;

    /**
     * @param  ?stdClass  $mine  the decision of the person at hand that stands, a taken back one too
     * @param  ?string  $before  the decision that came with the same key before
     */
    private function __construct(
        public readonly Item $item,
        public readonly Stage $stage,
        public readonly Ballot $ballot,
        public readonly ?stdClass $mine,
        public readonly ?string $before,
        public readonly bool $isShared,
    ) {
    }

    /**
     * Locks the item: two people may decide at once.
     *
     * @param  ?User  $by  whose own decision and share are asked about
     * @param  ?string  $clientKey  a key of theirs that a decision may have come with before
     *
     * @throws Refused If it is not there any more.
     */
    public static function locked(Item $item, ?User $by = null, ?string $clientKey = null): self
    {
        return self::ifThere($item, $by, $clientKey) ?? throw new Refused('This is no longer in the review.');
    }

    /** The same, or null where it has gone: an item in full text goes with its inclusion before. */
    public static function ifThere(Item $item, ?User $by = null, ?string $clientKey = null): ?self
    {
        // the stage's rule does not change meanwhile
        Locks::decidingAt($item->stage_id);
        $locked = self::read($item);
        if ($locked === null) {
            return null;
        }
        if ($item->relationLoaded('review')) {
            $locked->stage->setRelation('review', $item->review);
        }
        $around = Ballots::around($locked, $by?->id, $clientKey);

        return new self(
            $locked,
            $locked->stage,
            Ballots::of($locked->stage, [$locked->id], $around->said)[$locked->id],
            $around->mine,
            $around->before,
            $around->isShared,
        );
    }

    /** The item, locked, with its publication and stage, in one query: it is read for each decision. */
    private static function read(Item $of): ?Item
    {
        $row = self::withRelations()
            ->where('items.review_id', $of->review_id)
            ->where('items.id', $of->id)
            ->lock('for update of items')
            ->first();
        if ($row === null) {
            return null;
        }
        $values = (array) $row;
        $own = array_filter($values, fn (string $of): bool => ! str_contains($of, '_of_'), ARRAY_FILTER_USE_KEY);
        $item = (new Item())->newFromBuilder($own);
        foreach (self::WITH as $relation => [$model, $columns]) {
            $its = array_map(fn (string $column): mixed => $values["{$relation}_of_{$column}"], $columns);
            $item->setRelation($relation, (new $model())->newFromBuilder(array_combine($columns, $its)));
        }

        return $item;
    }

    /** Items with their publication and their stage in one row. */
    private static function withRelations(): Builder
    {
        $query = DB::table('items')
            ->join('publications', 'publications.id', '=', 'items.publication_id')
            ->whereColumn('publications.review_id', 'items.review_id')
            ->join('stages', 'stages.id', '=', 'items.stage_id')
            ->select('items.*');
        foreach (self::WITH as $relation => [, $columns]) {
            $named = fn (string $column): string => "{$relation}s.{$column} AS {$relation}_of_{$column}";
            $query->addSelect(array_map($named, $columns));
        }

        return $query;
    }

    /**
     * Computes what stands anew from everybody's decisions.
     *
     * @param  list<string>  $itemIds
     */
    public static function recount(array $itemIds): void
    {
        foreach (
            Item::query()
                ->whereIn('id', $itemIds)
                ->orderBy('position')
                ->get(['id', 'review_id', 'stage_id']) as $item
        ) {
            $ballot = self::ifThere($item);
            $ballot?->keep($ballot->ballot);
        }
    }

    /** @throws Refused If the item is no longer to be judged. */
    public function mustTakePart(): void
    {
        match ($this->item->state) {
            ItemState::Removed => throw new Refused(
                $this->item->publication->removed_at === null
                    ? 'This publication is no longer judged here: it was not included at the stage before, or its text is not retrievable. Decisions made before are kept.'
                    : "This publication was removed from the review ({$this->item->publication->removed_for}). Decisions made before are kept.",
            ),
            ItemState::Awaited => throw new Refused(
                $this->stage->after_titles
                    ? 'This is judged by its title first. It comes here once its title is included.'
                    : 'The text of this is not at hand yet. Bring its PDF under Full texts, or mark it there as obtained.',
            ),
            ItemState::Folded => throw new Refused(
                'This was found to be the same publication as another. What was decided on it counts there.',
            ),
            default => null,
        };
        if ($this->item->state === ItemState::Excluded && ! $this->ballot->isComplete()) {
            throw new Refused('This was excluded by its title, and is no longer judged here.');
        }
    }

    public function decision(string $person, Verdict $verdict, ?string $criterionId): Decision
    {
        return new Decision($person, $verdict, $criterionId === null ? null : $this->places()[$criterionId] ?? null);
    }

    public function keep(Ballot $ballot): Outcome
    {
        $outcome = $ballot->outcome();
        $was = $this->item->state;
        $title = $this->stage->after_titles ? TitlesFirst::standingOf($this->item) : null;
        $state = $this->standing($outcome->state, $title?->state);
        $failed =
            $outcome->criterion === null ? null : (array_search($outcome->criterion, $this->places(), true) ?: null);
        $this->item->update([
            'state' => $state,
            'kind' => $outcome->kind?->value,
            'settled' => $outcome->settled,
            'criterion_id' => $title?->state === ItemState::Excluded ? $title->criterion_id : $failed,
            'opened_at' => $outcome->state->isOpen() ? $this->item->opened_at ?? now() : null,
        ]);
        if ($was !== $state) {
            NextStage::followOne($this->stage, $this->item->publication_id, $was, $state);
        }

        return $outcome;
    }

    /** A publication is judged as long as it is in the review and, in full text, included before and at hand. */
    private function standing(ItemState $decided, ?ItemState $title): ItemState
    {
        if ($this->item->publication->removed_at !== null) {
            return ItemState::Removed;
        }
        if ($this->stage->purpose !== StagePurpose::FullText) {
            return $decided->behind($title);
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
