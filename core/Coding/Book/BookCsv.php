<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Book;

use WaryHeron\Core\Bibliography\Format\Csv\CsvLine;

/** Codebooks as CSV, an item a row, for a spreadsheet. What an item has several of stands line by line in one cell. */
final class BookCsv
{
    private const COLUMNS = [
        'id', 'label', 'type', 'options', 'unit', 'minimum', 'maximum', 'guidance', 'examples', 'synonyms', 'section',
        'pass', 'required', 'per', 'asked when', 'is',
    ];

    private const LISTS = ['options', 'synonyms', 'is'];

    /** @param  list<Entry>  $entries */
    public static function write(array $entries): string
    {
        $text = CsvLine::BEGINNING.CsvLine::of(self::COLUMNS);
        foreach ($entries as $entry) {
            $values = BookItems::values($entry);
            $when = is_array($values['when'] ?? null) ? $values['when'] : ['item' => '', 'answers' => []];
            $text .= CsvLine::of(array_map(self::cell(...), [
                ...array_map(fn (string $column): mixed => $values[$column] ?? '', array_slice(self::COLUMNS, 0, -2)),
                $when['item'],
                $when['answers'],
            ]));
        }

        return $text;
    }

    /**
     * @param  string  $text  parted by commas, semicolons or tabs, as spreadsheets write it
     * @return list<Entry>
     *
     * @throws BadBook
     */
    public static function read(string $text): array
    {
        $rows = self::rows($text);
        $columns = array_map(fn (string $one): string => mb_strtolower(trim($one)), array_shift($rows) ?? []);
        if (! in_array('label', $columns, true) || ! in_array('type', $columns, true)) {
            throw BadBook::noColumns();
        }
        $items = [];
        foreach ($rows as $row) {
            $cells = array_combine($columns, array_pad(array_slice($row, 0, count($columns)), count($columns), ''));
            if (trim(implode('', $cells)) !== '') {
                $items[] = self::item(array_map(self::bare(...), $cells));
            }
        }

        return BookItems::entries($items);
    }

    /**
     * @param  array<string, string>  $cells
     * @return array<string, string|float|bool|list<string>|array<string, string|list<string>>|null>
     */
    private static function item(array $cells): array
    {
        $item = $cells;
        foreach (self::LISTS as $column) {
            $item[$column] = preg_split('/\s*\R\s*/u', trim($cells[$column] ?? '')) ?: [];
        }
        foreach (['minimum', 'maximum'] as $column) {
            $number = strtr(trim($cells[$column] ?? ''), ',', '.');
            $item[$column] = is_numeric($number) ? (float) $number : null;
        }
        $item['required'] = in_array(mb_strtolower(trim($cells['required'] ?? '')), ['yes', 'true', '1', 'x'], true);
        $item['when'] = ['item' => trim($cells['asked when'] ?? ''), 'answers' => $item['is']];

        return $item;
    }

    /** @return list<list<string>> */
    private static function rows(string $text): array
    {
        $text = self::decoded($text);
        $delimiter = self::delimiter(strtok($text, "\r\n") ?: '');
        $rows = [];
        $open = '';
        foreach (preg_split('/(?<=\n)|(?<=\r)(?!\n)/', $text) ?: [] as $line) {
            $open .= $line;
            // a row goes on while a quotation is open
            if (substr_count($open, '"') % 2 === 0 && trim($open) !== '') {
                $cells = str_getcsv(rtrim($open, "\r\n"), $delimiter, '"', '');
                $rows[] = array_map(fn (?string $cell): string => (string) $cell, $cells);
                $open = '';
            }
        }

        return $rows;
    }

    private static function decoded(string $text): string
    {
        if (! mb_check_encoding($text, 'UTF-8')) {
            $isWide = str_starts_with($text, "\xFF\xFE") || str_starts_with($text, "\xFE\xFF");
            $text = (string) mb_convert_encoding($text, 'UTF-8', $isWide ? 'UTF-16' : 'Windows-1252');
        }

        return str_starts_with($text, CsvLine::BEGINNING) ? substr($text, strlen(CsvLine::BEGINNING)) : $text;
    }

    /** The sign that the heading row has most of. */
    private static function delimiter(string $head): string
    {
        $counts = [];
        foreach ([',', ';', "\t"] as $sign) {
            $counts[$sign] = substr_count($head, $sign);
        }
        arsort($counts);

        return (string) array_key_first($counts);
    }

    private static function cell(mixed $value): string
    {
        return match (true) {
            is_array($value) => implode("\n", array_filter($value, is_string(...))),
            is_bool($value) => $value ? 'yes' : '',
            is_scalar($value) => (string) $value,
            default => '',
        };
    }

    /** Without the apostrophe by which a spreadsheet was kept from running it. */
    private static function bare(string $cell): string
    {
        return (string) preg_replace("/^'(?=\s*[=+\-@])/", '', $cell);
    }
}
