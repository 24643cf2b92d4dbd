<?php

declare(strict_types=1);

namespace App\Actions\Library;

use App\Models\Publication;
use App\Models\Record;
use App\Queries\Library\KeptReference;
use App\Queries\Library\ReviewWords;
use WaryHeron\Core\Bibliography\Language;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Search\Query\Field;
use WaryHeron\Core\Search\Text\IndexedText;
use WaryHeron\Core\Text\Words;

/** What a publication shows of its records, by the rules of the core, with what people chose instead. */
final class PublicationFromRecords
{
    /**
     * @param  non-empty-list<Record>  $records
     * @param  list<array{field: string, value: string}>  $chosen
     * @return array<string, string|int|null>
     */
    public function values(array $records, array $chosen = []): array
    {
        return self::of(KeptReference::values($records)->with(array_column($chosen, 'value', 'field'))) + [
            'records_count' => count($records),
        ];
    }

    public function refresh(Publication $publication): void
    {
        /** @var non-empty-list<Record> $records */
        $records = $publication->records()->get()->all();
        $values = $this->values($records, array_values($publication->chosen));
        $publication->update($values);
        ReviewWords::add($publication->review_id, ReviewWords::of((string) $values['words']));
    }

    /** @return array<string, string|int|null> columns but for the keys and the count */
    public static function of(Reference $reference): array
    {
        $people = $reference->authors !== [] ? $reference->authors : $reference->editors;

        return [
            'title' => $reference->suppliedTitle(),
            'authors' => implode('; ', array_map(fn (Name $n): string => $n->short(), $people)),
            'first_author' => mb_substr(Words::fold($people[0]->family ?? ''), 0, 200),
            'year' => $reference->year,
            'journal' => $reference->appearedIn(),
            'place' => mb_substr($reference->place(), 0, 200),
            'doi' => mb_substr($reference->doi, 0, 250),
            'abstract' => $reference->abstract,
            'type' => $reference->type->value,
            'language' => mb_substr(Language::named($reference->language), 0, 200),
            'sort_title' => mb_substr(implode(' ', Words::of($reference->fullTitle())), 0, 300),
            'words' => self::words($reference),
        ];
    }

    private static function words(Reference $reference): string
    {
        return IndexedText::tsvector([
            Field::Title->value => $reference->fullTitle(),
            Field::Abstract->value => $reference->abstract,
            Field::Keyword->value => implode(' ', $reference->keywords),
            Field::Author->value => implode(
                ' ',
                array_map(fn (Name $n): string => "{$n->family} {$n->given}", [
                    ...$reference->authors,
                    ...$reference->editors,
                ]),
            ),
        ]);
    }
}
