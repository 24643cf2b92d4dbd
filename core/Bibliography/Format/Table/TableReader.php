<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Table;

use WaryHeron\Core\Bibliography\Doi;
use WaryHeron\Core\Bibliography\Format\Csv\CsvLine;
use WaryHeron\Core\Bibliography\Format\ReferenceReader;
use WaryHeron\Core\Bibliography\Format\SaidType;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\Format\UnusableFile;
use WaryHeron\Core\Bibliography\IssuedDate;
use WaryHeron\Core\Bibliography\Keywords;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\NameList;
use WaryHeron\Core\Bibliography\Pages;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Bibliography\SourceField;
use WaryHeron\Core\Bibliography\StandardNumber;
use WaryHeron\Core\Bibliography\Year;

/** Makes records of the rows of a table, wherever the rows come from; the first row holds the headings. */
final class TableReader
{
    public function __construct(private readonly ?Columns $columns = null)
    {
    }

    /**
     * @param  iterable<int, list<string>>  $rows  by line number; an empty row is passed over
     * @return \Generator<int, Reference|UnreadableRecord>
     *
     * @throws UnusableFile If no column holds titles.
     */
    public function references(iterable $rows): \Generator
    {
        $headings = null;
        $columns = $this->columns;
        foreach ($rows as $line => $cells) {
            if (implode('', $cells) === '') {
                continue;
            }
            if ($headings === null) {
                $headings = array_map(trim(...), $cells);
                $columns ??= Columns::guess($headings);
                if (! $columns->hold('title')) {
                    throw UnusableFile::withoutTitleColumn();
                }

                continue;
            }
            yield $this->reference($headings, $columns ?? new Columns([]), $cells, $line);
        }
        if ($headings === null) {
            throw UnusableFile::isEmpty();
        }
    }

    /**
     * @param  list<string>  $headings
     * @param  list<string>  $cells
     */
    private function reference(array $headings, Columns $columns, array $cells, int $line): Reference|UnreadableRecord
    {
        // the headings go with the row, so that it can be mended by itself
        $source = CsvLine::of($headings).CsvLine::of($cells);
        if (strlen($source) > ReferenceReader::LARGEST_RECORD) {
            return UnreadableRecord::tooLarge($line, $source);
        }
        if (trim(implode('', array_slice($cells, count($headings)))) !== '') {
            return UnreadableRecord::broken(
                $line,
                'The row has '.count($cells).' cells, the heading row '.count($headings).'.',
                $source,
            );
        }
        $read = self::cells($headings, $columns, $cells);
        // a row without a type may be a sum, or a remark below the table
        $checked = isset($read->values['type'])
            ? UnreadableRecord::unlessEmpty(...)
            : UnreadableRecord::unlessIdentified(...);

        return $checked(
            $this->made($read->values, $read->extra, $source, $line),
            'Fill in its title cell, or leave it out.',
        );
    }

    /**
     * @param  array<string, string>  $values  by field
     * @param  list<SourceField>  $extra
     */
    private function made(array $values, array $extra, string $source, int $line): Reference
    {
        $value = fn (string $field): string => $values[$field] ?? '';
        $pages = $value('firstPage') === ''
            ? Pages::of($value('pages'))
            : new Pages($value('firstPage'), $value('lastPage'));
        $urls = preg_split('/[\s;]+(?=\w+:\/\/)|\s+/', $value('url'), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $type = SaidType::of($value('type'));
        $isOther = $value('type') !== '' && $value('type') !== $type->value;

        $reference = new Reference(
            ...self::plain($value),
            type: $type,
            title: $value('title'),
            authors: $this->authors($value('authors')),
            editors: $this->authors($value('editors')),
            firstPage: $pages->first,
            lastPage: $pages->last,
            doi: Doi::named($value('doi'), $urls),
            urls: $urls,
            keywords: Keywords::split($value('keywords')),
            extra: [
                ...$isOther ? [new SourceField('document type', $value('type'))] : [],
                ...$extra,
                ...$this->fields($value('fields')),
            ],
            source: $source,
            line: $line,
        );

        return $reference->with([...self::dated($value), ...self::numbered($value)]);
    }

    /**
     * @param  \Closure(string): string  $value
     * @return array<string, string|int|null>
     */
    private static function dated(\Closure $value): array
    {
        $date = $value('date') !== '' ? $value('date') : $value('year');
        $year = Year::of($value('year')) ?? Year::of($date);

        return [
            'year' => $year ?? (IssuedDate::read($date) ?? IssuedDate::read($value('year')))?->year(),
            'date' => $date,
        ];
    }

    /**
     * A number of books may stand in the column of those of journals.
     *
     * @param  \Closure(string): string  $value
     * @return array<string, string>
     */
    private static function numbered(\Closure $value): array
    {
        $isbn = StandardNumber::isIsbn($value('issn')) ? $value('issn') : '';

        return [
            'issn' => $isbn === '' ? $value('issn') : '',
            'isbn' => $value('isbn') === '' ? $isbn : $value('isbn'),
        ];
    }

    /**
     * What a reference takes from its cell as it stands.
     *
     * @param  \Closure(string): string  $value  of a field
     * @return array{journal: string, journalShort: string, volume: string, issue: string, abstract: string,
     *     language: string, publisher: string, place: string, series: string, edition: string, partTitle: string,
     *     accession: string, id: string}
     */
    private static function plain(\Closure $value): array
    {
        return [
            'journal' => $value('journal'),
            'journalShort' => $value('journalShort'),
            'volume' => $value('volume'),
            'issue' => $value('issue'),
            'abstract' => $value('abstract'),
            'language' => $value('language'),
            'publisher' => $value('publisher'),
            'place' => $value('place'),
            'series' => $value('series'),
            'edition' => $value('edition'),
            'partTitle' => $value('partTitle'),
            'accession' => $value('accession'),
            'id' => $value('id'),
        ];
    }

    /**
     * @param  list<string>  $headings
     * @param  list<string>  $cells
     */
    private static function cells(array $headings, Columns $columns, array $cells): RowCells
    {
        $values = [];
        $extra = [];
        foreach ($cells as $at => $cell) {
            $cell = trim(self::armed($cell));
            $field = $columns->fields[$at] ?? null;
            if ($cell === '') {
                continue;
            }
            if ($field === null) {
                $extra[] = new SourceField($headings[$at] === '' ? 'column '.($at + 1) : $headings[$at], $cell);
            } else {
                $values[$field] = isset($values[$field]) ? "{$values[$field]}; {$cell}" : $cell;
            }
        }

        return new RowCells($values, $extra);
    }

    /** The apostrophe that keeps a spreadsheet from running a text is no part of it. */
    private static function armed(string $cell): string
    {
        return str_starts_with($cell, "'") && CsvLine::defused(substr($cell, 1)) === $cell ? substr($cell, 1) : $cell;
    }

    /** @return list<Name> */
    private function authors(string $text): array
    {
        return array_map(Name::indexed(...), NameList::written($text));
    }

    /** @return list<SourceField> what CsvWriter puts into its last column */
    private function fields(string $json): array
    {
        $fields = $json === '' ? [] : json_decode($json, true);
        if (! is_array($fields)) {
            return [new SourceField('other_fields', $json)];
        }

        return array_values(array_filter(array_map(SourceField::fromPair(...), $fields)));
    }
}
