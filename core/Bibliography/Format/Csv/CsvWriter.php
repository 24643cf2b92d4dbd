<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Csv;

use WaryHeron\Core\Bibliography\Format\ReferenceWriter;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\Reference;

final class CsvWriter implements ReferenceWriter
{
    public const COLUMNS = ['id', 'type', 'title', 'authors', 'year', 'journal', 'volume', 'issue', 'pages', 'doi', 'abstract', 'keywords', 'language', 'url', 'accession'];

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
        return [
            $reference->id,
            $reference->type->value,
            $reference->title,
            implode('; ', array_map(fn (Name $name): string => $name->inverts(), $reference->authors)),
            $reference->year,
            $reference->journal,
            $reference->volume,
            $reference->issue,
            $reference->pages(),
            $reference->doi,
            $reference->abstract,
            implode('; ', $reference->keywords),
            $reference->language,
            $reference->urls[0] ?? '',
            $reference->accession,
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
}
