<?php

declare(strict_types=1);

namespace App\Queries\Searches;

use App\Models\Review;
use App\Models\Strategy;
use App\Models\TeamDialect;
use App\Models\TranslationMark;
use App\Sources\Counts;
use App\Sources\SourceFailed;
use App\Sources\Sources;
use WaryHeron\Core\Search\Dialect\BadDialect;
use WaryHeron\Core\Search\Dialect\Dialect;
use WaryHeron\Core\Search\Query\Node\Heading;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Tree;
use WaryHeron\Core\Search\Strategy\BadStrategy;
use WaryHeron\Core\Search\Strategy\Strategy as Lines;
use WaryHeron\Core\Search\Strategy\TranslatedLine;
use WaryHeron\Core\Search\Strategy\Translation;

/**
 * The strategy's lines down, the databases across: what stands in each, its count, its notes, and who found it right.
 */
final readonly class TranslationTable
{
    private const SECONDS = 2.5;

    private const CANDIDATES = 5;

    public function __construct(private Sources $sources, private Compiler $compiler, private Counts $counts)
    {
    }

    /**
     * @return array{columns: list<array{key: string, name: string, dialect: string}>, rows: list<array{id: string,
     *     number: int, note: string, text: string, cells: array<string, array<string, mixed>>}>}
     */
    public function of(Review $review, Strategy $strategy, Lines $lines, bool $withCounts = true): array
    {
        $columns = $cells = [];
        $marks = TranslationMark::query()
            ->where('strategy_id', $strategy->id)
            ->with('marker')
            ->get()
            ->keyBy(fn (TranslationMark $mark): string => "{$mark->line_id}/{$mark->database}");
        foreach ($this->databases($review, $strategy) as $key => [$name, $dialect, $translation, $source]) {
            $columns[] = ['key' => $key, 'name' => $name, 'dialect' => $dialect->title()];
            $counts = $withCounts && $source !== null ? $this->counted($lines, $translation, $source) : [];
            $headings = $source === null ? null : Headings::ofSource($source, $review);
            foreach ($translation->lines($lines) as $i => $line) {
                $cells[$i][$key] = [
                    ...self::cell($line, $marks->get("{$line->line->id}/{$key}"), $headings),
                    'count' => $counts[$i + 1] ?? null,
                ];
            }
        }

        return [
            'columns' => $columns,
            'rows' => array_map(
                fn (int $i): array => [
                    'id' => $lines->lines[$i]->id,
                    'number' => $i + 1,
                    'note' => $lines->lines[$i]->note,
                    'text' => $lines->lines[$i]->text,
                    'cells' => $cells[$i] ?? [],
                ],
                array_keys($lines->lines),
            ),
        ];
    }

    /** @return array<string, mixed> */
    private static function cell(TranslatedLine $line, ?TranslationMark $mark, ?Headings $headings): array
    {
        $root = $line->line->isBlank() ? null : $line->line->parsed()->root;
        $isMarked = $mark !== null && $mark->text_hash === hash('sha256', $line->text);

        return [
            'text' => $line->text,
            'number' => $line->number,
            'problem' => $line->problem,
            'notes' => array_map(fn ($note): string => $note->message(), $line->notes),
            'marked' => $isMarked ? "{$mark->marker->name}, {$mark->marked_at->format('j M Y')}" : '',
            'mappings' => $root === null || $headings === null ? [] : self::mappings($root, $headings),
            'scheme' => $headings?->scheme->id,
        ];
    }

    /**
     * Headings of the line, and branches left out of them, that the thesaurus there does not have: what stands for
     * each, and what might.
     *
     * @return list<array{label: string, confirmed: list<string>, refused: list<string>, candidates: list<string>}>
     */
    private static function mappings(Node $root, Headings $headings): array
    {
        $labels = [];
        foreach (Tree::terms($root) as $term) {
            $labels = [...$labels, ...$term instanceof Heading ? [$term->label, ...$term->less] : []];
        }
        $mappings = [];
        foreach (array_unique($labels) as $label) {
            if (! $headings->has($label)) {
                $confirmed = $headings->confirmed($label);
                $mappings[] = [
                    'label' => $label,
                    'confirmed' => $confirmed,
                    'refused' => $headings->refused($label),
                    'candidates' => array_slice(
                        array_values(array_diff($headings->candidates($label), $confirmed)),
                        0,
                        self::CANDIDATES,
                    ),
                ];
            }
        }

        return $mappings;
    }

    /**
     * @return array<string, array{string, Dialect, Translation, ?string}> name, dialect, translation, and the source if
     *     it can be asked from here
     */
    private function databases(Review $review, Strategy $strategy): array
    {
        $all = [];
        foreach ($strategy->sources as $key) {
            if ($this->sources->has($key)) {
                $all[$key] = [
                    $this->sources->names()[$key],
                    $this->sources->dialect($key),
                    $this->compiler->translation($review, $key),
                    $key,
                ];
            }
        }
        foreach (TeamDialect::query()->where('review_id', $review->id)->orderBy('name')->get() as $own) {
            try {
                $dialect = Dialect::fromJson($own->file);
            } catch (BadDialect) {
                continue; // saved before its pattern was refused; the page of dialects says what is wrong with it
            }
            $all["own-{$own->name}"] = [$dialect->title(), $dialect, new Translation($dialect, null), null];
        }

        return $all;
    }

    /** @return array<int, int> by line number */
    private function counted(Lines $lines, Translation $translation, string $source): array
    {
        $texts = [];
        foreach ($lines->lines as $i => $line) {
            try {
                $compiled = $line->isBlank() ? null : $translation->query($lines->writtenOut($i + 1));
            } catch (BadStrategy) {
                continue;
            }
            if ($compiled?->isUsable()) {
                $texts[$i + 1] = $compiled->text;
            }
        }
        try {
            $counts = $this->counts->of($source, array_values($texts), self::SECONDS);
        } catch (SourceFailed) {
            return [];
        }

        return array_filter(
            array_map(fn (string $text): int|string|null => $counts[$text] ?? null, $texts),
            is_int(...),
        );
    }
}
