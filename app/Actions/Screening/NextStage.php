<?php

declare(strict_types=1);

namespace App\Actions\Screening;

use App\Models\Item;
use App\Models\Stage;
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
        $next =
            $stage->purpose === StagePurpose::TitleAbstract
                ? Stage::query()
                    ->where('review_id', $stage->review_id)
                    ->where('purpose', StagePurpose::FullText)
                    ->first()
                : null;
        if ($next === null) {
            return;
        }
        $only = fn ($query, string $column) => $publicationIds === null
            ? $query
            : $query->whereIn($column, $publicationIds);
        $included = fn ($query) => $query
            ->selectRaw('1')
            ->from('items AS before')
            ->whereColumn('before.publication_id', 'items.publication_id')
            ->where('before.stage_id', $stage->id)
            ->where('before.state', ItemState::Included->value);
        $there = fn () => $only(
            Item::query()->where('items.review_id', $stage->review_id)->where('items.stage_id', $next->id),
            'items.publication_id',
        );
        $judged = fn ($query) => $query
            ->selectRaw('1')
            ->from('decisions')
            ->whereColumn('decisions.review_id', 'items.review_id')
            ->whereColumn('decisions.item_id', 'items.id');

        // no longer included: what nobody has judged goes, the rest is set aside with its decisions
        $there()
            ->whereNotExists($included)
            ->whereNotExists($judged)
            ->whereNotIn('state', [ItemState::Folded->value])
            ->delete();
        $there()
            ->whereNotExists($included)
            ->whereNotIn('state', [ItemState::Folded->value, ItemState::Removed->value])
            ->update(['state' => ItemState::Removed]);
        // included again: what was set aside is counted anew
        $back = $there()->whereExists($included)->where('state', ItemState::Removed->value)->pluck('id')->all();
        $new = $only(
            DB::table('items')
                ->where('review_id', $stage->review_id)
                ->where('stage_id', $stage->id)
                ->where('state', ItemState::Included->value),
            'publication_id',
        )
            ->whereNotExists(
                fn ($q) => $q
                    ->selectRaw('1')
                    ->from('items AS after')
                    ->whereColumn('after.publication_id', 'items.publication_id')
                    ->where('after.stage_id', $next->id),
            )
            ->orderBy('position')
            ->pluck('publication_id');
        foreach ($new->chunk(2000) as $part) {
            self::add($stage, $next->id, array_values($part->all()));
        }
        // what came before and went again has its text already
        $known = $new->isEmpty()
            ? []
            : $there()
                ->where('state', ItemState::Awaited->value)
                ->whereIn(
                    'publication_id',
                    DB::table('retrievals')
                        ->where('review_id', $stage->review_id)
                        ->where('state', '<>', RetrievalState::Sought->value)
                        ->select('publication_id'),
                )
                ->pluck('id')
                ->all();
        ItemBallot::recount(array_values([...$back, ...$known]));
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
