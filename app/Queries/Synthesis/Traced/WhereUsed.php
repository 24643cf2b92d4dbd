<?php

declare(strict_types=1);

namespace App\Queries\Synthesis\Traced;

use App\Models\CodebookItem;
use App\Models\KeptAnalysis;
use App\Models\Publication;
use App\Models\Review;
use App\Models\ReviewOutcome;
use App\Models\SavedTable;
use App\Queries\Coding\CodedReports;
use App\Queries\Synthesis\Tables\StudyTable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\AskedWhen;
use WaryHeron\Core\Synthesis\Table\TableColumn;

/** Forward from something to where it is used: a study, an item of the codebook, an outcome. Each use has an address. */
final readonly class WhereUsed
{
    /**
     * @param  Collection<int, KeptAnalysis>  $analyses
     * @param  Collection<int, SavedTable>  $tables
     */
    private function __construct(private Review $review, private Collection $analyses, private Collection $tables)
    {
    }

    public static function in(Review $review): self
    {
        return new self(
            $review,
            KeptAnalysis::of($review)->get(),
            SavedTable::of($review)->get(),
        );
    }

    /** @return list<UsedPlace> of the study that a publication reports */
    public function study(Publication $publication): array
    {
        $carrying = CodedReports::instead($this->review, $publication) ?? $publication;

        return [
            ...$this->coded($carrying),
            ...$this->passages($publication),
            ...$this->results($publication),
            ...$this->inTables($carrying),
        ];
    }

    /** @return list<UsedPlace> */
    public function item(CodebookItem $item): array
    {
        $uses = [];
        foreach ($this->analyses as $one) {
            $terms = $one->asked();
            if (in_array($item->id, [$terms->groups, $terms->onlyItem, $terms->marks, ...$terms->moderators], true)) {
                $uses[] = $this->analysis($one);
            }
        }
        foreach ($this->tables as $one) {
            $terms = $one->asked();
            $filtered = array_map(fn (string $key): string => explode(':', $key)[0], $terms->filters);
            if ($terms->has(TableColumn::ITEM, $item->id) || in_array($item->id, [$terms->groups, $terms->sort, ...$filtered], true)) {
                $uses[] = $this->table($one);
            }
        }

        return in_array($item->id, $this->depthItems(), true)
            ? [...$uses, new UsedPlace('Rule of', 'the in-depth subset', route('coding.subset', $this->review))]
            : $uses;
    }

    /** @return list<string> items that the rule of the in-depth subset asks */
    private function depthItems(): array
    {
        return once(fn (): array => array_map(
            fn (AskedWhen $one): string => $one->item,
            $this->review->depth()->rule ?? [],
        ));
    }

    /** @return list<UsedPlace> */
    public function outcome(ReviewOutcome $outcome): array
    {
        $analyses = $this->analyses->filter(fn (KeptAnalysis $one): bool => $one->asked()->outcome === $outcome->id);
        $tables = $this->tables->filter(fn (SavedTable $one): bool => $one->asked()->has(TableColumn::OUTCOME, $outcome->id));

        return [...array_map($this->analysis(...), $analyses->values()->all()), ...array_map($this->table(...), $tables->values()->all())];
    }

    /** @return list<UsedPlace> */
    private function coded(Publication $publication): array
    {
        $answers = DB::table('standing_answers')
            ->where('review_id', $this->review->id)
            ->where('publication_id', $publication->id)
            ->count();
        $url = route('coding.show', [$this->review, $publication]);

        return $answers === 0 ? [] : [new UsedPlace('Coded', $answers === 1 ? '1 item' : "{$answers} items", $url)];
    }

    /** @return list<UsedPlace> */
    private function passages(Publication $publication): array
    {
        return array_values(DB::table('passage_themes')
            ->join('passages', fn ($join) => $join
                ->on('passages.review_id', '=', 'passage_themes.review_id')
                ->on('passages.id', '=', 'passage_themes.passage_id'))
            ->join('themes', 'themes.id', '=', 'passage_themes.theme_id')
            ->where('passages.review_id', $this->review->id)
            ->where('passages.publication_id', $publication->id)
            ->whereNull('passages.removed_at')
            ->groupBy('themes.id', 'themes.name')
            ->orderBy('themes.name')
            ->get(['themes.id', 'themes.name'])
            ->map(fn (object $one): UsedPlace => new UsedPlace(
                'Passage under', $one->name, route('passages', [$this->review, 'theme' => $one->id]),
            ))
            ->all());
    }

    /** @return list<UsedPlace> outcomes that it has results of, and analyses of those */
    private function results(Publication $publication): array
    {
        $counts = DB::table('standing_results')
            ->join('outcomes', 'outcomes.id', '=', 'standing_results.outcome_id')
            ->where('standing_results.review_id', $this->review->id)
            ->where('standing_results.publication_id', $publication->id)
            ->groupBy('outcomes.id', 'outcomes.name')
            ->selectRaw('outcomes.id, outcomes.name, count(*) AS results')
            ->orderBy('outcomes.name')
            ->get();
        $desk = route('coding.show', [$this->review, $publication]).'#result-';
        $uses = [];
        foreach ($counts as $one) {
            $uses[] = new UsedPlace('Results of', $one->results === 1 ? $one->name : "{$one->name}, {$one->results}", $desk);
            foreach ($this->analyses as $analysis) {
                if ($analysis->asked()->outcome === $one->id) {
                    $uses[] = $this->analysis($analysis, ['study' => $publication->id]);
                }
            }
        }

        return $uses;
    }

    /** @return list<UsedPlace> */
    private function inTables(Publication $publication): array
    {
        $tables = $this->tables->filter(
            fn (SavedTable $one): bool => StudyTable::of($this->review, $one->asked())->studies->contains('id', $publication->id),
        );

        return array_map($this->table(...), array_values($tables->all()));
    }

    /** @param  array<string, string>  $at */
    private function analysis(KeptAnalysis $one, array $at = []): UsedPlace
    {
        return new UsedPlace('Analysis', $one->title, route('analyses.show', [$this->review, $one, ...$at]));
    }

    private function table(SavedTable $one): UsedPlace
    {
        return new UsedPlace('Table', $one->title, route('tables.show', [$this->review, $one]));
    }
}
