<?php

declare(strict_types=1);

namespace App\Queries\Report\Claims;

use App\Models\Review;
use App\Models\ScoutedPaper;
use WaryHeron\Core\Scouting\Answer\Direction;

/** Sentences of papers that a plain question brought, as what a claim may rest on: read by machine, not coded by people. */
final class ScoutedEvidence
{
    public const KIND = 'scouted';

    /**
     * @param  list<string>  $only  ids of papers
     * @return list<HeldPiece>
     */
    public static function of(Review $review, array $only): array
    {
        if ($only === []) {
            return [];
        }
        $papers = ScoutedPaper::query()
            ->where('review_id', $review->id)
            ->whereIn('id', $only)
            ->whereNull('thrown_out_at')
            ->where('sentence', '<>', '')
            ->orderBy('id')
            ->get();

        return array_values($papers->map(fn (ScoutedPaper $one): HeldPiece => self::piece($review, $one))->all());
    }

    private static function piece(Review $review, ScoutedPaper $paper): HeldPiece
    {
        return new HeldPiece(
            kind: self::KIND,
            id: $paper->id,
            publication: $paper->publication_id ?? $paper->id,
            study: $paper->called(),
            says: 'read by machine: '.($paper->direction ?? Direction::Unclear)->value,
            quote: $paper->sentence,
            where: $paper->page === null ? 'abstract' : "page {$paper->page}",
            url: route('scouting.show', [$review, $paper->scouting_id], false)."#paper-{$paper->id}",
        );
    }
}
