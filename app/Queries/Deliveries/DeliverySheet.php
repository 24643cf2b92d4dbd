<?php

declare(strict_types=1);

namespace App\Queries\Deliveries;

use App\Models\Delivery;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** What came with a delivery: by year, what is often missing, and what withdrawing it would mean. */
final readonly class DeliverySheet
{
    private const FIELDS = [
        'abstract' => 'Abstract',
        'doi' => 'DOI',
        'authors' => 'Authors',
        'year' => 'Year',
        'journal' => 'Journal or book',
        'volume' => 'Volume',
        'firstPage' => 'Pages',
        'language' => 'Language',
        'keywords' => 'Keywords',
    ];

    /**
     * @param  array<int, int>  $years  records by year; 0 for those without
     * @param  list<array{label: string, missing: int}>  $missing
     */
    private function __construct(public array $years, public array $missing, public int $records, public int $worked)
    {
    }

    public static function of(Delivery $delivery): self
    {
        $records = DB::table('records')
            ->where('review_id', $delivery->review_id)
            ->where('delivery_id', $delivery->id)
            ->whereNull('withdrawn_at');
        $counts = self::counts($records);
        $missing = array_map(
            fn (string $field, string $label): array => ['label' => $label, 'missing' => (int) $counts[$field]],
            array_keys(self::FIELDS),
            self::FIELDS,
        );

        return new self(
            self::years($records),
            array_values(array_filter($missing, fn (array $one): bool => $one['missing'] > 0)),
            (int) $counts['n'],
            self::worked($records, $delivery),
        );
    }

    /** @return array<string, int> of all records, and of those that lack each field */
    private static function counts(Builder $records): array
    {
        $lacking = array_map(
            fn (string $field): string => "count(*) FILTER (WHERE NOT jsonb_exists(reference, '{$field}')) AS \"{$field}\"",
            array_keys(self::FIELDS),
        );

        $counts = (clone $records)->selectRaw('count(*) AS n, '.implode(', ', $lacking))->first();

        return array_map(intval(...), (array) $counts);
    }

    /** Publications among them that somebody has decided on. */
    private static function worked(Builder $records, Delivery $delivery): int
    {
        // a list made once, and not a look for each record: good also where the database has no statistics yet
        return (clone $records)
            ->whereIn(
                'publication_id',
                DB::table('decisions')
                    ->join('items', 'items.id', '=', 'decisions.item_id')
                    ->whereColumn('items.review_id', 'decisions.review_id')
                    ->where('decisions.review_id', $delivery->review_id)
                    ->select('items.publication_id'),
            )
            ->distinct()
            ->count('publication_id');
    }

    /** @return array<int, int> how many by year, 0 for none */
    private static function years(Builder $records): array
    {
        return (clone $records)
            ->selectRaw("coalesce((reference->>'year')::int, 0) AS year, count(*) AS n")
            ->groupByRaw('1')
            ->orderByRaw('1')
            ->pluck('n', 'year')
            ->map(fn ($n): int => (int) $n)
            ->all();
    }
}
