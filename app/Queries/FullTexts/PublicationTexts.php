<?php

declare(strict_types=1);

namespace App\Queries\FullTexts;

use App\Models\Publication;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\FullText\Reading\Block;
use WaryHeron\Core\FullText\Reading\BlockKind;
use WaryHeron\Core\FullText\Reading\Paper;
use WaryHeron\Core\FullText\Reading\SectionKind;

/** What there is to read of publications: the full text where the review has it, else title and abstract. */
final class PublicationTexts
{
    /**
     * @param  list<string>  $ids
     * @param  bool  $inFull  whether full texts are read at all
     * @return array<string, TextAtHand> by publication, in the order given
     */
    public static function of(string $reviewId, array $ids, bool $inFull = true): array
    {
        $copies = $inFull ? self::copies($reviewId, $ids) : [];
        $pages = PaperPages::some($reviewId, array_values($copies), null);
        $told = Publication::query()
            ->where('review_id', $reviewId)
            ->whereIn('id', $ids)
            ->get(['id', 'title', 'abstract'])
            ->keyBy('id');
        $texts = [];
        foreach ($ids as $id) {
            $whole = $pages[$copies[$id] ?? ''] ?? [];
            $one = $told->get($id);
            if ($whole !== []) {
                $texts[$id] = new TextAtHand(Paper::ofPages($whole), true);
            } elseif ($one !== null) {
                $texts[$id] = new TextAtHand(self::told((string) $one->title, (string) $one->abstract), false);
            }
        }

        return $texts;
    }

    /**
     * @param  list<string>  $ids
     * @return array<string, string> the first copy that was read, by publication
     */
    public static function copies(string $reviewId, array $ids): array
    {
        return $ids === []
            ? []
            : DB::table('full_texts')
                ->where('review_id', $reviewId)
                ->whereIn('publication_id', $ids)
                ->where('state', 'read')
                ->whereNull('taken_out_at')
                ->orderByDesc('id')
                ->pluck('id', 'publication_id')
                ->all();
    }

    public static function told(string $title, string $abstract): Paper
    {
        return new Paper([
            new Block(BlockKind::Heading, $title, 1, $title, SectionKind::Title),
            new Block(BlockKind::Paragraph, $abstract, 1, 'Abstract', SectionKind::Abstract),
        ]);
    }
}
