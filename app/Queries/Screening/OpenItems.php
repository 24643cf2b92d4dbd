<?php

declare(strict_types=1);

namespace App\Queries\Screening;

use App\Models\Item;
use App\Models\Proposal;
use App\Models\Review;
use App\Models\Stage;
use App\Models\TalkMessage;
use App\Models\User;
use App\Queries\Shared\StageItems;
use App\Queries\Shared\Visibility;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Screening\ItemState;

/** Items that have opened, with both sides. */
final class OpenItems
{
    /** Those who decided on an item, in a text that is the same for the same people. */
    private const PAIR = "SELECT coalesce(string_agg(d.user_id, ' ' ORDER BY d.user_id), '') FROM decisions d WHERE d.review_id = items.review_id AND d.item_id = items.id AND d.superseded_at IS NULL AND d.verdict IS NOT NULL";

    /** @return list<OpenGroup> the largest first */
    public static function groups(Stage $stage): array
    {
        $rows = DB::select(
            'SELECT kind, pair, count(*) AS n FROM (SELECT items.kind, ('.
                self::PAIR.
                ') AS pair FROM items WHERE items.review_id = ? AND items.stage_id = ? AND items.state = ?) AS open GROUP BY 1, 2 ORDER BY 3 DESC, 1, 2',
            [$stage->review_id, $stage->id, ItemState::Disagreement->value],
        );
        $names = self::names(array_column($rows, 'pair'));

        return array_map(
            fn (stdClass $row): OpenGroup => new OpenGroup(
                (string) $row->kind,
                (string) $row->pair,
                $row->pair === '' ? 'nobody decided' : strtr($row->pair, [...$names, ' ' => ' and ']),
                (int) $row->n,
            ),
            array_values($rows),
        );
    }

    /**
     * @param  list<string>  $pairs  of ids
     * @return array<string, string>
     */
    private static function names(array $pairs): array
    {
        $ids = array_unique(explode(' ', implode(' ', $pairs)));

        return User::query()->whereIn('id', $ids)->pluck('name', 'id')->all();
    }

    /** That this person proposes the same. */
    private static function alike(Builder $mine, User $user): void
    {
        $mine
            ->selectRaw('1')
            ->from('proposals AS mine')
            ->whereColumn('mine.item_id', 'proposals.item_id')
            ->where('mine.user_id', $user->id)
            ->whereNull('mine.superseded_at')
            ->whereColumn('mine.verdict', 'proposals.verdict');
    }

    /**
     * @return Collection<int, Proposal> what others propose on open disagreements that this person decided on and has
     *     not answered in the same way
     */
    public static function toAgree(Stage $stage, User $user): Collection
    {
        $unanswered = DB::table('proposals')
            ->where('proposals.review_id', $stage->review_id)
            ->whereNull('superseded_at')
            ->where('user_id', '<>', $user->id)
            ->whereIn('item_id', self::party($stage, $user))
            ->whereNotExists(fn (Builder $mine) => self::alike($mine, $user))
            ->orderBy('created_at')
            ->limit(200)
            ->pluck('id')
            ->all();

        return Proposal::query()->with(['item', 'criterion', 'user'])->whereKey($unanswered)->orderBy('id')->get();
    }

    /** Disagreements that the person is a side of. */
    private static function party(Stage $stage, User $user): Builder
    {
        return DB::table('items')
            ->join('decisions', fn ($mine) => $mine
                ->on('decisions.review_id', '=', 'items.review_id')
                ->on('decisions.item_id', '=', 'items.id'))
            ->where('items.review_id', $stage->review_id)
            ->where('items.stage_id', $stage->id)
            ->where('items.state', ItemState::Disagreement->value)
            ->where('decisions.user_id', $user->id)
            ->whereNull('decisions.superseded_at')
            ->whereNotNull('decisions.verdict')
            ->select('items.id');
    }

    /** @return Collection<int, stdClass> disagreements in reading order, those that concern me first */
    public static function disagreements(
        Stage $stage,
        User $user,
        string $kind = '',
        string $pair = '',
        int $most = 200,
    ): Collection {
        $items = StageItems::withPublications($stage)
            ->where('items.state', ItemState::Disagreement->value)
            ->when($kind !== '', fn ($items) => $items->where('items.kind', $kind))
            ->when($pair !== '', fn ($items) => $items->whereRaw('('.self::PAIR.') = ?', [$pair]))
            ->orderBy('items.position')
            ->limit($most)
            ->get(['items.id', 'items.kind', 'items.opened_at', 'title', 'authors', 'year', 'journal']);
        $sides = self::sidesOf($stage->review, $user, array_values($items->pluck('id')->all()));
        $talk = self::said($stage, $items->pluck('id'));

        return $items
            ->each(function (stdClass $item) use ($sides, $talk, $user): void {
                $item->sides = $sides[$item->id] ?? [];
                $item->talk = (int) ($talk[$item->id] ?? 0);
                $item->mine =
                    array_filter($item->sides, fn (stdClass $side): bool => $side->user_id === $user->id) !== [];
            })
            ->sortBy(fn (stdClass $item): int => $item->mine ? 0 : 1)
            ->values();
    }

    /**
     * @param  Collection<int, string>  $items
     * @return Collection<string, int> how much was said of each
     */
    private static function said(Stage $stage, Collection $items): Collection
    {
        return DB::table('talk_messages')
            ->where('review_id', $stage->review_id)
            ->whereIn('item_id', $items)
            ->groupBy('item_id')
            ->selectRaw('item_id, count(*) AS n')
            ->pluck('n', 'item_id');
    }

    /**
     * @param  list<string>  $itemIds
     * @return array<string, list<stdClass>> current decisions that this person may see, by item
     */
    public static function sidesOf(Review $review, User $user, array $itemIds): array
    {
        $standing = self::standing($review, $itemIds);
        $decisions = self::decisionsOn($review, array_keys($standing))
            ->selectRaw(Visibility::NAMES_HIDDEN.' AS nameless', [$user->id]);
        $sides = [];
        foreach (Visibility::decisions($decisions, $user)->orderBy('decisions.created_at')->get() as $side) {
            $side->name = $side->nameless ? Visibility::NAMELESS : $side->name;
            $sides[$standing[$side->item_id]][] = $side;
        }

        return $sides;
    }

    /** @param  list<string>  $items */
    private static function decisionsOn(Review $review, array $items): Builder
    {
        return DB::table('decisions')
            ->join('items', 'items.id', '=', 'decisions.item_id')
            ->whereColumn('items.review_id', 'decisions.review_id')
            ->join('users', 'users.id', '=', 'decisions.user_id')
            ->leftJoin('criteria', 'criteria.id', '=', 'decisions.criterion_id')
            ->where('decisions.review_id', $review->id)
            ->whereIn('decisions.item_id', $items)
            ->whereNull('decisions.superseded_at')
            ->whereNotNull('decisions.verdict')
            ->select(['decisions.item_id', 'decisions.user_id', 'users.name', 'decisions.verdict'])
            ->addSelect(['decisions.criterion_id', 'criteria.reason', 'criteria.question'])
            ->addSelect(['decisions.note', 'decisions.created_at']);
    }

    /**
     * @param  list<string>  $itemIds
     * @return array<string, string> these items and those folded into them, each with the item it counts for
     */
    private static function standing(Review $review, array $itemIds): array
    {
        $folded = DB::table('items AS folded')
            ->join('publications', 'publications.id', '=', 'folded.publication_id')
            ->whereColumn('publications.review_id', 'folded.review_id')
            ->join('items AS kept', fn ($join) => $join
                ->on('kept.review_id', '=', 'folded.review_id')
                ->on('kept.publication_id', '=', 'publications.merged_into')
                ->on('kept.stage_id', '=', 'folded.stage_id'))
            ->where(['folded.review_id' => $review->id, 'folded.state' => ItemState::Folded->value])
            ->whereIn('kept.id', $itemIds)
            ->pluck('kept.id AS kept', 'folded.id AS folded')
            ->all();

        return [...array_combine($itemIds, $itemIds), ...$folded];
    }

    /** @return Collection<int, TalkMessage> empty while the item is blinded */
    public static function talk(Item $item): Collection
    {
        return $item->state->isOpen()
            ? TalkMessage::query()
                ->where('review_id', $item->review_id)
                ->where('item_id', $item->id)
                ->with('user')
                ->orderBy('id')
                ->get()
            : new Collection();
    }

    /** @return Collection<int, Proposal> */
    public static function proposals(Item $item): Collection
    {
        return $item->state->isOpen()
            ? Proposal::query()
                ->where('review_id', $item->review_id)
                ->where('item_id', $item->id)
                ->whereNull('superseded_at')
                ->with('user', 'criterion')
                ->orderBy('created_at')
                ->get()
            : new Collection();
    }
}
