<?php

declare(strict_types=1);

namespace App\Queries\Scouting;

use App\Models\ScoutedPaper;
use App\Queries\FullTexts\PaperPages;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\FullText\Reading\Block;
use WaryHeron\Core\FullText\Reading\BlockKind;
use WaryHeron\Core\FullText\Reading\Paper;
use WaryHeron\Core\FullText\Reading\SectionKind;

/** What there is to read of papers: the full text where the review has it, else title and abstract. */
final class PaperText
{
    /**
     * @param  Collection<int, ScoutedPaper>  $papers
     * @return array<string, array{Paper, bool}> by paper; whether it is the whole
     */
    public static function of(string $reviewId, Collection $papers): array
    {
        $copies = self::copies($reviewId, $papers);
        $pages = PaperPages::some($reviewId, array_values($copies), null);
        $texts = [];
        foreach ($papers as $paper) {
            $whole = $pages[$copies[$paper->publication_id ?? ''] ?? ''] ?? [];
            $texts[$paper->id] = $whole === [] ? [self::told($paper), false] : [Paper::ofPages($whole), true];
        }

        return $texts;
    }

    /**
     * @param  Collection<int, ScoutedPaper>  $papers
     * @return array<string, string> the first copy that was read, by publication
     */
    public static function copies(string $reviewId, Collection $papers): array
    {
        $publications = $papers->pluck('publication_id')->filter()->values()->all();

        return $publications === []
            ? []
            : DB::table('full_texts')
                ->where('review_id', $reviewId)
                ->whereIn('publication_id', $publications)
                ->where('state', 'read')
                ->whereNull('taken_out_at')
                ->orderByDesc('id')
                ->pluck('id', 'publication_id')
                ->all();
    }

    private static function told(ScoutedPaper $paper): Paper
    {
        $reference = $paper->reference();

        return new Paper([
            new Block(BlockKind::Heading, $reference->fullTitle(), 1, $reference->fullTitle(), SectionKind::Title),
            new Block(BlockKind::Paragraph, $reference->abstract, 1, 'Abstract', SectionKind::Abstract),
        ]);
    }
}
