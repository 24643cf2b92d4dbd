<?php

declare(strict_types=1);

namespace App\Queries\Synthesis\Tables;

use App\Models\CodebookItem;
use App\Models\Passage;
use App\Models\Result;
use App\Models\Review;
use App\Models\ReviewOutcome;
use App\Queries\Coding\CodingTable;
use App\Queries\Coding\EvidenceView;
use App\Queries\Coding\Themes\ThemeTree;
use App\Queries\Synthesis\OutcomeBook;
use App\Queries\Synthesis\Reckoned;
use App\Queries\Synthesis\Shown;
use Illuminate\Database\Eloquent\Collection as Models;
use Illuminate\Support\Collection;
use WaryHeron\Core\Coding\Evidence;
use WaryHeron\Core\Synthesis\Table\TableColumn;
use WaryHeron\Core\Synthesis\Table\TableDefinition;

/** The columns of a table of studies: their heads, and what each says of some studies. */
final readonly class StudyColumns
{
    /**
     * @param  array<string, string>  $heads  by column
     * @param  Collection<string, CodebookItem>  $items  by id
     * @param  Collection<string, ReviewOutcome>  $outcomes  by id
     */
    private function __construct(
        private Review $review,
        private TableDefinition $terms,
        public array $heads,
        private Collection $items,
        private Collection $outcomes,
        private ThemeTree $themes,
        private EvidenceView $view,
    ) {
    }

    /** @param  Collection<string, CodebookItem>  $items  by id */
    public static function of(Review $review, TableDefinition $terms, Collection $items): self
    {
        $outcomes = OutcomeBook::of($review)->outcomes->toBase()->keyBy('id');
        $themes = ThemeTree::of($review);
        $heads = [];
        foreach ($terms->columns as $column) {
            $head = match ($column->kind) {
                TableColumn::ITEM => self::itemHead($items->get($column->id)),
                TableColumn::OUTCOME => $outcomes->get($column->id)->name ?? '',
                default => $themes->pathOf($column->id),
            };
            if ($head !== '') {
                $heads[$column->key()] = $head;
            }
        }

        return new self($review, $terms, $heads, $items, $outcomes, $themes, EvidenceView::of($review));
    }

    /**
     * @param  list<string>  $publications  with which studies are coded
     * @return array<string, array<string, StudyCell>> by publication, then column
     */
    public function cells(array $publications): array
    {
        $cells = [];
        foreach ([$this->answers($publications), $this->results($publications), $this->passages($publications)] as $of) {
            foreach ($of as $publication => $columns) {
                $cells[$publication] = [...$cells[$publication] ?? [], ...$columns];
            }
        }

        return $cells;
    }

    private static function itemHead(?CodebookItem $item): string
    {
        return $item === null ? '' : $item->label.($item->unit === '' ? '' : ", {$item->unit}");
    }

    /**
     * @param  list<string>  $publications
     * @return array<string, array<string, StudyCell>>
     */
    private function answers(array $publications): array
    {
        if ($this->terms->ids(TableColumn::ITEM) === []) {
            return [];
        }
        $all = CodingTable::answersOf($this->review, $publications, inFull: $this->terms->parts !== []);
        $cells = [];
        foreach ($all as $publication => $answers) {
            foreach (array_intersect_key($answers, array_flip($this->terms->ids(TableColumn::ITEM))) as $item => $answer) {
                $code = $this->items->get($item)?->code();
                $cells[$publication]["item:{$item}"] = $code === null ? new StudyCell() : new StudyCell(
                    $answer->words($code),
                    $answer->plain(),
                    $this->quoted(fn (): array => $answer->pieces()),
                    $answer->note(),
                );
            }
        }

        return $cells;
    }

    /**
     * @param  list<string>  $publications
     * @return array<string, array<string, StudyCell>>
     */
    private function results(array $publications): array
    {
        $outcomes = $this->terms->ids(TableColumn::OUTCOME);
        $results = $outcomes === [] ? [] : Result::standing($this->review)
            ->whereIn('publication_id', $publications)
            ->whereIn('outcome_id', $outcomes)
            ->orderBy('days')
            ->orderBy('row_id')
            ->get();
        $rows = [];
        foreach ($results as $result) {
            $rows[$result->publication_id]["outcome:{$result->outcome_id}"][] = $result;
        }

        return array_map(fn (array $of): array => array_map($this->result(...), $of), $rows);
    }

    /** @param  list<Result>  $results */
    private function result(array $results): StudyCell
    {
        $words = array_map($this->reported(...), $results);
        $pieces = fn (): array => array_merge(...array_map(
            fn (Result $one): array => array_merge([], ...array_values($one->pieces())),
            $results,
        ));
        $notes = array_filter(array_map(fn (Result $one): string => $one->note, $results));

        return new StudyCell(implode("\n", $words), implode("\n", $words), $this->quoted($pieces), implode("\n", $notes));
    }

    /** A result as one would read it out: when, with what, in either group, and what comes of it. */
    private function reported(Result $result): string
    {
        $outcome = $this->outcomes->get($result->outcome_id);
        $used = $outcome === null ? null : (new Reckoned($result, $outcome))->used();
        $measure = $outcome?->kind->measures()[0];
        $effect = $measure === null ? null : $used?->effect($measure);
        $groups = array_filter([$used?->one?->shown(), $used?->two?->shown()], fn (?string $one): bool => $one !== null && $one !== '');
        $isShown = $measure !== null && $effect?->isDefined() === true;
        $shown = $isShown ? "{$measure->label()} ".Shown::effect($measure, $effect) : '';
        $about = array_filter([$result->own_intervention, $result->time_told, $result->scale]);

        return implode('; ', array_filter([implode(', ', $about), implode(' against ', $groups), $shown]));
    }

    /**
     * @param  list<string>  $publications
     * @return array<string, array<string, StudyCell>>
     */
    private function passages(array $publications): array
    {
        $under = [];
        foreach ($this->terms->ids(TableColumn::THEME) as $theme) {
            foreach ($this->themes->below($theme) as $one) {
                $under[$one][] = $theme;
            }
        }
        $passages = $under === [] ? [] : $this->passagesUnder(array_keys($under), $publications);
        $of = [];
        foreach ($passages as $passage) {
            $broader = $passage->themes->map(fn ($theme): array => $under[$theme->id] ?? [])->all();
            foreach (array_unique(array_merge([], ...$broader)) as $theme) {
                $of[$passage->publication_id]["theme:{$theme}"][] = $passage;
            }
        }

        return array_map(fn (array $columns): array => array_map($this->marked(...), $columns), $of);
    }

    /**
     * @param  list<array-key>  $themes
     * @param  list<string>  $publications
     * @return Models<int, Passage>
     */
    private function passagesUnder(array $themes, array $publications): Models
    {
        return Passage::query()
            ->where('review_id', $this->review->id)
            ->whereIn('publication_id', $publications)
            ->whereNull('removed_at')
            ->whereHas('themes', fn ($theme) => $theme->whereIn('themes.id', $themes))
            ->with('themes')
            ->orderBy('created_at')
            ->get();
    }

    /** @param  list<Passage>  $passages */
    private function marked(array $passages): StudyCell
    {
        $quotes = implode("\n", array_map(fn (Passage $one): string => "“{$one->piece()->selector->quote}”", $passages));
        $memos = array_filter(array_map(fn (Passage $one): string => $one->memo, $passages));

        return new StudyCell(
            $quotes,
            $quotes,
            $this->quoted(fn (): array => array_map(fn (Passage $one): Evidence => $one->piece(), $passages)),
            implode("\n", $memos),
        );
    }

    /**
     * @param  \Closure(): list<Evidence>  $pieces
     * @return list<QuotedPiece> each once, where they are asked for
     */
    private function quoted(\Closure $pieces): array
    {
        if (array_intersect(['quote', 'place'], $this->terms->parts) === []) {
            return [];
        }
        $quoted = [];
        foreach ($pieces() as $piece) {
            $shown = new QuotedPiece($piece->selector->quote, $this->view->shown($piece)->where);
            $quoted["{$shown->quote}\n{$shown->where}"] = $shown;
        }

        return array_values($quoted);
    }
}
