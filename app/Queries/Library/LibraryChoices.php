<?php

declare(strict_types=1);

namespace App\Queries\Library;

use App\Models\Delivery;
use App\Models\Review;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/** What the library can be narrowed down by: the types, languages, sources and tags that occur. */
final readonly class LibraryChoices
{
    /**
     * @param  list<string>  $types
     * @param  list<string>  $languages
     * @param  list<string>  $sources
     * @param  list<string>  $tags
     */
    private function __construct(
        public array $types,
        public array $languages,
        public array $sources,
        public array $tags,
    ) {
    }

    public static function of(Review $review): self
    {
        return new self(
            self::values($review, 'publications', 'type'),
            self::values($review, 'publications', 'language'),
            array_values(
                DB::table('deliveries')
                    ->where('review_id', $review->id)
                    ->whereNull('withdrawn_at')
                    ->distinct()
                    ->orderBy('source_name')
                    ->pluck('source_name')
                    ->all(),
            ),
            self::values($review, 'publication_tags', 'tag'),
        );
    }

    /** @return Collection<int, Delivery> that records can be told apart by */
    public static function deliveries(Review $review): Collection
    {
        return $review->deliveries()->orderBy('created_at')->get(['id', 'source_name', 'file_name']);
    }

    /** @return list<string> reasons for which publications were removed, to be given again */
    public static function removals(Review $review): array
    {
        return array_values(
            DB::table('publications')
                ->where('review_id', $review->id)
                ->whereNotNull('removed_at')
                ->distinct()
                ->orderBy('removed_for')
                ->limit(50)
                ->pluck('removed_for')
                ->all(),
        );
    }

    /**
     * @return list<string> found by skipping through the index from one value to the next, so that no row is read twice
     */
    private static function values(Review $review, string $table, string $column): array
    {
        return array_values(
            array_filter(
                array_column(
                    DB::select(
                        <<<SQL
                        WITH RECURSIVE found AS (
                            (SELECT {$column} AS value FROM {$table} WHERE review_id = ? ORDER BY {$column} LIMIT 1)
                            UNION ALL SELECT (SELECT {$column} FROM {$table} WHERE review_id = ? AND {$column} > found.value ORDER BY {$column} LIMIT 1) FROM found WHERE found.value IS NOT NULL
                        ) SELECT value FROM found WHERE value IS NOT NULL LIMIT 100
                        SQL
                        ,
                        [$review->id, $review->id],
                    ),
                    'value',
                ),
                fn (string $value): bool => $value !== '',
            ),
        );
    }
}
