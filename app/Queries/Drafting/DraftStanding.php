<?php

declare(strict_types=1);

namespace App\Queries\Drafting;

use App\Models\Draft;
use App\Models\DraftCriterion;
use App\Models\DraftItem;
use App\Models\ScoutedPaper;
use App\Models\Scouting;
use App\Queries\Scouting\ReviewFamilies;
use App\Sources\Sources;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Drafting\Text\CriterionTold;
use WaryHeron\Core\Drafting\Text\DraftFacts;
use WaryHeron\Core\Drafting\Text\DraftPaper;
use WaryHeron\Core\Scouting\Reading\StudyKind;
use WaryHeron\Core\Scouting\Scout;

/** Where a draft stands: its criteria with what each leaves out, its papers, its items. */
final class DraftStanding
{
    /** By which the readers of papers tell how many people took part. */
    private const PEOPLE = 'participants_enrolled';

    public function __construct(private readonly Draft $draft, private readonly Sources $sources)
    {
    }

    /** @return Collection<string, stdClass> by criterion: yes, no, unclear, people (answers that they gave) */
    public function answers(): Collection
    {
        return once(fn (): Collection => DB::table('draft_answers')
            ->join('draft_papers', fn ($join) => $join
                ->on('draft_papers.review_id', '=', 'draft_answers.review_id')
                ->on('draft_papers.scouted_paper_id', '=', 'draft_answers.scouted_paper_id')
                ->where('draft_papers.draft_id', $this->draft->id))
            ->where('draft_answers.review_id', $this->draft->review_id)
            ->whereIn('draft_criterion_id', $this->draft->criteria()->pluck('id'))
            ->groupBy('draft_criterion_id')
            ->selectRaw('draft_criterion_id, count(draft_answers.ruling) AS people')
            ->selectRaw("count(*) FILTER (WHERE coalesce(draft_answers.ruling, answer) = 'yes') AS yes")
            ->selectRaw("count(*) FILTER (WHERE coalesce(draft_answers.ruling, answer) = 'no') AS no")
            ->selectRaw("count(*) FILTER (WHERE coalesce(draft_answers.ruling, answer) = 'unclear') AS unclear")
            ->get()
            ->keyBy('draft_criterion_id'));
    }

    public function counts(): PaperCounts
    {
        $row = $this->draft->rows('draft_papers')
            ->selectRaw('count(*) AS read, count(ruling) AS ruled, count(*) FILTER (WHERE is_in) AS "in"')
            ->selectRaw(
                'count(*) FILTER (WHERE in_full) AS in_full, count(*) FILTER (WHERE in_full AND full_text_id IS NOT NULL) AS copies',
            )
            ->first();

        return new PaperCounts(
            read: (int) ($row->read ?? 0),
            in: (int) ($row->in ?? 0),
            inFull: (int) ($row->in_full ?? 0),
            copies: (int) ($row->copies ?? 0),
            ruled: (int) ($row->ruled ?? 0),
        );
    }

    /** @return array<string, array<string, stdClass>> leads by paper, then item */
    public function leads(): array
    {
        return once(function (): array {
            $leads = [];
            $rows = DB::table('draft_leads')
                ->where('review_id', $this->draft->review_id)
                ->whereIn('draft_item_id', $this->draft->items()->where('is_on', true)->pluck('id'))
                ->get();
            foreach ($rows as $row) {
                $leads[$row->scouted_paper_id][$row->draft_item_id] = $row;
            }

            return $leads;
        });
    }

    public function facts(): DraftFacts
    {
        $scouting = $this->draft->scouting;
        $families = ReviewFamilies::of($this->draft->review, $scouting->question);
        $counts = $this->counts();
        $criteria = $this->draft->criteria()->get();
        $items = $this->draft->items()->get();
        $papers = DraftRecords::query($this->draft)->where('draft_papers.is_in', true)->get();
        $people = $items->first(fn (DraftItem $one): bool => $one->name === self::PEOPLE && $one->is_on);
        $changed = $criteria->whereNotNull('changed_by')->count()
            + $items->whereNotNull('changed_by')->count()
            + $counts->ruled;

        return new DraftFacts(
            (new Scout($families))->question($scouting->question),
            $this->found($scouting),
            ($scouting->ran_at ?? $scouting->created_at)->format('j F Y'),
            $counts->read,
            $counts->copies,
            array_values($criteria->where('is_on', true)->map($this->told(...))->all()),
            array_values($items->where('is_on', true)->map(fn (DraftItem $one): string => $one->label)->all()),
            $changed,
            array_values($papers->map(fn (ScoutedPaper $one): DraftPaper => $this->paper($one, $people))->all()),
        );
    }

    /** @return array<string, int> */
    private function found(Scouting $scouting): array
    {
        $found = [];
        foreach ($scouting->found as $source => $count) {
            $name = $source === Scouting::LIBRARY ? 'the library of the review' : ($this->sources->has($source) ? $this->sources->shortName($source) : $source);
            $found[$name] = (int) $count;
        }

        return $found;
    }

    private function told(DraftCriterion $criterion): CriterionTold
    {
        $of = $this->answers()->get($criterion->id);

        return new CriterionTold(
            $criterion->asked()->asks(),
            (int) ($of->no ?? 0),
            (int) ($of->unclear ?? 0),
            (int) ($of->people ?? 0),
        );
    }

    private function paper(ScoutedPaper $paper, ?DraftItem $people): DraftPaper
    {
        $count = $people === null ? null : ($this->leads()[$paper->id][$people->id] ?? null);

        return new DraftPaper(
            $paper->id,
            $paper->called(),
            $paper->getRawOriginal('design') === '' ? StudyKind::Untold : $paper->design,
            $paper->sentence,
            $paper->page,
            $paper->direction,
            $paper->confidence,
            $paper->amount(),
            $count !== null && $count->confidence !== 'check' ? $count->value : '',
        );
    }
}
