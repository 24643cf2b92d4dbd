<?php

declare(strict_types=1);

namespace App\Files\Out;

use App\Models\Report;
use App\Models\Review;
use App\Models\Strategy;
use App\Models\User;
use App\Queries\Coding\Table\TableRows;
use App\Queries\Coding\Table\TableTerms;
use App\Queries\Library\LibraryReferences;
use App\Queries\Report\FlowQuery;
use App\Queries\Report\LogFilters;
use App\Queries\Report\LogRows;
use App\Queries\Screening\DecisionRows;
use App\Queries\Searches\SearchReport;
use App\Queries\Searches\TranslationTable;
use App\Queries\Shared\Asked;
use App\View\Report\ReportFile;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use stdClass;
use WaryHeron\Core\Archive\WebAnnotation;
use WaryHeron\Core\Bibliography\Format\Csv\CsvLine;
use WaryHeron\Core\Bibliography\Format\Formats;
use WaryHeron\Core\Flow\DiagramSvg;

/** What a review holds in forms that any program reads, piece by piece. */
final readonly class OpenFiles
{
    private const PART = 1000;

    public function __construct(private TranslationTable $translations)
    {
    }

    /** @return \Generator<string, iterable<string>> pieces of files by their names */
    public function of(Review $review, User $reader): \Generator
    {
        foreach (['ris', 'csl-json'] as $format) {
            $writer = Formats::writers()[$format];
            yield "references.{$writer->extension()}" => $writer->write(LibraryReferences::whole($review));
            yield "included.{$writer->extension()}" => $writer->write(LibraryReferences::included($review));
        }
        yield 'decisions.csv' => self::csv(DecisionRows::of($review, $reader));
        yield 'log.csv' => self::csv(LogRows::of(LogFilters::of($review, $reader, new Asked()), $reader));
        yield 'coding.csv' => self::csv((new TableRows($review, TableTerms::all($review), array_keys(TableRows::PARTS)))->all());
        yield 'evidence.jsonld' => self::evidence($review);
        yield 'search-report.txt' => [
            view('searches.report-text', ['review' => $review, 'report' => SearchReport::of($review)])->render(),
        ];
        yield from $this->strategies($review);
        yield 'flow.svg' => [DiagramSvg::of(FlowQuery::diagram($review), $review->title)];
        $report = Report::of($review)->first();
        if ($report !== null) {
            yield 'report.html' => [ReportFile::of($review, $report, ReportFile::PAGE)->html()];
        }
    }

    /** @return \Generator<string, list<string>> each strategy in our language and in each dialect */
    private function strategies(Review $review): \Generator
    {
        $strategies = Strategy::query()->where('review_id', $review->id)->orderBy('id')->get();
        foreach ($strategies as $n => $strategy) {
            $lines = $strategy->shown()->strategy();
            $name = trim(Str::limit(Str::slug($strategy->name), 60, ''), '-') ?: 'strategy';
            yield 'strategies/'.($n + 1)."-{$name}.txt" => [view('searches.translation-text', [
                'strategy' => $strategy,
                'table' => $this->translations->of($review, $strategy, $lines, withCounts: false),
            ])->render()];
        }
    }

    /**
     * @param  iterable<array<int, mixed>>  $rows
     * @return iterable<string>
     */
    private static function csv(iterable $rows): iterable
    {
        yield CsvLine::BEGINNING;
        foreach ($rows as $row) {
            yield CsvLine::of(array_map(
                fn (mixed $cell): string|int|float => $cell instanceof \DateTimeInterface
                    ? $cell->format('Y-m-d')
                    : (is_scalar($cell) && ! is_bool($cell) ? $cell : ''),
                array_values($row),
            ));
        }
    }

    /** @return iterable<string> each passage that an answer, a result or a theme rests on, as one annotation page */
    private static function evidence(Review $review): iterable
    {
        yield '{"@context": "'.WebAnnotation::CONTEXT.'", "type": "AnnotationPage", "items": [';
        $between = "\n";
        foreach (self::rested($review) as $row) {
            foreach (self::pieces(json_decode($row->evidence, true)) as $n => $piece) {
                $one = WebAnnotation::of("{$row->id}:{$n}", self::said($row), $row->publication_id, $piece, $row->at);
                yield $between.json_encode($one, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
                $between = ",\n";
            }
        }
        yield "\n]}\n";
    }

    /** @return iterable<stdClass> id, publication_id, label, value (JSON), evidence (JSON), at */
    private static function rested(Review $review): iterable
    {
        $at = "to_char(said.created_at AT TIME ZONE 'UTC', 'YYYY-MM-DD\"T\"HH24:MI:SS\"Z\"') AS at";
        $of = fn (string $table, string $label, string $value): Builder => DB::table("{$table} AS said")
            ->where('said.review_id', $review->id)
            ->selectRaw("said.id, said.publication_id, {$label} AS label, {$value} AS value, said.evidence, {$at}");
        $all = [
            $of('standing_answers', '(SELECT label FROM codes WHERE codes.id = said.code_id)', 'said.value'),
            $of('standing_results', '(SELECT name FROM outcomes WHERE outcomes.id = said.outcome_id)', 'said.given'),
            $of('passages', "'passage'", 'to_jsonb(said.memo)')->whereNull('said.removed_at'),
        ];
        foreach ($all as $query) {
            yield from $query->lazyById(self::PART, 'said.id', 'id');
        }
    }

    /** @return list<array<string, mixed>> */
    private static function pieces(mixed $evidence): array
    {
        $evidence = is_array($evidence) ? $evidence : [];
        if (isset($evidence['quote'])) {
            return [$evidence];
        }
        $pieces = [];
        foreach ($evidence as $one) {
            $pieces = [...$pieces, ...is_array($one) ? self::pieces($one) : []];
        }

        return $pieces;
    }

    private static function said(stdClass $row): string
    {
        $value = json_decode((string) $row->value, true);
        $words = is_array($value)
            ? implode(', ', array_map(
                fn (mixed $one, int|string $of): string => (is_string($of) ? "{$of} " : '').(is_scalar($one) ? $one : ''),
                $value,
                array_keys($value),
            ))
            : (is_scalar($value) ? (string) $value : '');

        return trim("{$row->label}: {$words}", ': ');
    }
}
