<?php

declare(strict_types=1);

namespace App\Queries\Matching;

use App\Models\Review;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Matching\Fingerprint;
use WaryHeron\Core\Matching\Fingerprints;

/**
 * What matching needs to know of a review: its records, which of them are one publication already, and what people
 * ruled.
 */
final readonly class MatchInput
{
    /**
     * @param  list<Fingerprint>  $prints
     * @param  list<array{string, string}>  $same
     * @param  list<array{string, string}>  $different
     */
    private function __construct(public array $prints, public array $same, public array $different)
    {
    }

    public static function of(Review $review): self
    {
        $fingerprints = new Fingerprints();
        $prints = $same = [];
        $first = [];
        $after = '';
        do {
            $rows = self::records($review, $after);
            foreach ($rows as $row) {
                $prints[] = $fingerprints->of(Reference::fromArray(json_decode($row->reference, true)), $row->id);
                if (isset($first[$row->publication_id])) {
                    $same[] = [$first[$row->publication_id], $row->id];
                } else {
                    $first[$row->publication_id] = $row->id;
                }
                $after = $row->id;
            }
        } while (count($rows) === 2000);

        return new self($prints, $same, self::ruledDifferent($review->id));
    }

    /** @return Collection<int, \stdClass> the next ones of those that count */
    private static function records(Review $review, string $after): Collection
    {
        return DB::table('records')
            ->join('publications', 'publications.id', '=', 'records.publication_id')
            ->whereColumn('publications.review_id', 'records.review_id')
            ->where('records.review_id', $review->id)
            ->whereNull('withdrawn_at')
            ->whereNull('publications.removed_at')
            ->where('records.id', '>', $after)
            ->orderBy('records.id')
            ->limit(2000)
            ->get(['records.id', 'publication_id', 'reference']);
    }

    /** @return list<array{string, string}> */
    public static function ruledDifferent(string $reviewId): array
    {
        return array_values(
            DB::table('rulings')
                ->where('review_id', $reviewId)
                ->whereNull('superseded_at')
                ->where('ruling', 'different')
                ->get(['record_a', 'record_b'])
                ->map(fn (object $row): array => [$row->record_a, $row->record_b])
                ->all(),
        );
    }
}
