<?php

declare(strict_types=1);

namespace App\Sources;

use App\Models\Review;
use App\Queries\Searches\Compiler;
use WaryHeron\Core\Search\Query\Node\Node;

/** Counts of queries of ours, each compiled for the source. */
final readonly class QueryCounts
{
    private const SECONDS = 6.0;

    public function __construct(private Compiler $compiler, private Counts $counts)
    {
    }

    /**
     * @template K of array-key
     *
     * @param  array<K, Node>  $queries
     * @return array<K, int> those that could be counted in time
     *
     * @throws SourceFailed
     */
    public function of(Review $review, string $source, array $queries): array
    {
        $texts = array_filter(
            array_map(function (Node $query) use ($review, $source): string {
                $compiled = $this->compiler->compile($review, $source, $query);

                return $compiled->isUsable() ? $compiled->text : '';
            }, $queries),
        );
        $counts = $this->counts->of($source, array_values($texts), self::SECONDS);

        return array_filter(
            array_map(fn (string $text): int|string|null => $counts[$text] ?? null, $texts),
            is_int(...),
        );
    }
}
