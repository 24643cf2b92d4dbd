<?php

declare(strict_types=1);

namespace App\Queries\Scouting;

use App\Models\ScoutedPaper;
use App\Queries\FullTexts\PaperPages;
use App\Queries\FullTexts\PublicationTexts;
use App\Queries\FullTexts\TextAtHand;
use Illuminate\Support\Collection;
use WaryHeron\Core\FullText\Reading\Paper;

/** What there is to read of papers: the full text where the review has it, else title and abstract. */
final class PaperText
{
    /**
     * @param  Collection<int, ScoutedPaper>  $papers
     * @return array<string, TextAtHand> by paper
     */
    public static function of(string $reviewId, Collection $papers): array
    {
        $copies = self::copies($reviewId, $papers);
        $pages = PaperPages::some($reviewId, array_values($copies), null);
        $texts = [];
        foreach ($papers as $paper) {
            $whole = $pages[$copies[$paper->publication_id ?? ''] ?? ''] ?? [];
            $texts[$paper->id] = $whole === []
                ? new TextAtHand(self::told($paper), false)
                : new TextAtHand(Paper::ofPages($whole), true);
        }

        return $texts;
    }

    /**
     * @param  Collection<int, ScoutedPaper>  $papers
     * @return array<string, string> the first copy that was read, by publication
     */
    public static function copies(string $reviewId, Collection $papers): array
    {
        return PublicationTexts::copies($reviewId, array_values($papers->pluck('publication_id')->filter()->all()));
    }

    private static function told(ScoutedPaper $paper): Paper
    {
        $reference = $paper->reference();

        return PublicationTexts::told($reference->fullTitle(), $reference->abstract);
    }
}
