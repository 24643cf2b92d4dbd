<?php

declare(strict_types=1);

namespace App\Queries\Searches;

use App\Models\Review;
use App\Models\Scheme;
use App\Queries\Searches\Heading\Suggested;
use App\Queries\Searches\Heading\SuggestedHeading;
use App\Queries\Searches\Heading\TermCount;
use App\Sources\QueryCounts;
use App\Sources\SourceFailed;
use App\Sources\Sources;
use WaryHeron\Core\Search\Query\Parser;
use WaryHeron\Core\Search\Strategy\StrategyImport;
use WaryHeron\Core\Vocabulary\Offer;

/**
 * What is offered while a term is being typed: what it finds as it stands, and headings that go on from it, with their
 * other names.
 */
final readonly class Suggestions
{
    private const OFFERED = 5;

    private const NAMES = 8;

    /** One letter is no word yet. */
    private const SHORTEST = 2;

    public function __construct(private HeadingFinder $finder, private QueryCounts $counts, private Sources $sources)
    {
    }

    /** @param  list<string>  $sources  in which the term is counted */
    public function of(Review $review, string $typed, array $sources): Suggested
    {
        if (mb_strlen(trim($typed)) < self::SHORTEST) {
            return new Suggested();
        }

        return new Suggested($this->finds($review, $typed, $sources), $this->offers($review, $typed));
    }

    /**
     * @param  list<string>  $sources
     * @return list<TermCount>
     */
    private function finds(Review $review, string $typed, array $sources): array
    {
        // as the form and the board take it: several words are searched side by side
        $parsed = Parser::parse(StrategyImport::synonyms($typed)[0] ?? '');
        $finds = [];
        foreach ($parsed->isComplete() ? $sources : [] as $source) {
            try {
                $count = $this->counts->of($review, $source, [$parsed->root])[0] ?? null;
            } catch (SourceFailed) {
                continue; // the board says so; here it would only be in the way
            }
            if ($count !== null) {
                $finds[] = new TermCount($this->sources->shortName($source), $count);
            }
        }

        return $finds;
    }

    /** @return list<SuggestedHeading> */
    private function offers(Review $review, string $typed): array
    {
        $offers = [];
        $schemes = Headings::schemes($review)->sortBy(fn (Scheme $scheme): int => $scheme->source === null ? 1 : 0);
        foreach ($schemes->take(2) as $scheme) {
            $headings = new Headings($scheme, $review);
            $found = array_slice($headings->completing($typed), 0, self::OFFERED);
            $labels = array_map(fn (Offer $offer): string => $offer->concept->label, $found);
            $counts = $this->finder->headingCounts($review, $scheme->source, $labels);
            foreach ($found as $offer) {
                $label = $offer->concept->label;
                $below = $headings->narrower($label) === [] ? '' : '/narrower';
                $offers[$label] ??= new SuggestedHeading(
                    $label,
                    "heading:\"{$label}\"{$below}",
                    ($counts[$label] ?? null)?->own,
                    ($counts[$label] ?? null)?->exploded,
                    $scheme->source === null ? $scheme->title : $this->sources->shortName($scheme->source),
                    array_slice($offer->concept->alternatives, 0, self::NAMES),
                );
            }
        }

        return array_slice(array_values($offers), 0, self::OFFERED);
    }
}
