<?php

declare(strict_types=1);

namespace App\Sources;

use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;

/** Counts of queries in a source, kept while its holdings stay as they are. */
final readonly class Counts
{
    private const HOLDINGS_SECONDS = 60;

    public function __construct(private Sources $sources)
    {
    }

    /** @throws SourceFailed */
    public function holdings(string $source): string
    {
        return Cache::remember(
            "holdings/{$source}",
            self::HOLDINGS_SECONDS,
            fn (): string => $this->sources->get($source)->holdings(),
        );
    }

    /**
     * @param  list<string>  $queries
     * @param  float  $seconds  how long to count those that are not known yet
     * @return array<string, int|string> by query: the count, or why there is none; those that are missing wait for the
     *     next call
     *
     * @throws SourceFailed If the source does not answer at all.
     */
    public function of(string $source, array $queries, float $seconds): array
    {
        $queries = array_values(array_unique($queries));
        if ($queries === []) {
            return [];
        }
        $holdings = $this->holdings($source);
        $counts = self::known($source, $holdings, $queries);
        $missing = array_values(array_filter($queries, fn (string $query): bool => ! isset($counts[$query])));
        $new = [];
        foreach ($this->sources->get($source)->countAll($missing, microtime(true) + $seconds) as $query => $count) {
            $query = (string) $query;
            $counts[$query] = $count instanceof SourceFailed ? $count->getMessage() : $count;
            if (is_int($count)) {
                $hash = hash('sha256', $query);
                $new[] = ['query_hash' => $hash, 'count' => $count, 'counted_at' => now()] + compact('source', 'holdings');
            }
        }
        if ($new !== []) {
            DB::table('query_counts')->insertOrIgnore($new);
            // what was counted at an earlier state is of no use any more
            DB::table('query_counts')->where('source', $source)->where('holdings', '<>', $holdings)->delete();
        }

        return $counts;
    }

    /**
     * @param  list<string>  $queries
     * @return array<string, int|string> those that were counted before and hold still
     */
    private static function known(string $source, string $holdings, array $queries): array
    {
        $byHash = array_combine(array_map(fn (string $query): string => hash('sha256', $query), $queries), $queries);
        $counts = [];
        foreach (array_chunk(array_map(strval(...), array_keys($byHash)), 5000) as $hashes) {
            $known = DB::table('query_counts')
                ->where('source', $source)
                ->where('holdings', $holdings)
                ->whereIn('query_hash', $hashes)
                ->pluck('count', 'query_hash');
            foreach ($known as $hash => $count) {
                $counts[$byHash[$hash]] = (int) $count;
            }
        }

        return $counts;
    }
}
