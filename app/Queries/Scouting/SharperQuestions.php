<?php

declare(strict_types=1);

namespace App\Queries\Scouting;

use App\Models\Review;
use App\Sources\QueryCounts;
use App\Sources\SourceFailed;
use WaryHeron\Core\Scouting\Asked\QuestionStrategy;
use WaryHeron\Core\Scouting\Scout;
use WaryHeron\Core\Scouting\Sharper\Suggestion;
use WaryHeron\Core\Scouting\Sharper\Suggestions;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Parser;

/** How a question could be asked more sharply, with how many records each would leave. */
final readonly class SharperQuestions
{
    public function __construct(private QueryCounts $counts)
    {
    }

    /**
     * @param  list<string>  $sources
     * @return list<SharperOffer>
     */
    public function of(Review $review, FoundPapers $papers, string $question, array $sources): array
    {
        $scout = new Scout(ReviewFamilies::of($review, $question));
        $read = $scout->question($question);
        $suggestions = Suggestions::of($read, $papers->records());
        $search = QuestionStrategy::of($read)[0] ?? '';
        $queries = array_map(
            fn (Suggestion $one): Node => Parser::parse("({$search}) AND \"{$one->words}\"")->root,
            $suggestions,
        );
        $counts = $search === '' ? [] : $this->counted($review, $sources, $queries);

        return array_map(
            fn (Suggestion $one, int $i): SharperOffer => new SharperOffer($one, $counts[$i] ?? []),
            $suggestions,
            array_keys($suggestions),
        );
    }

    /**
     * @param  list<string>  $sources
     * @param  list<Node>  $queries
     * @return array<int, array<string, int>> by query and source
     */
    private function counted(Review $review, array $sources, array $queries): array
    {
        $counts = [];
        foreach ($queries === [] ? [] : $sources as $source) {
            try {
                foreach ($this->counts->of($review, $source, $queries) as $i => $count) {
                    $counts[$i][$source] = $count;
                }
            } catch (SourceFailed) {
                continue; // the page says which source does not answer
            }
        }

        return $counts;
    }
}
