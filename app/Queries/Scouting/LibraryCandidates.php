<?php

declare(strict_types=1);

namespace App\Queries\Scouting;

use App\Models\Publication;
use App\Models\Review;
use App\Models\Scouting;
use App\Queries\Library\KeptReference;
use App\Queries\Library\ReviewWords;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Search\Query\Parser;
use WaryHeron\Core\Search\Sql\CannotAnswer;
use WaryHeron\Core\Search\Sql\PostgresPrinter;
use WaryHeron\Core\Search\Sql\SqlCondition;
use WaryHeron\Core\Search\Sql\TableLayout;

/** Publications of the review that may answer a question. */
final class LibraryCandidates
{
    /** Fewer are too few to choose from, so that a wider search is tried. */
    private const FEW = 20;

    /** @param  list<string>  $searches  in the query language, from narrow to wide */
    public static function of(Review $review, array $searches, int $most): FoundCandidates
    {
        [$count, $found] = [0, null];
        foreach ($searches as $search) {
            $query = self::query($review, $search);
            if ($query === null) {
                continue;
            }
            $count = $query->count();
            $found = $query;
            if ($count >= self::FEW) {
                break;
            }
        }
        $ids = $found === null ? [] : $found->orderBy('publications.id')->limit($most)->pluck('publications.id')->all();

        return new FoundCandidates($count, self::read($review, $ids));
    }

    private static function query(Review $review, string $search): ?Builder
    {
        $condition = self::condition($review, $search);

        return $condition === null
            ? null
            : DB::table('publications')
                ->where('publications.review_id', $review->id)
                ->whereNull('publications.merged_into')
                ->whereRaw($condition->text, $condition->bindings);
    }

    private static function condition(Review $review, string $search): ?SqlCondition
    {
        $parsed = Parser::parse($search);
        $layout = new TableLayout(
            words: 'publications.words',
            journalWords: null,
            exact: ['doi' => 'publications.doi'],
            limits: ['year' => 'publications.year'],
            titleWords: 'publications.title_words',
            authorsAlone: 'publications.author_words',
            wordList: new ReviewWords($review->id),
        );
        try {
            return $parsed->isComplete() ? (new PostgresPrinter($layout))->condition($parsed->root) : null;
        } catch (CannotAnswer) {
            return null;
        }
    }

    /**
     * @param  array<string>  $ids
     * @return list<Candidate>
     */
    private static function read(Review $review, array $ids): array
    {
        $candidates = [];
        $publications = Publication::query()
            ->where('review_id', $review->id)
            ->whereIn('id', $ids)
            ->with('records')
            ->orderBy('id')
            ->get(['id', 'review_id', 'title', 'chosen']);
        foreach ($publications as $publication) {
            $reference = KeptReference::of($publication);
            if ($reference !== null) {
                $candidates[] = new Candidate(Scouting::LIBRARY, $publication->id, $reference);
            }
        }

        return $candidates;
    }
}
