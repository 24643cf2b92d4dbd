<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Csv;

use WaryHeron\Core\Bibliography\Format\ReferenceWriter;
use WaryHeron\Core\Bibliography\Keywords;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Bibliography\SourceField;

/** Writes CSV with a heading row; left-over fields go into the last column as JSON. */
final class CsvWriter implements ReferenceWriter
{
    public const COLUMNS = [
        'id',
        'type',
        'title',
        'authors',
        'year',
        'journal',
        'volume',
        'issue',
        'pages',
        'doi',
        'abstract',
        'keywords',
        'language',
        'url',
        'accession',
        'date',
        'journal_short',
        'publisher',
        'place',
        'issn',
        'editors',
        'series',
        'edition',
        'isbn',
        'part_title',
        'other_fields',
    ];

    public function write(iterable $references): iterable
    {
        yield CsvLine::BEGINNING.CsvLine::of(self::COLUMNS);
        foreach ($references as $reference) {
            yield CsvLine::of(self::cells($reference));
        }
    }

    /** @return list<string|int|null> in the order of COLUMNS */
    public static function cells(Reference $reference): array
    {
        $extra = array_values(array_filter($reference->extra, fn (SourceField $field): bool => $field->tag !== 'document type'));
        $type = array_column($reference->extra, 'value', 'tag')['document type'] ?? $reference->type->value;

        return [
            $reference->id,
            $type,
            $reference->title,
            self::authors($reference->authors),
            $reference->year,
            $reference->journal,
            $reference->volume,
            $reference->issue,
            $reference->pages(),
            $reference->doi,
            $reference->abstract,
            Keywords::joined($reference->keywords),
            $reference->language,
            implode(' ', $reference->urls),
            $reference->accession,
            $reference->date === (string) $reference->year ? '' : $reference->date,
            $reference->journalShort,
            $reference->publisher,
            $reference->place,
            $reference->issn,
            self::authors($reference->editors),
            $reference->series,
            $reference->edition,
            $reference->isbn,
            $reference->partTitle,
            $extra === []
                ? ''
                : json_encode(
                    $extra,
                    JSON_UNESCAPED_UNICODE |
                        JSON_UNESCAPED_SLASHES |
                        JSON_INVALID_UTF8_SUBSTITUTE |
                        JSON_THROW_ON_ERROR,
                ),
        ];
    }

    public function extension(): string
    {
        return 'csv';
    }

    public function mediaType(): string
    {
        return 'text/csv; charset=utf-8';
    }

    /** @param  list<Name>  $authors */
    private static function authors(array $authors): string
    {
        $text = implode('; ', array_map(fn (Name $name): string => $name->inverts(), $authors));

        // one name alone must not be cut at an "and" that belongs to it
        return count($authors) === 1 && preg_match('/\s(?:and|&)\s/', $text) === 1 ? "{$text};" : $text;
    }
}
