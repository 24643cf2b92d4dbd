<?php

declare(strict_types=1);

namespace App\Queries\Library;

use App\Models\Publication;
use App\Models\Review;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Screening\ItemState;

/**
 * Publications as references, each with the best of all its records and what people chose; read in parts, for there may
 * be many.
 */
final class LibraryReferences
{
    private const PART = 500;

    /** @return \Generator<string, Reference> by publication, whose id the reference bears; by first author */
    public static function of(Review $review, LibraryFilters $filters): \Generator
    {
        return self::read($review, $filters->publications());
    }

    /** @return \Generator<string, Reference> all that the review has, removed ones among them */
    public static function whole(Review $review): \Generator
    {
        return self::read(
            $review,
            DB::table('publications')->where('publications.review_id', $review->id)->whereNull('publications.merged_into'),
        );
    }

    /** @return \Generator<string, Reference> */
    public static function included(Review $review): \Generator
    {
        return self::read(
            $review,
            DB::table('publications')
                ->where('publications.review_id', $review->id)
                ->whereNull('publications.merged_into')
                ->whereExists(
                    fn (Builder $item) => $item
                        ->selectRaw('1')
                        ->from('items')
                        ->whereColumn('items.review_id', 'publications.review_id')
                        ->whereColumn('items.publication_id', 'publications.id')
                        ->where('items.stage_id', $review->lastStage()->id)
                        ->where('items.state', ItemState::Included->value),
                ),
        );
    }

    /** @return \Generator<string, Reference> */
    private static function read(Review $review, Builder $query): \Generator
    {
        $ids = $query->orderBy('publications.first_author')->orderBy('publications.id')->pluck('publications.id');
        foreach ($ids->chunk(self::PART) as $part) {
            $publications = Publication::query()
                ->where('review_id', $review->id)
                ->whereIn('id', $part)
                ->with('records')
                ->get(['id', 'review_id', 'title', 'chosen'])
                ->keyBy('id');
            foreach ($part as $id) {
                $reference = isset($publications[$id]) ? KeptReference::of($publications[$id]) : null;
                if ($reference !== null) {
                    yield $id => self::named($reference, $id);
                }
            }
        }
    }

    private static function named(Reference $reference, string $id): Reference
    {
        return new Reference(...[...get_object_vars($reference), 'id' => $id, 'source' => '', 'line' => 0]);
    }
}
