<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Csv;

use WaryHeron\Core\Bibliography\Format\Lines;
use WaryHeron\Core\Bibliography\Format\Reading;
use WaryHeron\Core\Bibliography\Format\RecognisesItself;
use WaryHeron\Core\Bibliography\Format\ReferenceReader;
use WaryHeron\Core\Bibliography\Format\Table\Columns;
use WaryHeron\Core\Bibliography\Format\Table\HeadingRow;
use WaryHeron\Core\Bibliography\Format\Table\TableReader;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;

/** Reads delimited text (RFC 4180, and its cousins with semicolons, tabs or bars) with a heading row. */
final class CsvReader implements RecognisesItself, ReferenceReader
{
    public const DELIMITERS = [',', ';', "\t", '|'];

    /** Above the largest record: a quote that nobody closed is noticed before memory is. */
    private const LONGEST_ROW = 4_194_304;

    private const LONGEST_HEADING = 20_000;

    /** @param  ?Columns  $columns  null to guess from the headings */
    public function __construct(
        private readonly ?string $delimiter = null,
        private readonly ?Columns $columns = null,
    ) {
    }

    public function recognises(string $beginning): bool
    {
        return $this->delimiterIn($beginning) !== null;
    }

    /** What parts the cells of a table that begins so; null where it is none. */
    public function delimiterIn(string $beginning): ?string
    {
        $lines = preg_split('/\R/', substr((string) preg_replace('/^\s*sep=.\R/', '', $beginning), 0, 60_000)) ?: [];
        $lines = array_values(array_filter($lines, fn (string $line): bool => trim($line) !== ''));
        foreach (array_slice($lines, 0, HeadingRow::LOWEST) as $line) {
            $delimiter = strlen($line) < self::LONGEST_HEADING ? $this->delimiterOf($line) : null;
            if ($delimiter !== null) {
                return $delimiter;
            }
        }

        return strlen($lines[0] ?? '') < self::LONGEST_HEADING ? self::delimiterByShape($beginning) : null;
    }

    /** The delimiter that parts the first lines into the same number of cells, three or more; null where none does. */
    public static function delimiterByShape(string $beginning): ?string
    {
        $lines = array_filter(preg_split('/\R/', $beginning) ?: [], fn (string $line): bool => trim($line) !== '');
        $lines = array_slice(array_values($lines), 0, 6);
        foreach (count($lines) < 2 ? [] : self::DELIMITERS as $delimiter) {
            if (self::isTable($lines, $delimiter)) {
                return $delimiter;
            }
        }

        return null;
    }

    /** @param  list<string>  $lines */
    private static function isTable(array $lines, string $delimiter): bool
    {
        $rows = array_map(fn (string $line): array => str_getcsv($line, $delimiter, '"', ''), $lines);
        $headings = array_map(fn (?string $cell): string => trim((string) $cell), $rows[0] ?? []);

        return $headings !== [] &&
            count(array_unique(array_map(count(...), $rows))) === 1 &&
            count($headings) >= 3 &&
            ! in_array('', $headings, true) &&
            max(array_map(mb_strlen(...), $headings)) <= 60;
    }

    public function read($stream, Reading $reading = new Reading()): iterable
    {
        $unclosed = [];
        foreach ((new TableReader($this->columns))->references($this->rows($stream, $reading, $unclosed)) as $one) {
            yield from $unclosed;
            $unclosed = [];
            yield $one;
        }
        yield from $unclosed;
    }

    /**
     * The heading row and the first rows below it, to show how the file would be read.
     *
     * @param  resource  $stream
     * @return list<list<string>>
     */
    public function preview($stream, int $rows, Reading $reading = new Reading()): array
    {
        $shown = [];
        $unclosed = [];
        foreach ($this->rows($stream, $reading, $unclosed) as $cells) {
            if (implode('', $cells) !== '' && count($shown) <= $rows) {
                $shown[] = $cells;
            }
            if (count($shown) > $rows) {
                break;
            }
        }

        return $shown;
    }

    /** The delimiter that makes most sense of this heading row; null where none makes a title column. */
    public function delimiterOf(string $heading): ?string
    {
        $best = null;
        $most = 0;
        foreach ($this->delimiter === null ? self::DELIMITERS : [$this->delimiter] as $delimiter) {
            $columns = Columns::guess(
                array_map(fn (?string $cell): string => trim((string) $cell), str_getcsv($heading, $delimiter, '"', '')),
            );
            $count = count($columns->fields);
            if ($columns->hold('title') && $count > $most && ($count > 1 || $this->delimiter !== null)) {
                [$best, $most] = [$delimiter, $count];
            }
        }

        return $best;
    }

    /**
     * @param  resource  $stream
     * @param  list<UnreadableRecord>  $unclosed  takes rows whose quote is never closed
     * @return \Generator<int, list<string>>
     */
    private function rows($stream, Reading $reading, array &$unclosed): \Generator
    {
        $delimiter = $this->delimiter;
        $row = '';
        $start = 0;
        $open = false;
        $lines = HeadingRow::among(
            Lines::of($stream, $reading),
            $reading,
            fn (string $line): bool => trim($line) === '' || preg_match('/^sep=.$/', trim($line)) === 1,
            fn (string $line): bool => $this->delimiterOf($line) !== null,
        );
        foreach ($lines as $number => $line) {
            $delimiter ??= $this->delimiterOf($line) ?? self::likeliest($line);
            if (! $open && ! str_contains($line, '"')) {
                yield $number => explode($delimiter === '' ? ',' : $delimiter, $line);

                continue;
            }
            if (! $open) {
                [$row, $start] = ['', $number];
            }
            $row .= ($open ? "\n" : '').$line;
            $open = substr_count($line, '"') % 2 === 1 ? ! $open : $open;
            if (! $open) {
                yield $start => $this->cells($row, $delimiter);
            } elseif (strlen($row) > self::LONGEST_ROW) {
                $unclosed[] = UnreadableRecord::broken(
                    $start,
                    'A quotation mark that opens in this row is never closed. The row, and what stood in its place, was passed over.',
                    $row,
                );
                [$row, $open] = ['', false];
            }
        }
        if ($open) {
            yield from $this->afterUnclosed($row, $start, $delimiter ?? ',', $unclosed);
        }
    }

    /**
     * What comes after a row whose quote is not closed before the end of the file is read line by line, so that it
     * costs that row alone.
     *
     * @param  list<UnreadableRecord>  $unclosed
     * @return \Generator<int, list<string>>
     */
    private function afterUnclosed(string $text, int $start, string $delimiter, array &$unclosed): \Generator
    {
        $lines = explode("\n", $text);
        $unclosed[] = UnreadableRecord::broken(
            $start,
            'A quotation mark that opens in this row is never closed.',
            $lines[0],
        );
        foreach (array_slice($lines, 1, preserve_keys: true) as $at => $line) {
            if (substr_count($line, '"') % 2 === 0) {
                yield $start + $at => $this->cells($line, $delimiter);
            } elseif (trim($line) !== '') {
                $unclosed[] = UnreadableRecord::broken(
                    $start + $at,
                    'A quotation mark in this row has no other.',
                    $line,
                );
            }
        }
    }

    /** Where no heading is known: the sign that parts it most often. */
    private static function likeliest(string $line): string
    {
        $counts = array_map(fn (string $delimiter): int => substr_count($line, $delimiter), self::DELIMITERS);

        return self::DELIMITERS[(int) array_search(max($counts), $counts, true)];
    }

    /** @return list<string> */
    private function cells(string $row, string $delimiter): array
    {
        $row = str_contains($row, '"') ? self::withDoubledQuotes($row, $delimiter) : $row;

        return array_map(fn (?string $cell): string => (string) $cell, str_getcsv($row, $delimiter, '"', ''));
    }

    /** Quotation marks within a quoted cell are doubled, where the others open and close every cell they stand at. */
    private static function withDoubledQuotes(string $row, string $delimiter): string
    {
        $by = preg_quote($delimiter, '/');
        $within = '/(?<=[^"\n'.$by.'])"(?=[^"\n'.$by.'])/u';
        if (preg_match($within, $row) !== 1) {
            return $row;
        }
        $doubled = (string) preg_replace($within, '""', $row);
        $single = str_replace('""', '', $doubled);

        return preg_match_all("/(?:^|{$by})\"/", $single) === preg_match_all("/\"(?={$by}|$)/", $single)
            ? $doubled
            : $row;
    }
}
