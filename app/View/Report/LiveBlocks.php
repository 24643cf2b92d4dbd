<?php

declare(strict_types=1);

namespace App\View\Report;

use App\Models\CodebookItem;
use App\Models\Comparison;
use App\Models\KeptAnalysis;
use App\Models\Passage;
use App\Models\Review;
use App\Models\ReviewOutcome;
use App\Models\SavedTable;
use App\Queries\Coding\CodingTable;
use App\Queries\Coding\Themes\ThemePassages;
use App\Queries\Coding\Themes\ThemeTree;
use App\Queries\Question\Concepts;
use App\Queries\Report\FlowQuery;
use App\Queries\Synthesis\CertaintyRow;
use App\Queries\Synthesis\CertaintyTable;
use App\Queries\Synthesis\ForestPlot;
use App\Queries\Synthesis\MapQuery;
use App\Queries\Synthesis\PooledAnalysis;
use App\Queries\Synthesis\PooledRow;
use App\Queries\Synthesis\Shown;
use App\Queries\Synthesis\Soundness;
use App\Queries\Synthesis\Tables\StudyRow;
use App\Queries\Synthesis\Tables\StudyTable;
use Closure;
use Illuminate\Support\Collection;
use Illuminate\Support\Str;
use stdClass;
use WaryHeron\Core\Flow\DiagramSvg;
use WaryHeron\Core\Synthesis\Effect\AnalysisMeasure;
use WaryHeron\Core\Synthesis\Map\EvidenceMap;
use WaryHeron\Core\Synthesis\Map\MapPlot;

/** What live blocks of a report show now. A block whose source is gone says so. */
final class LiveBlocks
{
    /** Of so many items maps are offered, each with each. */
    private const MAPPED = 5;

    /** Kinds that need no source, with their names. */
    public const PLAIN = [
        'question' => 'The question',
        'criteria' => 'Eligibility criteria',
        'searches' => 'Searches',
        'flow' => 'Flow diagram',
        'studies' => 'Table of studies',
        'soundness' => 'Soundness of the studies',
        'certainty' => 'Certainty of the evidence',
    ];

    /** @return array<string, array<string, string>> titles of what may be inserted, by kind and source, by group */
    public static function offered(Review $review): array
    {
        $analyses = KeptAnalysis::of($review)->pluck('title', 'id');
        $tables = SavedTable::of($review)->pluck('title', 'id');
        $themes = array_map(fn (stdClass $one): string => $one->path, ThemeTree::of($review)->themes);
        $by = fn (string $kind, iterable $titles): array => collect($titles)->mapWithKeys(
            fn (string $title, string $id): array => ["{$kind}:{$id}" => $title],
        )->all();

        return array_filter([
            'Of the review' => $by('', self::PLAIN),
            'Forest plots' => $by('forest', $analyses),
            'Funnel plots' => $by('funnel', $analyses),
            'Evidence maps' => $by('map', self::maps($review)),
            'Tables' => $by('table', $tables),
            'Passages under a theme' => $by('passages', $themes),
        ]);
    }

    public static function of(Review $review, string $kind, string $source): BlockContent
    {
        return match ($kind) {
            'question' => self::question($review),
            'criteria' => self::criteria($review),
            'searches' => self::searches($review),
            'flow' => self::flow($review),
            'studies' => self::studies($review),
            'soundness' => self::soundness($review),
            'certainty' => self::certainty($review),
            'forest', 'funnel' => self::analysis($review, $kind, $source),
            'map' => self::map($review, $source),
            'table' => self::table($review, $source),
            'passages' => self::passages($review, $source),
            default => self::gone(),
        };
    }

    private static function gone(): BlockContent
    {
        return new BlockContent('What this showed is gone', '<p>What this showed is gone from the review.</p>', ['it' => 'gone']);
    }

    /**
     * @param  array<string, mixed>  $with
     * @return Closure(): string
     */
    private static function rendered(string $view, array $with): Closure
    {
        return fn (): string => trim(view("report.blocks.{$view}", $with)->render());
    }

    private static function question(Review $review): BlockContent
    {
        $concepts = [];
        foreach (Concepts::of($review)->rows as $row) {
            $concepts[$row->label ?: $row->key] = trim($row->text);
        }
        $concepts = array_filter($concepts, fn (string $text): bool => $text !== '');

        return new BlockContent(
            'The question',
            self::rendered('question', ['review' => $review, 'concepts' => $concepts]),
            ['the question' => $review->question, ...$concepts],
        );
    }

    private static function criteria(Review $review): BlockContent
    {
        $criteria = $review->criteria()->whereNull('retired_at')->get();
        $facts = [];
        foreach ($criteria as $i => $one) {
            $facts['criterion '.($i + 1)] = "{$one->question} (no: {$one->reason})";
        }

        return new BlockContent('Eligibility criteria', self::rendered('criteria', ['criteria' => $criteria]), $facts);
    }

    private static function searches(Review $review): BlockContent
    {
        $searches = FlowQuery::sources($review)->where('kept', '>', 0);
        $facts = [];
        foreach ($searches as $one) {
            $facts[trim("{$one->source_name} {$one->file_name} {$one->searched_on}")] = number_format($one->kept).' records';
        }

        return new BlockContent('Searches', self::rendered('searches', ['searches' => $searches]), $facts);
    }

    private static function flow(Review $review): BlockContent
    {
        $diagram = FlowQuery::diagram($review);
        $facts = [];
        foreach ($diagram->numbers() as $one) {
            // the arms of the diagram have boxes of one name
            $label = $one->line->label;
            $facts[isset($facts[$label]) ? "{$label}, {$one->arm}" : $label] = number_format((int) $one->line->n);
        }

        return new BlockContent('Flow of records and studies', fn (): string => DiagramSvg::of($diagram, $review->title), $facts);
    }

    private static function studies(Review $review): BlockContent
    {
        $studies = CodingTable::included($review);
        $facts = ['studies' => (string) $studies->count()];
        foreach ($studies as $one) {
            $facts[StudyTable::called($one)] = 'included';
        }

        return new BlockContent('Included studies', self::rendered('studies', ['studies' => $studies]), $facts);
    }

    private static function soundness(Review $review): BlockContent
    {
        $scales = Soundness::scales($review)->filter(Soundness::judges(...))->values();
        $soundness = Soundness::of($review, $scales);
        $facts = ['judged' => (string) count($soundness->names)];
        foreach ($soundness->regards as $regard) {
            foreach ($regard->by as $study => $judgement) {
                $facts[($soundness->names[$study] ?? '').", {$regard->name}"] = $judgement;
            }
        }
        $html = fn (): string => $soundness->names === []
            ? '<p>Nothing is judged yet.</p>'
            : $soundness->plot()->svg('Soundness of the studies', isFile: false);

        return new BlockContent('Soundness of the studies', $html, $facts);
    }

    private static function certainty(Review $review): BlockContent
    {
        $rows = CertaintyTable::of($review);
        $facts = [];
        foreach ($rows as $row) {
            $facts[$row->kept->title] = trim("{$row->effect()} {$row->absolute()} ".self::sure($row));
        }

        return new BlockContent('Certainty of the evidence', self::rendered('certainty', ['rows' => $rows]), $facts);
    }

    private static function sure(CertaintyRow $row): string
    {
        return $row->judged?->certainty()->level()->label() ?? 'not judged';
    }

    private static function analysis(Review $review, string $kind, string $id): BlockContent
    {
        $kept = KeptAnalysis::query()->where('review_id', $review->id)->find($id);
        $outcome = $kept === null ? null : ReviewOutcome::query()->where('review_id', $review->id)->find($kept->asked()->outcome);
        if ($kept === null || $outcome === null) {
            return self::gone();
        }
        $terms = $kept->asked();
        $pooled = PooledAnalysis::of($review, $terms, $outcome);
        $comparison = Comparison::query()->where('review_id', $review->id)->with(['intervention', 'comparator'])->find($terms->comparison);
        $plot = new ForestPlot($pooled, $comparison, $review->codes()->find($terms->marks));
        $all = $pooled->pooled();
        $facts = [
            'studies' => (string) $all->k,
            'estimate' => Shown::pooled($terms->measure, $all, $pooled->size()),
        ];
        foreach ($pooled->rows as $row) {
            $facts[$row->label] = self::effect($row, $terms->measure);
        }
        $svg = fn (): string => $kind === 'forest'
            ? $plot->forest()->svg($kept->title, isFile: false)
            : $plot->funnel()->svg("{$kept->title}, funnel", isFile: false);

        return new BlockContent($kept->title, $pooled->rows === [] ? '<p>No study reports this yet.</p>' : $svg, $facts);
    }

    private static function effect(PooledRow $row, AnalysisMeasure $measure): string
    {
        return $row->effect->isDefined() ? Shown::effect($measure, $row->effect) : 'not estimable';
    }

    /** @return array<string, string> pairs of items with options, in the order of the codebook, by their ids */
    private static function maps(Review $review): array
    {
        $items = self::mapped($review)->take(self::MAPPED)->values();
        $pairs = [];
        foreach ($items as $i => $rows) {
            foreach ($items->slice($i + 1) as $columns) {
                $pairs["{$rows->id} {$columns->id}"] = "{$rows->label} by {$columns->label}";
            }
        }

        return $pairs;
    }

    /** @return Collection<int, CodebookItem> items of the whole study with options to count by */
    private static function mapped(Review $review): Collection
    {
        return $review->codes()->get()->filter(fn (CodebookItem $one): bool => $one->retired_at === null && $one->code()->choosable() !== []);
    }

    private static function map(Review $review, string $source): BlockContent
    {
        $items = self::mapped($review)->keyBy('id');
        [$rows, $columns] = array_map(fn (string $id): ?CodebookItem => $items->get($id), [...explode(' ', $source, 2), '']);
        if ($rows === null || $columns === null) {
            return self::gone();
        }
        $map = (new MapQuery($review, $rows, $columns, null))->map();
        $title = "{$rows->label} by {$columns->label}";
        $svg = fn (): string => (new MapPlot($map))->svg($title, false);
        $shown = $map->studies === 0 ? '<p>No included study says both yet.</p>' : $svg;

        return new BlockContent($title, $shown, self::factsOfMap($map));
    }

    /** @return array<string, string> */
    private static function factsOfMap(EvidenceMap $map): array
    {
        $facts = ['studies' => (string) $map->studies];
        foreach ($map->rows as $row) {
            foreach ($map->columns as $column) {
                $facts["{$row}, {$column}"] = (string) $map->at((string) $row, (string) $column);
            }
        }

        return $facts;
    }

    private static function table(Review $review, string $id): BlockContent
    {
        $table = SavedTable::query()->where('review_id', $review->id)->find($id);
        if ($table === null) {
            return self::gone();
        }
        $shown = StudyTable::of($review, $table->asked());
        $groups = $shown->groups(300);
        $html = self::rendered('table', ['shown' => $shown, 'groups' => $groups]);

        return new BlockContent($table->title, $html, self::factsOfTable($shown, $groups));
    }

    /**
     * @param  array<string, list<StudyRow>>  $groups
     * @return array<string, string>
     */
    private static function factsOfTable(StudyTable $shown, array $groups): array
    {
        $facts = ['studies' => (string) $shown->studies->count()];
        foreach (array_merge([], ...array_values($groups)) as $row) {
            foreach ($row->cells as $key => $cell) {
                $head = $shown->columns->heads[$key] ?? '';
                $facts[trim(StudyTable::called($row->study).", {$head}")] = Str::limit(strtr($cell->words, "\n", ' '), 80);
            }
        }

        return $facts;
    }

    private static function passages(Review $review, string $theme): BlockContent
    {
        $tree = ThemeTree::of($review);
        if (! isset($tree->themes[$theme])) {
            return self::gone();
        }
        $passages = (new ThemePassages($review, $tree))->under($theme);
        $facts = ['passages' => (string) count($passages)];
        foreach ($passages as $one) {
            $facts[Str::limit($one->piece()->selector->quote, 50)] = $one->publication->called();
        }

        $byStudy = collect($passages)->groupBy(fn (Passage $one): string => $one->publication->called());

        return new BlockContent(
            $tree->pathOf($theme),
            self::rendered('passages', ['passages' => $byStudy]),
            $facts,
        );
    }
}
