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

        return array_values(ScoutedPaper::query()
            ->where('review_id', $review->id)
            ->whereIn('id', $only)
            ->whereNull('thrown_out_at')
            ->where('sentence', '<>', '')
            ->orderBy('id')
            ->get()
            ->map(fn (ScoutedPaper $one): HeldPiece => new HeldPiece(
                kind: self::KIND,
                id: $one->id,
                publication: $one->publication_id ?? $one->id,
                study: $one->called(),
                says: 'read by machine: '.($one->direction ?? Direction::Unclear)->value,
                quote: $one->sentence,
                where: $one->page === null ? 'abstract' : "page {$one->page}",
                url: route('scouting.show', [$review, $one->scouting_id], false)."#paper-{$one->id}",
            ))
            ->all());
    }
}
