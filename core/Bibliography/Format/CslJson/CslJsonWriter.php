<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\CslJson;

use WaryHeron\Core\Bibliography\Format\ReferenceWriter;
use WaryHeron\Core\Bibliography\Keywords;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\Reference;

/** Writes CSL-JSON 1.0.2, one record a line; what CSL has no variable for goes into its "custom" object. */
final class CslJsonWriter implements ReferenceWriter
{
    private const ENCODED = JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_INVALID_UTF8_SUBSTITUTE | JSON_THROW_ON_ERROR;

    public function write(iterable $references): iterable
    {
        $number = 0;
        foreach ($references as $reference) {
            yield ($number++ === 0 ? "[\n" : ",\n").json_encode($this->item($reference, $number), self::ENCODED);
        }
        yield $number === 0 ? "[]\n" : "\n]\n";
    }

    public function extension(): string
    {
        return 'json';
    }

    public function mediaType(): string
    {
        return 'application/vnd.citationstyles.csl+json';
    }

    /** @return array<string, mixed> */
    private function item(Reference $reference, int $number): array
    {
        $type = CslTypes::written($reference->type);
        $fields = [];
        foreach ($reference->extra as [$tag, $value]) {
            if ($tag === 'type' && preg_match('/^[a-z_-]{3,40}$/', $value) === 1) {
                $type = $value;
            } else {
                $fields[] = [$tag, $value];
            }
        }
        $date = $this->date($reference);
        $custom = array_filter([
            'urls' => array_slice($reference->urls, 1),
            'date' => $reference->date === implode('-', array_map(fn (int $part): string => sprintf('%02d', $part), $date)) ? '' : $reference->date,
            'accession' => $reference->accession,
            'fields' => $fields,
        ], fn (mixed $value): bool => $value !== '' && $value !== []);

        return array_filter([
            'id' => $reference->id !== '' ? $reference->id : "record-{$number}",
            'type' => $type,
            'title' => $reference->title,
            'author' => array_map($this->name(...), $reference->authors),
            'issued' => $date === [] ? null : ['date-parts' => [$date]],
            'container-title' => $reference->journal,
            'container-title-short' => $reference->journalShort,
            'volume' => $reference->volume,
            'issue' => $reference->issue,
            'page' => $reference->lastPage === '' ? $reference->firstPage : "{$reference->firstPage}-{$reference->lastPage}",
            'DOI' => $reference->doi,
            'URL' => $reference->urls[0] ?? '',
            'abstract' => $reference->abstract,
            'keyword' => Keywords::joined($reference->keywords),
            'language' => $reference->language,
            'publisher' => $reference->publisher,
            'publisher-place' => $reference->place,
            'ISSN' => $reference->issn,
            'custom' => $custom,
        ], fn (mixed $value): bool => $value !== '' && $value !== [] && $value !== null);
    }

    /** @return list<int> year, and month and day where the date gives them in numbers */
    private function date(Reference $reference): array
    {
        if ($reference->year === null) {
            return [];
        }
        $found = preg_match('~^(\d{4})[-/](\d{1,2})(?:[-/](\d{1,2}))?/*$~', $reference->date, $parts) === 1 && (int) $parts[1] === $reference->year;

        return $found && (int) $parts[2] >= 1 && (int) $parts[2] <= 12 ? array_values(array_filter(array_map(intval(...), array_slice($parts, 1)))) : [$reference->year];
    }

    /** @return array<string, string> */
    private function name(Name $name): array
    {
        return $name->given === '' && $name->suffix === ''
            ? ['literal' => $name->family]
            : array_filter(['family' => $name->family, 'given' => $name->given, 'suffix' => $name->suffix], fn (string $part): bool => $part !== '');
    }
}
