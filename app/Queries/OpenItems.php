<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\Item;
use App\Models\Proposal;
use App\Models\Review;
use App\Models\Stage;
use App\Models\TalkMessage;
use App\Models\User;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Screening\ItemState;

/** Items that have opened, with both sides. */
final class OpenItems
{
    /** @return Collection<int, stdClass> disagreements in reading order, those that concern me first */
    public static function disagreements(Stage $stage, User $user, int $most = 200): Collection
    {
        $items = DB::table('items')->join('publications', 'publications.id', '=', 'items.publication_id')
            ->where('items.review_id', $stage->review_id)->where('items.stage_id', $stage->id)->where('items.state', ItemState::Disagreement->value)
            ->orderBy('items.position')->limit($most)
            ->get(['items.id', 'items.kind', 'items.opened_at', 'title', 'authors', 'year', 'journal']);
        $sides = self::sidesOf($stage->review, $user, array_values($items->pluck('id')->all()));
        $talk = DB::table('talk_messages')->where('review_id', $stage->review_id)->whereIn('item_id', $items->pluck('id'))->groupBy('item_id')->selectRaw('item_id, count(*) AS n')->pluck('n', 'item_id');

        return $items->each(function (stdClass $item) use ($sides, $talk, $user): void {
            $item->sides = $sides[$item->id] ?? [];
            $item->talk = (int) ($talk[$item->id] ?? 0);
            $item->mine = array_filter($item->sides, fn (stdClass $side): bool => $side->user_id === $user->id) !== [];
        })->sortBy(fn (stdClass $item): int => $item->mine ? 0 : 1)->values();
    }

    /**
     * @param  list<string>  $itemIds
     * @return array<string, list<stdClass>> current decisions that this person may see, by item
     */
    public static function sidesOf(Review $review, User $user, array $itemIds): array
    {
        $standing = self::standing($review, $itemIds);
        $decisions = DB::table('decisions')->join('items', 'items.id', '=', 'decisions.item_id')->join('users', 'users.id', '=', 'decisions.user_id')->leftJoin('criteria', 'criteria.id', '=', 'decisions.criterion_id')
            ->where('decisions.review_id', $review->id)->whereIn('decisions.item_id', array_keys($standing))->whereNull('decisions.superseded_at')->whereNotNull('decisions.verdict');

        $sides = [];
        foreach (Visibility::decisions($decisions, $user)->orderBy('decisions.created_at')->get(['decisions.item_id', 'decisions.user_id', 'users.name', 'decisions.verdict', 'decisions.criterion_id', 'criteria.reason', 'criteria.question', 'decisions.note', 'decisions.created_at']) as $side) {
            $sides[$standing[$side->item_id]][] = $side;
        }

        return $sides;
    }

    /**
     * @param  list<string>  $itemIds
     * @return array<string, string> these items and those folded into them, each with the item it counts for
     */
    private static function standing(Review $review, array $itemIds): array
    {
        $folded = DB::table('items AS folded')->join('publications', 'publications.id', '=', 'folded.publication_id')
            ->join('items AS kept', fn ($join) => $join->on('kept.publication_id', '=', 'publications.merged_into')->on('kept.stage_id', '=', 'folded.stage_id'))
            ->where('folded.review_id', $review->id)->where('folded.state', ItemState::Folded->value)->whereIn('kept.id', $itemIds)->get(['folded.id AS folded', 'kept.id AS kept'])->pluck('kept', 'folded')->all();

        return [...array_combine($itemIds, $itemIds), ...$folded];
    }

    /** @return Collection<int, TalkMessage> empty while the item is blinded */
    public static function talk(Item $item): Collection
    {
        return $item->state->isOpen() ? TalkMessage::query()->where('review_id', $item->review_id)->where('item_id', $item->id)->with('user')->orderBy('id')->get() : new Collection;
    }

    /** @return Collection<int, Proposal> */
    public static function proposals(Item $item): Collection
    {
        return $item->state->isOpen() ? Proposal::query()->where('review_id', $item->review_id)->where('item_id', $item->id)->whereNull('superseded_at')->with('user', 'criterion')->orderBy('created_at')->get() : new Collection;
    }
}
