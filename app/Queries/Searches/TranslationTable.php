<?php

declare(strict_types=1);

namespace App\Queries\Searches;

use App\Models\Review;
use App\Models\Strategy;
use App\Models\TeamDialect;
use App\Models\TranslationMark;
use App\Queries\Searches\Translated\DatabaseColumn;
use App\Queries\Searches\Translated\HeadingChoices;
use App\Queries\Searches\Translated\TranslatedCell;
use App\Queries\Searches\Translated\TranslatedRow;
use App\Queries\Searches\Translated\TranslatedStrategy;
use App\Sources\Counts;
use App\Sources\SourceFailed;
use App\Sources\Sources;
use Illuminate\Support\Collection;
use WaryHeron\Core\Search\Dialect\BadDialect;
use WaryHeron\Core\Search\Dialect\Dialect;
use WaryHeron\Core\Search\Dialect\TranslationNote;
use WaryHeron\Core\Search\Strategy\BadStrategy;
use WaryHeron\Core\Search\Strategy\Strategy as Lines;
use WaryHeron\Core\Search\Strategy\StrategyLine;
use WaryHeron\Core\Search\Strategy\Translated\TranslatedLine;
use WaryHeron\Core\Search\Strategy\Translated\Translation;

/**
 * The strategy's lines down, the databases across: what stands in each, its count, its notes, and who found it right.
 */
final readonly class TranslationTable
{
    private const SECONDS = 2.5;

    public function __construct(private Sources $sources, private Compiler $compiler, private Counts $counts)
    {
    }

    public function of(Review $review, Strategy $strategy, Lines $lines, bool $withCounts = true): TranslatedStrategy
    {
        $cells = [];
        $marks = self::marks($strategy);
        $columns = $this->databases($review, $strategy);
        foreach ($columns as $column) {
            $counts = $withCounts ? $this->counted($lines, $column) : [];
            $headings = $column->source === null ? null : Headings::ofSource($column->source, $review);
            foreach ($column->translation->lines($lines) as $i => $line) {
                $mark = $marks->get("{$line->line->id}/{$column->key}");
                $cells[$i][$column->key] = self::cell($line, $mark, $headings, $counts[$i + 1] ?? null);
            }
        }

        return new TranslatedStrategy($columns, array_map(
            fn (int $i, StrategyLine $line): TranslatedRow => new TranslatedRow(
                $line->id,
                $i + 1,
                $line->note,
                $line->text,
                $cells[$i] ?? [],
            ),
            array_keys($lines->lines),
            $lines->lines,
        ));
    }

    /** @return Collection<non-falsy-string, TranslationMark> by line and database */
    private static function marks(Strategy $strategy): Collection
    {
        return TranslationMark::query()
            ->where('strategy_id', $strategy->id)
            ->with('marker')
            ->get()
            ->toBase()
            ->keyBy(fn (TranslationMark $mark): string => "{$mark->line_id}/{$mark->database}");
    }

    private static function cell(
        TranslatedLine $line,
        ?TranslationMark $mark,
        ?Headings $headings,
        ?int $count,
    ): TranslatedCell {
        $root = $line->line->isBlank() ? null : $line->line->parsed()->root;
        $isMarked = $mark !== null && $mark->text_hash === hash('sha256', $line->text);

        return new TranslatedCell(
            $line->text,
            $line->number,
            $line->problem,
            array_map(fn (TranslationNote $note): string => $note->message(), $line->notes),
            $isMarked ? "{$mark->marker->name}, {$mark->marked_at->format('j M Y')}" : '',
            $root === null || $headings === null ? [] : HeadingChoices::in($root, $headings),
            $headings?->scheme->id,
            $count,
        );
    }

    /** @return list<DatabaseColumn> */
    private function databases(Review $review, Strategy $strategy): array
    {
        $all = [];
        foreach (array_filter($strategy->sources, $this->sources->has(...)) as $key) {
            $all[] = new DatabaseColumn(
                $key,
                $this->sources->names()[$key],
                $this->sources->dialect($key)->title(),
                $this->compiler->translation($review, $key),
                $key,
            );
        }
        foreach (TeamDialect::query()->where('review_id', $review->id)->orderBy('name')->get() as $own) {
            try {
                $dialect = Dialect::fromJson($own->file);
            } catch (BadDialect) {
                continue; // saved before its pattern was refused; the page of dialects says what is wrong with it
            }
            $title = $dialect->title();
            $all[] = new DatabaseColumn("own-{$own->name}", $title, $title, new Translation($dialect, null), null);
        }

        return $all;
    }

    /** @return array<int, int> by line number */
    private function counted(Lines $lines, DatabaseColumn $column): array
    {
        if ($column->source === null) {
            return [];
        }
        $texts = [];
        foreach ($lines->lines as $i => $line) {
            try {
                $compiled = $line->isBlank() ? null : $column->translation->query($lines->writtenOut($i + 1));
            } catch (BadStrategy) {
                continue;
            }
            if ($compiled?->isUsable()) {
                $texts[$i + 1] = $compiled->text;
            }
        }
        try {
            $counts = $this->counts->of($column->source, array_values($texts), self::SECONDS);
        } catch (SourceFailed) {
            return [];
        }

        return array_filter(
            array_map(fn (string $text): int|string|null => $counts[$text] ?? null, $texts),
            is_int(...),
        );
    }
}
