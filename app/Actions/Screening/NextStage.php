<?php

declare(strict_types=1);

namespace App\Actions\Screening;

use App\Models\Item;
use App\Models\Stage;
use App\Queries\Screening\ItemTraces;
use App\Queries\Shared\StageItems;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WaryHeron\Core\FullText\RetrievalState;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\StagePurpose;

/** Lets what is included at a stage go on to the next, and takes it off there when it no longer is. */
final class NextStage
{
    /**
     * The same as below where one publication stands otherwise than before: for most the only thing to do is a new
     * item.
     */
    public static function followOne(Stage $stage, string $publicationId, ItemState $was, ItemState $is): void
    {
        if ($stage->purpose === StagePurpose::Titles) {
            TitlesFirst::follow($stage, [$publicationId]);
        } elseif (in_array(ItemState::Included, [$was, $is], true)) {
            self::toFullText($stage, $publicationId, $is === ItemState::Included);
        }
    }

    private static function toFullText(Stage $stage, string $publicationId, bool $isIncluded): void
    {
        $next =
            $stage->purpose !== StagePurpose::TitleAbstract
                ? null
                : DB::selectOne(
                    <<<'SQL'
                    SELECT stages.id, items.id AS item, EXISTS (SELECT 1 FROM retrievals WHERE retrievals.review_id = stages.review_id AND retrievals.publication_id = ? AND retrievals.state <> ?) AS is_known
                    FROM stages LEFT JOIN items ON items.review_id = stages.review_id AND items.stage_id = stages.id AND items.publication_id = ?
                    WHERE stages.review_id = ? AND stages.purpose = ? ORDER BY stages.id LIMIT 1
                    SQL
                    ,
                    [
                        $publicationId,
                        RetrievalState::Sought->value,
                        $publicationId,
                        $stage->review_id,
                        StagePurpose::FullText->value,
                    ],
                );
        if ($next === null || ($next->item === null && ! $isIncluded)) {
            return;
        }
        if ($next->item !== null || $next->is_known) {
            self::follow($stage, [$publicationId]);
        } else {
            self::add($stage, $next->id, [$publicationId]);
        }
    }

    /** @param  ?list<string>  $publicationIds  those that may have changed; null for all of the review */
    public static function follow(Stage $stage, ?array $publicationIds): void
    {
        if ($stage->purpose === StagePurpose::Titles) {
            TitlesFirst::follow($stage, $publicationIds);

            return;
        }
        $next = self::after($stage);
        if ($next === null) {
            return;
        }
        self::setAside($stage, $next, $publicationIds);
        // included again: what was set aside is counted anew
        $again = self::there($next, $publicationIds)->whereExists(self::isIncluded($stage));
        $back = $again->where('state', ItemState::Removed->value)->pluck('id')->all();
        $new = self::new($stage, $next, $publicationIds);
        foreach ($new->chunk(2000) as $part) {
            self::add($stage, $next->id, array_values($part->all()));
        }
        // what came before and went again has its text already
        $known = $new->isEmpty() ? [] : self::there($next, $publicationIds)
            ->where('state', ItemState::Awaited->value)
            ->whereIn('publication_id', DB::table('retrievals')
                ->where('review_id', $stage->review_id)
                ->where('state', '<>', RetrievalState::Sought->value)
                ->select('publication_id'))
            ->pluck('id')
            ->all();
        ItemBallot::recount(array_values([...$back, ...$known]));
    }

    private static function after(Stage $stage): ?Stage
    {
        return $stage->purpose !== StagePurpose::TitleAbstract ? null : Stage::query()
            ->where('review_id', $stage->review_id)
            ->where('purpose', StagePurpose::FullText)
            ->first();
    }

    /**
     * @param  ?list<string>  $publicationIds  or all
     * @return Builder<Item>
     */
    private static function there(Stage $stage, ?array $publicationIds): Builder
    {
        return Item::query()
            ->where('items.review_id', $stage->review_id)
            ->where('items.stage_id', $stage->id)
            ->when($publicationIds !== null, fn ($some) => $some->whereIn('items.publication_id', $publicationIds));
    }

    private static function isIncluded(Stage $stage): \Closure
    {
        return fn ($before) => $before
            ->selectRaw('1')
            ->from('items AS before')
            ->whereColumn('before.publication_id', 'items.publication_id')
            ->where('before.stage_id', $stage->id)
            ->where('before.state', ItemState::Included->value);
    }

    /**
     * Of what is no longer included: what nobody has judged goes, the rest is set aside with its decisions.
     *
     * @param  ?list<string>  $publicationIds  or all
     */
    private static function setAside(Stage $stage, Stage $next, ?array $publicationIds): void
    {
        $out = fn () => self::there($next, $publicationIds)->whereNotExists(self::isIncluded($stage));
        $out()
            ->whereNotExists(ItemTraces::judged(...))
            ->whereNotIn('state', [ItemState::Folded->value])
            ->delete();
        $out()
            ->whereNotIn('state', [ItemState::Folded->value, ItemState::Removed->value])
            ->update(['state' => ItemState::Removed]);
    }

    /**
     * @param  ?list<string>  $publicationIds  or all
     * @return Collection<int, string> publications that are included and have no item at the next stage
     */
    private static function new(Stage $stage, Stage $next, ?array $publicationIds): Collection
    {
        return StageItems::of($stage)
            ->where('state', ItemState::Included->value)
            ->when($publicationIds !== null, fn ($some) => $some->whereIn('publication_id', $publicationIds))
            ->whereNotExists(fn ($after) => $after
                ->selectRaw('1')
                ->from('items AS after')
                ->whereColumn('after.publication_id', 'items.publication_id')
                ->where('after.stage_id', $next->id))
            ->orderBy('position')
            ->pluck('publication_id');
    }

    /** @param  list<string>  $publicationIds */
    private static function add(Stage $stage, string $nextId, array $publicationIds): void
    {
        DB::table('items')->insert(
            array_map(
                fn (string $id): array => [
                    'id' => strtolower((string) Str::ulid()),
                    'review_id' => $stage->review_id,
                    'publication_id' => $id,
                    'stage_id' => $nextId,
                    'state' => ItemState::Awaited->value,
                    'created_at' => now(),
                    'updated_at' => now(),
                ],
                $publicationIds,
            ),
        );
    }
}
