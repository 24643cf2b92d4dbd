<?php

declare(strict_types=1);

namespace App\Actions\Coding;

use App\Files\In\PdfPaper;
use App\Files\In\UnreadablePdf;
use App\Files\StoredCopy;
use App\Models\FullText;
use App\Models\Publication;
use WaryHeron\Core\FullText\Reading\Block;
use WaryHeron\Core\FullText\Reading\BlockKind;
use WaryHeron\Core\FullText\Reading\Paper;
use WaryHeron\Core\FullText\Reading\SectionKind;

/** What there is to read of a study: PDFs come from anywhere, so this is never in a request. */
final class PapersOfStudy
{
    /**
     * Of the report its first copy that gives text, else title and abstract; then such copies of other reports of its
     * study.
     *
     * @return \Generator<int, StudyPaper>
     */
    public static function of(Publication $publication): \Generator
    {
        yield self::copy($publication) ?? new StudyPaper($publication, self::abstract($publication), null);
        $others = $publication->study_id === null
            ? []
            : Publication::query()
                ->where('review_id', $publication->review_id)
                ->where('study_id', $publication->study_id)
                ->whereNull('merged_into')
                ->whereKeyNot($publication->id)
                ->orderByRaw('year NULLS LAST')
                ->orderBy('id')
                ->get();
        foreach ($others as $other) {
            $copy = self::copy($other);
            if ($copy !== null) {
                yield $copy;
            }
        }
    }

    private static function copy(Publication $publication): ?StudyPaper
    {
        $copies = FullText::query()
            ->where('review_id', $publication->review_id)
            ->where('publication_id', $publication->id)
            ->where('state', 'read')
            ->whereNull('taken_out_at')
            ->orderBy('id')
            ->get();
        foreach ($copies as $copy) {
            try {
                $paper = PdfPaper::read(StoredCopy::path($copy->path()));
            } catch (UnreadablePdf) {
                continue;
            }
            if ($paper->blocks !== []) {
                return new StudyPaper($publication, $paper, $copy->id);
            }
        }

        return null;
    }

    private static function abstract(Publication $publication): Paper
    {
        $blocks = [new Block(BlockKind::Heading, $publication->title, 1, $publication->title)];
        foreach (preg_split('/\R+/u', $publication->abstract, -1, PREG_SPLIT_NO_EMPTY) ?: [] as $text) {
            $blocks[] = new Block(BlockKind::Paragraph, $text, 1, 'Abstract', SectionKind::Abstract);
        }

        return new Paper($blocks);
    }
}
