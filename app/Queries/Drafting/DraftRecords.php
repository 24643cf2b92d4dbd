<?php

declare(strict_types=1);

namespace App\Queries\Drafting;

use App\Models\Draft;
use App\Models\ScoutedPaper;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use WaryHeron\Core\Coding\Lead\Passage;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\FullText\Reading\SectionKind;
use WaryHeron\Core\Scouting\Reading\ReadRecord;
use WaryHeron\Core\Scouting\Reading\RecordSentence;
use WaryHeron\Core\Scouting\Reading\SentencePart;

/** The papers of a draft, as what is read of them. */
final class DraftRecords
{
    /** @return Collection<int, ScoutedPaper> in the order of how likely they answer, with position and what stands of each */
    public static function papers(Draft $draft): Collection
    {
        return self::query($draft)->get();
    }

    /** @return Builder<ScoutedPaper> */
    public static function query(Draft $draft): Builder
    {
        $papers = ScoutedPaper::query();
        $papers->join('draft_papers', fn ($join) => $join
            ->on('draft_papers.review_id', '=', 'scouted_papers.review_id')
            ->on('draft_papers.scouted_paper_id', '=', 'scouted_papers.id'))
            ->where('draft_papers.review_id', $draft->review_id)
            ->where('draft_papers.draft_id', $draft->id)
            ->orderBy('draft_papers.position')
            ->orderBy('scouted_papers.id')
            ->select(
                [
                    'scouted_papers.*',
                    'draft_papers.is_in',
                    'draft_papers.ruling',
                    'draft_papers.in_full',
                    'draft_papers.taken_at',
                ],
            )
            ->addSelect(['draft_papers.full_text_id AS read_copy', 'draft_papers.position']);

        return $papers;
    }

    /** A full text as a record, without what others are told to have said. */
    public static function ofText(string $id, Passages $paper): ReadRecord
    {
        $told = array_values(array_filter(
            $paper->told(),
            fn (Passage $one): bool => ! $one->isRow() && $one->section !== SectionKind::Introduction,
        ));
        $last = max(1, count($told) - 1);
        $sentences = array_map(
            fn (Passage $one, int $i): RecordSentence => new RecordSentence(
                $one->text,
                self::part($one->section),
                $i / $last,
            ),
            $told,
            array_keys($told),
        );

        return ReadRecord::ofSentences($id, $paper->title()->text ?? '', $sentences);
    }

    private static function part(SectionKind $section): SentencePart
    {
        return match ($section) {
            SectionKind::Results => SentencePart::Result,
            SectionKind::Methods => SentencePart::Method,
            SectionKind::Discussion => SentencePart::Conclusion,
            default => SentencePart::Untold,
        };
    }

    /** @return list<string> ids of those that meet the criteria */
    public static function in(Draft $draft): array
    {
        return array_values($draft->rows('draft_papers')
            ->where('is_in', true)
            ->orderBy('position')
            ->pluck('scouted_paper_id')
            ->all());
    }
}
