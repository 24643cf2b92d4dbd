<?php

declare(strict_types=1);

namespace App\Actions\Drafting;

use App\Models\Draft;
use App\Models\DraftCriterion;
use App\Models\ScoutedPaper;
use App\Queries\Drafting\DraftRecords;
use App\Queries\Scouting\PaperText;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\QuotedPassage;
use WaryHeron\Core\Drafting\CriterionJudge;
use WaryHeron\Core\Drafting\CriterionReading;
use WaryHeron\Core\Drafting\ProposedCriteria;
use WaryHeron\Core\Scouting\Kin\Families;
use WaryHeron\Core\Scouting\Reading\ReadRecord;
use WaryHeron\Core\Scouting\Scout;
use WaryHeron\Core\Screening\CriterionAnswer;

/** Proposes the criteria of a draft, answers them for its papers, and tells which papers meet them. */
final readonly class AnswerCriteria
{
    private const TOGETHER = 10;

    private const ROWS = 500;

    public function propose(Draft $draft, Families $families): void
    {
        $draft->whileLocked(function () use ($draft, $families): void {
            if ($draft->criteria()->exists()) {
                return;
            }
            foreach (ProposedCriteria::of((new Scout($families))->question($draft->scouting->question)) as $i => $one) {
                $draft->criteria()->create([
                    'review_id' => $draft->review_id,
                    'position' => $i + 1,
                    'kind' => $one->kind,
                    'words' => mb_substr($one->words, 0, 300),
                ]);
            }
        });
    }

    /** Of each paper that a criterion has no answer for, from its title and abstract. */
    public function ofAbstracts(Draft $draft, Families $families): void
    {
        $papers = DraftRecords::papers($draft);
        $records = array_values($papers->map(fn (ScoutedPaper $one): ReadRecord => $one->record())->all());
        foreach ($draft->criteria()->where('is_on', true)->get() as $criterion) {
            $answered = self::answered($criterion);
            $judge = null;
            $rows = [];
            foreach ($papers as $i => $paper) {
                if (! isset($answered[$paper->id])) {
                    $judge ??= CriterionJudge::of($criterion->asked(), $families, $records);
                    $rows[] = self::row(
                        $criterion,
                        $paper->id,
                        $judge->reading($records[$i], $paper->score),
                        null,
                        null,
                    );
                }
            }
            $this->keep($rows);
        }
    }

    /** What their abstracts leave open, from the full texts of those that are read in full. */
    public function ofTexts(Draft $draft, Families $families): void
    {
        $papers = DraftRecords::query($draft)->where('in_full', true)->whereNotNull('draft_papers.full_text_id')->get();
        $criteria = $draft->criteria()->where('is_on', true)->get();
        foreach ($papers->chunk(self::TOGETHER) as $some) {
            $open = self::open($draft, $some);
            $some = $some->filter(fn (ScoutedPaper $one): bool => isset($open[$one->id]));
            foreach (PaperText::of($draft->review_id, $some) as $id => $text) {
                if ($text->isWhole) {
                    $this->readText(
                        $some->firstOrFail('id', $id),
                        Passages::of($text->paper),
                        $criteria,
                        [$families, $open[$id]],
                    );
                }
            }
        }
    }

    /**
     * @param  Collection<int, DraftCriterion>  $criteria
     * @param  array{Families, array<string, true>}  $open  the criteria that the abstract leaves open
     */
    private function readText(ScoutedPaper $paper, Passages $text, Collection $criteria, array $open): void
    {
        $record = DraftRecords::ofText($paper->id, $text);
        $rows = [];
        foreach ($criteria as $criterion) {
            if (isset($open[1][$criterion->id])) {
                $reading = CriterionJudge::of($criterion->asked(), $open[0], [$record])->reading(
                    $record,
                    $paper->score,
                );
                $page = $reading->quote === '' ? null : QuotedPassage::in($text, $reading->quote)?->page;
                $rows[] = self::row($criterion, $paper->id, $reading, $page, $paper->getAttribute('read_copy'));
            }
        }
        $this->keep($rows);
    }

    /**
     * @param  Collection<int, ScoutedPaper>  $papers
     * @return array<string, array<string, true>> criteria by paper that are unclear, and were not read in this copy
     */
    private static function open(Draft $draft, Collection $papers): array
    {
        $open = [];
        $rows = DB::table('draft_answers')
            ->join('draft_papers', fn ($join) => $join
                ->on('draft_papers.review_id', '=', 'draft_answers.review_id')
                ->on('draft_papers.scouted_paper_id', '=', 'draft_answers.scouted_paper_id')
                ->where('draft_papers.draft_id', $draft->id))
            ->where('draft_answers.review_id', $draft->review_id)
            ->whereIn('draft_answers.scouted_paper_id', $papers->pluck('id'))
            ->where('answer', CriterionAnswer::Unclear->value)
            ->whereRaw('draft_answers.full_text_id IS DISTINCT FROM draft_papers.full_text_id')
            ->get(['draft_criterion_id', 'draft_answers.scouted_paper_id']);
        foreach ($rows as $row) {
            $open[$row->scouted_paper_id][$row->draft_criterion_id] = true;
        }

        return $open;
    }

    /**
     * Whether each paper meets the criteria: nothing leaves it out that is more than a guess, and most of them say yes.
     * What a person says goes before what the machine does.
     */
    public function stand(Draft $draft): void
    {
        DB::update(
            <<<'SQL'
            UPDATE draft_papers p SET is_in = CASE p.ruling WHEN 'in' THEN true WHEN 'out' THEN false ELSE coalesce(s.meets, false) END
            FROM draft_papers q LEFT JOIN LATERAL (
                SELECT bool_and(coalesce(a.ruling, CASE WHEN a.answer = 'no' AND a.confidence = 'check' THEN 'unclear' ELSE a.answer END) <> 'no')
                    AND 2 * count(*) FILTER (WHERE coalesce(a.ruling, a.answer) = 'yes') > count(*) AS meets
                FROM draft_answers a
                JOIN draft_criteria c ON c.review_id = a.review_id AND c.id = a.draft_criterion_id AND c.is_on
                WHERE a.review_id = q.review_id AND a.scouted_paper_id = q.scouted_paper_id AND c.draft_id = q.draft_id
            ) s ON true
            WHERE q.review_id = ? AND q.draft_id = ? AND p.review_id = q.review_id AND p.draft_id = q.draft_id
                AND p.scouted_paper_id = q.scouted_paper_id
            SQL,
            [$draft->review_id, $draft->id],
        );
    }

    /** @return array<string, string> papers that have an answer */
    private static function answered(DraftCriterion $criterion): array
    {
        return DB::table('draft_answers')
            ->where('review_id', $criterion->review_id)
            ->where('draft_criterion_id', $criterion->id)
            ->pluck('answer', 'scouted_paper_id')
            ->all();
    }

    /** @return array<string, string|int|null> */
    private static function row(
        DraftCriterion $criterion,
        string $paper,
        CriterionReading $reading,
        ?int $page,
        mixed $copy,
    ): array {
        return [
            'review_id' => $criterion->review_id,
            'draft_criterion_id' => $criterion->id,
            'scouted_paper_id' => $paper,
            'answer' => $reading->answer->value,
            'confidence' => $reading->confidence->value,
            'quote' => $reading->quote,
            'page' => $page,
            'full_text_id' => $copy,
            'reason' => $reading->reason,
        ];
    }

    /** @param  list<array<string, mixed>>  $rows */
    private function keep(array $rows): void
    {
        foreach (array_chunk($rows, self::ROWS) as $part) {
            DB::table('draft_answers')->upsert(
                $part,
                ['review_id', 'draft_criterion_id', 'scouted_paper_id'],
                ['answer', 'confidence', 'quote', 'page', 'full_text_id', 'reason'],
            );
        }
    }
}
