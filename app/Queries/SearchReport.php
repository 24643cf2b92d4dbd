<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\Delivery;
use App\Models\Review;
use App\Models\Run;
use Illuminate\Support\Facades\DB;

/**
 * Everything that a report of a literature search has to say, from what was done.
 *
 * Source: Rethlefsen et al., PRISMA-S, Syst Rev 2021 (items 1 to 16; those that concern searching beyond databases are named as not done here).
 */
final readonly class SearchReport
{
    /** @return array<string, mixed> */
    public function of(Review $review): array
    {
        // what counts is a run whose records were fetched; the others were trials
        $runs = Run::query()->where('review_id', $review->id)->whereHas('deliveries', fn ($delivery) => $delivery->where('kept', '>', 0)->orWhere('passed_over', '>', 0))->with('runner', 'strategy', 'deliveries')->orderBy('ran_at')->get();
        $files = $review->deliveries()->where('kind', 'file')->with('creator')->orderBy('searched_on')->get();
        $records = (int) DB::table('records')->where('review_id', $review->id)->count();
        $publications = (int) DB::table('publications')->where('review_id', $review->id)->whereNull('merged_into')->whereNull('removed_at')->count();
        $versions = DB::table('strategy_versions')->where('review_id', $review->id)->count();

        return [
            'runs' => $runs, 'files' => $files, 'records' => $records, 'publications' => $publications, 'versions' => $versions,
            'passedOver' => (int) $review->deliveries()->sum('passed_over'), 'known' => $review->knownItems()->count(),
            'limits' => $runs->mapWithKeys(fn (Run $run): array => [$run->id => $this->limits($run)])->all(),
            'kept' => fn (Run $run): int => (int) $run->deliveries->sum(fn (Delivery $delivery): int => $delivery->kept),
        ];
    }

    /** @return list<string> the limits of a run, and which of them the database does not have */
    private function limits(Run $run): array
    {
        $limits = [];
        foreach ($run->lines as $line) {
            if (preg_match('/(?<how>AND|NOT)\s+(?<limit>\(?(?:year|language|type|age|species):.+)$/i', $line['text'], $match) === 1) {
                $isLacking = array_filter($line['notes'], fn (string $note): bool => str_contains($note, 'no such limit')) !== [];
                $limits[] = (strtoupper($match['how']) === 'NOT' ? 'all but ' : '').$match['limit'].($isLacking ? ' (not applied: the database has no such limit)' : '');
            }
        }

        return $limits;
    }
}
