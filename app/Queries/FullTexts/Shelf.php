<?php

declare(strict_types=1);

namespace App\Queries\FullTexts;

use App\Models\Review;
use App\Models\User;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;

/**
 * A person's own shelf: PDFs that they brought to other reviews, of publications whose text is sought here and not here
 * yet. Nobody else sees it; what is brought is then seen by this review's team.
 */
final class Shelf
{
    private const MOST = 500;

    /** @return array<string, string> PDFs by publication of this review, one each */
    public static function offers(Review $review, User $person): array
    {
        $copies = self::elsewhere($review)
            ->where('full_texts.user_id', $person->id)
            ->where('full_texts.origin', 'person')
            ->where('full_texts.review_id', '<>', $review->id)
            ->whereNull('full_texts.taken_out_at')
            ->whereNull('full_texts.replaced_by')
            ->whereIn('full_texts.state', ['read', 'scan'])
            ->whereNotExists(self::here(...))
            ->orderBy('full_texts.id')
            ->limit(self::MOST)
            ->get(['publications.id AS publication', 'full_texts.id AS copy'])
            ->pluck('copy', 'publication')
            ->all();

        return array_map(strval(...), $copies);
    }

    /** What is sought, with copies of the same publications in any review. */
    private static function elsewhere(Review $review): Builder
    {
        return Retrievals::sought($review)
            ->join('publications AS elsewhere', self::isSame(...))
            ->join('full_texts', fn (JoinClause $join) => $join
                ->on('full_texts.review_id', '=', 'elsewhere.review_id')
                ->on('full_texts.publication_id', '=', 'elsewhere.id'));
    }

    /** A copy that the review has already. */
    private static function here(Builder $here): void
    {
        $here
            ->selectRaw('1')
            ->from('full_texts AS here')
            ->whereColumn('here.review_id', 'items.review_id')
            ->whereColumn('here.publication_id', 'items.publication_id')
            ->whereNull('here.taken_out_at');
    }

    /** The same DOI, or where one has none, the same title and year. */
    private static function isSame(JoinClause $join): void
    {
        $join->on('elsewhere.review_id', '<>', 'publications.review_id')->whereRaw(<<<'SQL'
            CASE WHEN publications.doi <> '' AND elsewhere.doi <> '' THEN publications.doi = elsewhere.doi
                ELSE publications.sort_title <> '' AND publications.sort_title = elsewhere.sort_title
                    AND publications.year = elsewhere.year END
            SQL);
    }

    /** @return list<ShelvedCopy> what is offered, for people */
    public static function listed(Review $review, User $person): array
    {
        $offers = self::offers($review, $person);
        $titles = DB::table('publications')->where('review_id', $review->id)->whereIn('id', array_keys($offers))->pluck('title', 'id');
        $names = DB::table('full_texts')->whereIn('id', $offers)->pluck('name', 'id');

        return array_values(array_map(
            fn (string $publication, string $file): ShelvedCopy => new ShelvedCopy(
                (string) $titles[$publication],
                (string) $names[$file],
            ),
            array_map(strval(...), array_keys($offers)),
            $offers,
        ));
    }
}
