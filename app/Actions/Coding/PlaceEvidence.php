<?php

declare(strict_types=1);

namespace App\Actions\Coding;

use App\Actions\Shared\Refused;
use App\Models\FullText;
use App\Queries\FullTexts\PlacedWords;
use WaryHeron\Core\Coding\Evidence;

/** Takes evidence that a person gives: from copies of this review, and with the words as the paper has them. */
final class PlaceEvidence
{
    /**
     * @param  list<Evidence>  $pieces
     * @return list<Evidence>
     *
     * @throws Refused If a piece is said to be from a copy that the review does not have.
     */
    public function execute(string $reviewId, array $pieces): array
    {
        $copies = array_unique(array_filter(array_map(fn (Evidence $one): ?string => $one->copy, $pieces)));
        $known = FullText::query()->where('review_id', $reviewId)->whereIn('id', $copies)->pluck('id')->all();
        if (array_diff($copies, $known) !== []) {
            throw new Refused('The copy that these words are from is not of this review.');
        }

        return PlacedWords::of($reviewId, $pieces);
    }
}
