<?php

declare(strict_types=1);

namespace App\Queries\Scouting;

use App\Models\Review;
use App\Queries\Searches\Compiler;
use App\Sources\Order;
use App\Sources\Source;
use App\Sources\SourceFailed;
use App\Sources\Sources;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Search\Query\Parser;

/** Records of a database that may answer a question, page by page. */
final readonly class SourceCandidates
{
    /** Fewer are too few to choose from, so that a wider search is tried. */
    private const FEW = 20;

    public function __construct(private Sources $sources, private Compiler $compiler)
    {
    }

    /**
     * @param  list<string>  $searches  in the query language, from narrow to wide
     *
     * @throws SourceFailed
     */
    public function search(Review $review, string $key, array $searches): CountedQuery
    {
        $source = $this->sources->get($key);
        $best = new CountedQuery();
        foreach ($searches as $search) {
            $parsed = Parser::parse($search);
            $compiled = $parsed->isComplete() ? $this->compiler->compile($review, $key, $parsed->root) : null;
            if ($compiled?->isUsable() !== true) {
                continue;
            }
            $best = new CountedQuery($compiled->text, $source->count($compiled->text));
            if ($best->count >= self::FEW) {
                break;
            }
        }

        return $best;
    }

    /**
     * @return \Generator<int, list<Candidate>> a page at a time
     *
     * @throws SourceFailed
     */
    public function pages(string $key, string $query, int $most): \Generator
    {
        $source = $this->sources->get($key);
        for ($from = 1; $from <= $most; $from += $batch) {
            $batch = min($source->batch(), $most - $from + 1);
            $candidates = $this->page($key, $source, $query, $from, $batch);
            if ($candidates === []) {
                return;
            }
            yield $candidates;
        }
    }

    /**
     * @return list<Candidate>
     *
     * @throws SourceFailed
     */
    private function page(string $key, Source $source, string $query, int $from, int $batch): array
    {
        $candidates = [];
        foreach ($source->page($query, $from, $batch, Order::Relevance)->records as $record) {
            if ($record instanceof Reference) {
                $candidates[] = new Candidate($key, null, $record);
            }
        }

        return $candidates;
    }
}
