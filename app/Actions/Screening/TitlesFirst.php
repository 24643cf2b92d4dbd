<?php

declare(strict_types=1);

namespace App\Actions\Screening;

use App\Models\Item;
use App\Models\Review;
use App\Models\Stage;
use App\Queries\Screening\ItemTraces;
use App\Queries\Shared\StageItems;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\StagePurpose;

/**
 * Lets publications come to title and abstract by their titles. Every publication has its item there from the
 * beginning, so that the figures of screening are those of one stage: it waits while its title is judged, and is
 * excluded with its title.
 */
final class TitlesFirst
{
    private const PART = 2000;

    /**
     * @return ?Item the item at which the title of the same publication is judged, by state and criterion; null where
     *     that was never asked
     */
    public static function standingOf(Item $item): ?Item
    {
        return Item::query()
            ->where('review_id', $item->review_id)
            ->where('publication_id', $item->publication_id)
            ->whereIn(
                'stage_id',
                Stage::query()
                    ->where('review_id', $item->review_id)
                    ->where('purpose', StagePurpose::Titles)
                    ->select('id'),
            )
            ->first(['id', 'state', 'criterion_id']);
    }

    /** Leaves out, of items at title and abstract, those that their titles excluded. */
    public static function withoutExcluded(Builder $items): Builder
    {
        return $items->whereNotExists(
            fn (Builder $title) => $title
                ->selectRaw('1')
                ->from('items AS by_title')
                ->join('stages', 'stages.id', '=', 'by_title.stage_id')
                ->whereColumn('by_title.review_id', 'items.review_id')
                ->whereColumn('by_title.publication_id', 'items.publication_id')
                ->where('stages.purpose', StagePurpose::Titles->value)
                ->where('by_title.state', ItemState::Excluded->value),
        );
    }

    /** Asks about the title of all that nobody has judged by its abstract yet. */
    public static function begin(Stage $abstracts, Stage $titles): void
    {
        $abstracts->update(['after_titles' => true]);
        self::ask($abstracts, $titles, null);
        self::follow($titles, null);
    }

    /** Lets everything wait at title and abstract again. */
    public static function end(Stage $abstracts): void
    {
        $abstracts->update(['after_titles' => false]);
        $awaited = fn (): Builder => StageItems::of($abstracts)
            ->where('state', ItemState::Awaited->value);
        $plain =
            $abstracts->closed_at === null
                ? $awaited()->whereNotExists(ItemTraces::judged(...))->whereNotExists(ItemTraces::joined(...))
                : null;
        $plain?->update(['state' => ItemState::Waiting->value]);
        ItemBallot::recount(array_values($awaited()->pluck('id')->all()));
    }

    /**
     * Takes in publications that are new or back in the review.
     *
     * @param  list<string>  $publicationIds
     */
    public static function arrive(Review $review, array $publicationIds): void
    {
        $titles = $review->titleStage();
        if ($titles !== null && $publicationIds !== []) {
            self::ask($review->firstStage(), $titles, $publicationIds);
            self::follow($titles, $publicationIds);
        }
    }

    /**
     * Lets what is judged by title and abstract stand as the titles say.
     *
     * @param  ?list<string>  $publicationIds  those that may have changed; null for all of the review
     */
    public static function follow(Stage $titles, ?array $publicationIds): void
    {
        $abstracts = Stage::query()
            ->where('review_id', $titles->review_id)
            ->where('purpose', StagePurpose::TitleAbstract)
            ->firstOrFail();
        $there = fn (): Builder => self::both($abstracts, $titles, $publicationIds);
        // nobody decides on them meanwhile
        $there()->orderBy('items.id')->lock('for update of items')->pluck('items.id');
        if ($abstracts->closed_at === null) {
            self::setPlain($there()->whereNotExists(ItemTraces::judged(...))->whereNotExists(ItemTraces::joined(...)));
        }
        $left = $there()->where(
            fn (Builder $any) => $any
                ->whereRaw($abstracts->closed_at === null ? 'false' : 'true')
                ->orWhereExists(ItemTraces::judged(...))
                ->orWhereExists(ItemTraces::joined(...)),
        );
        ItemBallot::recount(array_values($left->orderBy('items.position')->pluck('items.id')->all()));
    }

    /**
     * Items of abstracts beside the item of their title.
     *
     * @param  ?list<string>  $publicationIds  or all
     */
    private static function both(Stage $abstracts, Stage $titles, ?array $publicationIds): Builder
    {
        $apart = [ItemState::Folded->value, ItemState::Removed->value];

        return DB::table('items')
            ->join('items AS title', fn ($on) => $on
                ->on('title.review_id', '=', 'items.review_id')
                ->on('title.publication_id', '=', 'items.publication_id'))
            ->where('items.review_id', $titles->review_id)
            ->where('items.stage_id', $abstracts->id)
            ->where('title.stage_id', $titles->id)
            ->whereNotIn('items.state', $apart)
            ->whereNotIn('title.state', $apart)
            ->when($publicationIds !== null, fn ($some) => $some->whereIn('items.publication_id', $publicationIds));
    }

    /** What nobody has decided on stands as its title does. */
    private static function setPlain(Builder $plain): void
    {
        $plain->selectRaw(
            <<<'SQL'
            items.review_id, items.id, CASE title.state WHEN 'excluded' THEN 'excluded' WHEN 'included' THEN 'waiting' ELSE 'awaited' END AS state,
            CASE title.state WHEN 'excluded' THEN title.criterion_id END AS criterion_id
            SQL
            ,
        );
        DB::update(
            <<<SQL
            UPDATE items SET state = plain.state, criterion_id = plain.criterion_id, updated_at = now() FROM ({$plain->toSql()}) AS plain
            WHERE items.review_id = plain.review_id AND items.id = plain.id AND (items.state, items.criterion_id) IS DISTINCT FROM (plain.state, plain.criterion_id)
            SQL
            ,
            $plain->getBindings(),
        );
    }

    /** @param  ?list<string>  $publicationIds */
    private static function ask(Stage $abstracts, Stage $titles, ?array $publicationIds): void
    {
        $row = fn (string $id): array => [
            'id' => strtolower((string) Str::ulid()),
            'review_id' => $titles->review_id,
            'publication_id' => $id,
            'stage_id' => $titles->id,
            'created_at' => now(),
            'updated_at' => now(),
        ];
        foreach (self::unasked($abstracts, $titles, $publicationIds)->chunk(self::PART) as $part) {
            DB::table('items')->insert(array_values($part->map($row)->all()));
        }
    }

    /**
     * @param  ?list<string>  $publicationIds  or all
     * @return Collection<int, string> those that wait at the abstract and have no item of their title
     */
    private static function unasked(Stage $abstracts, Stage $titles, ?array $publicationIds): Collection
    {
        return StageItems::of($abstracts)
            ->where('items.state', ItemState::Waiting->value)
            ->when($publicationIds !== null, fn ($some) => $some->whereIn('items.publication_id', $publicationIds))
            ->whereNotExists(ItemTraces::judged(...))
            ->whereNotExists(
                fn (Builder $asked) => $asked
                    ->selectRaw('1')
                    ->from('items AS title')
                    ->whereColumn('title.review_id', 'items.review_id')
                    ->whereColumn('title.publication_id', 'items.publication_id')
                    ->where('title.stage_id', $titles->id),
            )
            ->orderBy('items.position')
            ->pluck('items.publication_id');
    }
}
