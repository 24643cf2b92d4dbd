<?php

declare(strict_types=1);

namespace App\Queries\Coding;

use App\Models\Review;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\Lead\Ranked\Learned;

/** What people took as evidence and turned down so far in a review, for the engine to learn from. */
final readonly class Corrections
{
    private const MOST = 4000;

    /**
     * @param  array<string, list<string>>  $taken  quotes by item
     * @param  array<string, list<string>>  $turnedDown  quotes by item
     */
    private function __construct(private array $taken, private array $turnedDown)
    {
    }

    public static function of(Review $review): self
    {
        $byItem = fn (Builder $rows): array => $rows
            ->limit(self::MOST)
            ->get()
            ->groupBy('code_id')
            ->map(fn ($of): array => array_values($of->pluck('quote')->filter()->all()))
            ->all();

        return new self($byItem(self::taken($review)), $byItem(self::turnedDown($review)));
    }

    /** The last ones first. */
    private static function taken(Review $review): Builder
    {
        return DB::table('answers_by_part')
            ->where('review_id', $review->id)
            ->where('kind', 'value')
            ->whereRaw("evidence <> '[]'")
            ->orderByDesc('created_at')
            ->select(['code_id', DB::raw("evidence -> 0 ->> 'quote' AS quote")]);
    }

    private static function turnedDown(Review $review): Builder
    {
        return DB::table('leads')
            ->where('review_id', $review->id)
            ->whereIn('ruling', ['rejected', 'corrected'])
            ->where('quote', '<>', '')
            ->orderByDesc('ruled_at')
            ->select(['code_id', 'quote']);
    }

    /** @return array<array-key, float> weights of stems */
    public function learned(string $code): array
    {
        $others = array_merge([], ...array_values(array_diff_key($this->taken, [$code => true])));

        return Learned::from($this->taken[$code] ?? [], $this->turnedDown[$code] ?? [], $others);
    }
}
