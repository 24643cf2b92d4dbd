<?php

declare(strict_types=1);

namespace App\Queries\Drafting;

use App\Models\Draft;
use App\Models\DraftCriterion;
use App\Models\DraftItem;
use App\Models\ScoutedPaper;
use App\Sources\Sources;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** A draft as its pages and tables show it. */
final class DraftPage
{
    public const SHOWN = 30;

    public readonly DraftStanding $standing;

    public function __construct(public readonly Draft $draft, Sources $sources)
    {
        $this->standing = new DraftStanding($draft, $sources);
    }

    /** @return Collection<int, DraftCriterion> */
    public function criteria(): Collection
    {
        return once(fn (): Collection => $this->draft->criteria()->get());
    }

    /** @return Collection<int, DraftCriterion> */
    public function criteriaInUse(): Collection
    {
        return $this->criteria()->where('is_on', true);
    }

    /** @return Collection<int, DraftItem> */
    public function itemsInUse(): Collection
    {
        return $this->items()->where('is_on', true);
    }

    /** @return Collection<int, DraftItem> */
    public function items(): Collection
    {
        return once(fn (): Collection => $this->draft->items()->get());
    }

    /**
     * @param  string  $only  in or out; empty: all
     * @param  string  $criterion  that answers so
     * @return Collection<int, ScoutedPaper>
     */
    public function papers(
        string $only = '',
        string $criterion = '',
        string $answer = '',
        ?int $most = null,
    ): Collection {
        $papers = DraftRecords::query($this->draft);
        match ($only) {
            'in', 'out' => $papers->where('draft_papers.is_in', $only === 'in'),
            'close' => $papers->where('draft_papers.in_full', true),
            default => $papers,
        };
        if ($criterion !== '') {
            $papers->whereExists(self::answer($criterion)->whereRaw('coalesce(draft_answers.ruling, answer) = ?', [$answer]));
        }
        if ($most !== null) {
            $papers->limit($most);
        }

        return $papers->get();
    }

    private static function answer(string $criterion): Builder
    {
        return DB::table('draft_answers')
            ->whereColumn('draft_answers.review_id', 'draft_papers.review_id')
            ->whereColumn('draft_answers.scouted_paper_id', 'draft_papers.scouted_paper_id')
            ->where('draft_criterion_id', $criterion);
    }

    /**
     * @param  Collection<int, ScoutedPaper>  $papers
     * @return array<string, array<string, stdClass>> answers by paper, then criterion
     */
    public function answers(Collection $papers): array
    {
        $answers = [];
        $rows = DB::table('draft_answers')
            ->where('review_id', $this->draft->review_id)
            ->whereIn('draft_criterion_id', $this->criteria()->pluck('id'))
            ->whereIn('scouted_paper_id', $papers->pluck('id'))
            ->get();
        foreach ($rows as $row) {
            $answers[$row->scouted_paper_id][$row->draft_criterion_id] = $row;
        }

        return $answers;
    }

    /** @return list<ComposedSection> */
    public function sections(): array
    {
        return once(fn (): array => array_values($this->draft->rows('draft_sections')
            ->orderBy('position')
            ->get()
            ->map($this->section(...))
            ->all()));
    }

    /** @return array<string, ScoutedPaper> that the text rests on, by id */
    public function cited(): array
    {
        $ids = [];
        foreach ($this->sections() as $section) {
            foreach ($section->paragraphs as $paragraph) {
                array_push($ids, ...array_merge(...array_column($paragraph['pieces'], 'papers')));
            }
        }

        return ScoutedPaper::query()
            ->where('review_id', $this->draft->review_id)
            ->whereIn('id', array_unique($ids))
            ->get()
            ->keyBy('id')
            ->all();
    }

    public function waiting(): WaitingParts
    {
        return new WaitingParts(
            criteria: $this->criteriaInUse()->whereNull('criterion_id')->count(),
            papers: $this->draft->rows('draft_papers')->where('is_in', true)->whereNull('taken_at')->count(),
            items: $this->itemsInUse()->whereNull('code_id')->count(),
            sections: count(array_filter($this->sections(), fn (ComposedSection $one): bool => $one->taken === null)),
        );
    }

    private function section(stdClass $one): ComposedSection
    {
        // only what the last run changed is told
        $tellsBefore = $one->before !== null && $this->draft->changes !== [] && $this->isOfLastRun($one->changed_at);

        return new ComposedSection(
            $one->key,
            $one->title,
            $one->place,
            $one->taken_at,
            json_decode($one->body, true, 16, JSON_THROW_ON_ERROR),
            $tellsBefore ? self::words($one->before) : '',
        );
    }

    private function isOfLastRun(string $changed): bool
    {
        $ran = $this->draft->ran_at;

        return $ran !== null && strtotime($changed) >= $ran->getTimestamp() - (int) ceil($this->draft->seconds ?? 0) - 1;
    }

    private static function words(string $body): string
    {
        $paragraphs = json_decode($body, true, 16, JSON_THROW_ON_ERROR);

        return implode(
            "\n",
            array_map(fn (array $one): string => implode('', array_column($one['pieces'], 'text')), $paragraphs),
        );
    }
}
