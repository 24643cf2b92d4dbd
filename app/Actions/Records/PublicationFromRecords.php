<?php

declare(strict_types=1);

namespace App\Actions\Records;

use App\Models\Publication;
use App\Models\Record;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Search\Query\Field;
use WaryHeron\Core\Search\Text\IndexedText;
use WaryHeron\Core\Search\Text\Words;

/** What a publication shows: the first record's values, with an abstract and a DOI from the first that has one. */
final class PublicationFromRecords
{
    /**
     * @param  non-empty-list<Record>  $records
     * @return array<string, string|int|null>
     */
    public function values(array $records): array
    {
        $references = array_map(fn (Record $record): Reference => Reference::fromArray($record->reference), $records);
        $first = $references[0];

        return self::of($first, self::firstOf($references, 'abstract'), self::firstOf($references, 'doi')) + ['records_count' => count($records)];
    }

    public function refresh(Publication $publication): void
    {
        /** @var non-empty-list<Record> $records */
        $records = $publication->records()->get()->all();
        $publication->update($this->values($records));
    }

    /** @return array<string, string|int|null> columns but for the keys and the count */
    public static function of(Reference $reference, string $abstract, string $doi): array
    {
        return [
            'title' => $reference->title,
            'authors' => implode('; ', array_map(fn (Name $n): string => $n->short(), $reference->authors)),
            'first_author' => mb_substr(Words::fold($reference->authors[0]->family ?? ''), 0, 200),
            'year' => $reference->year,
            'journal' => $reference->journal,
            'place' => mb_substr($reference->place(), 0, 200),
            'doi' => mb_substr($doi, 0, 250),
            'abstract' => $abstract,
            'type' => $reference->type->value,
            'language' => mb_substr($reference->language, 0, 200),
            'sort_title' => mb_substr(implode(' ', Words::of($reference->title)), 0, 300),
            'words' => self::words($reference, $reference->title, $abstract),
        ];
    }

    public static function words(Reference $reference, string $title, string $abstract): string
    {
        return IndexedText::tsvector([
            Field::Title->value => $title,
            Field::Abstract->value => $abstract,
            Field::Keyword->value => implode(' ', $reference->keywords),
            Field::Author->value => implode(' ', array_map(fn (Name $n): string => "{$n->family} {$n->given}", $reference->authors)),
        ]);
    }

    /** @param  non-empty-list<Reference>  $references */
    private static function firstOf(array $references, string $field): string
    {
        foreach ($references as $reference) {
            if ($reference->{$field} !== '') {
                return $reference->{$field};
            }
        }

        return '';
    }
}
