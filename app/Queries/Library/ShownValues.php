<?php

declare(strict_types=1);

namespace App\Queries\Library;

use App\Models\Publication;
use App\Models\Record;
use WaryHeron\Core\Bibliography\KeptValues;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\Reference;

/** Each value that a publication shows, by which rule and from which record, and what its other records say. */
final class ShownValues
{
    private const LABELS = [
        'title' => 'Title',
        'authors' => 'Authors',
        'editors' => 'Editors',
        'year' => 'Year',
        'journal' => 'Journal',
        'series' => 'Series',
        'edition' => 'Edition',
        'volume' => 'Volume',
        'issue' => 'Issue',
        'pages' => 'Pages',
        'publisher' => 'Publisher',
        'isbn' => 'ISBN',
        'doi' => 'DOI',
        'abstract' => 'Abstract',
        'language' => 'Language',
        'type' => 'Type',
    ];

    /** What only books, chapters, reports and theses have, and is shown where it is. */
    private const OF_BOOKS = ['editors', 'series', 'edition', 'publisher', 'isbn'];

    /** @return list<ShownValue> */
    public static function of(Publication $publication): array
    {
        $records = array_values($publication->records()->with('delivery')->get()->all());
        if ($records === []) {
            return [];
        }
        $references = array_map(fn (Record $record): Reference => Reference::fromArray($record->reference), $records);
        $sources = array_map(fn (Record $record): string => $record->delivery->source_name, $records);
        $kept = KeptReference::values($records);
        $shown = $kept->with(array_column($publication->chosen, 'value', 'field'));
        $rows = [];
        foreach (self::LABELS as $field => $label) {
            $chosen = $publication->chosen[$field] ?? null;
            $value = self::value($shown, $field);
            $others = self::others($field, $value, $references, $sources);
            if ($value === '' && $others === [] && $chosen === null && in_array($field, self::OF_BOOKS, true)) {
                continue;
            }
            $rows[] = new ShownValue(
                field: $field,
                label: $label,
                rule: count($references) > 1 ? KeptValues::RULES[$field] : '',
                value: $value,
                from: match (true) {
                    $chosen !== null => "chosen by {$chosen['by']}, ".substr($chosen['at'], 0, 10),
                    $value === '' => '',
                    default => $sources[$kept->from[$field]],
                },
                chosen: $chosen !== null,
                others: $others,
            );
        }

        return $rows;
    }

    /**
     * What records say otherwise, and where each first came from.
     *
     * @param  list<Reference>  $references
     * @param  list<string>  $sources  of the same records
     * @return list<OtherValue>
     */
    private static function others(string $field, string $value, array $references, array $sources): array
    {
        $others = [];
        foreach ($references as $i => $reference) {
            $its = self::value($reference, $field);
            if ($its !== '' && $its !== $value) {
                $others[$its] ??= new OtherValue($its, $sources[$i]);
            }
        }

        return array_values($others);
    }

    private static function value(Reference $r, string $field): string
    {
        return match ($field) {
            'authors', 'editors' => implode('; ', array_map(fn (Name $name): string => $name->inverts(), $r->{$field})),
            'title' => $r->fullTitle(),
            'journal' => $r->containerTitle(),
            'year' => (string) $r->year,
            'type' => $r->type->value,
            'pages' => str_replace('–', '-', $r->pages()),
            default => (string) $r->{$field},
        };
    }
}
