<?php

declare(strict_types=1);

namespace App\Queries\Report\Claims;

use App\Models\Review;
use App\Models\Stage;
use App\Queries\Shared\StageItems;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use stdClass;
use WaryHeron\Core\Screening\ItemState;

/** Decisions on full text as what a claim may rest on: which report was taken or left out, and why. Only those that have opened. */
final class DecisionEvidence
{
    public const KIND = 'decision';

    /**
     * @param  ?list<string>  $only  ids of items
     * @return list<HeldPiece>
     */
    public static function of(Review $review, ?array $only = null): array
    {
        if ($only === []) {
            return [];
        }
        $stage = $review->lastStage();
        $items = self::items($stage, $only);

        return array_values($items->map(fn (stdClass $one): HeldPiece => new HeldPiece(
            kind: self::KIND,
            id: $one->id,
            publication: $one->publication_id,
            study: trim("{$one->first_author} {$one->year}") ?: $one->title,
            says: "{$stage->name}: {$one->state}".($one->reason === null ? '' : ", {$one->reason}"),
            quote: '',
            where: $one->title,
            url: route('publications.show', [$review, $one->publication_id], false),
        ))->all());
    }

    /**
     * @param  ?list<string>  $only
     * @return Collection<int, stdClass> those that are settled and open
     */
    private static function items(Stage $stage, ?array $only): Collection
    {
        return StageItems::withPublications($stage)
            ->leftJoin('criteria', 'criteria.id', '=', 'items.criterion_id')
            ->whereIn('items.state', [ItemState::Included->value, ItemState::Excluded->value])
            ->whereNotNull('items.opened_at')
            ->whereNull('items.folded_at')
            ->when($only !== null, fn (Builder $some) => $some->whereIn('items.id', $only ?? []))
            ->orderBy('items.id')
            ->get(['items.id', 'items.publication_id', 'items.state', 'criteria.reason', 'publications.title', 'first_author', 'year']);
    }
}
