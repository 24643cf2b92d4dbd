<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\CslJson;

use WaryHeron\Core\Bibliography\Format\ReferenceWriter;
use WaryHeron\Core\Bibliography\IssuedDate;
use WaryHeron\Core\Bibliography\Keywords;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Bibliography\SourceField;

/** Writes CSL-JSON 1.0.2, one record a line; what CSL has no variable for goes into its "custom" object. */
final class CslJsonWriter implements ReferenceWriter
{
    private const ENCODED =
        JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_INVALID_UTF8_SUBSTITUTE | JSON_THROW_ON_ERROR;

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
        foreach ($reference->extra as $field) {
            if ($field->tag === 'type' && CslTypes::isOne($field->value)) {
                $type = $field->value;
            } else {
                // a book may have come out in a newspaper, and is one still
                $isOfArticle = $field->tag === 'entrysubtype' && $reference->type !== PublicationType::Article;
                $type = ($isOfArticle ? null : CslTypes::said($field->tag, $field->value)) ?? $type;
                $fields[] = $field;
            }
        }
        $issued = self::issued($reference);
        [$parts, $approximate] = [$issued->parts, $issued->areApproximate];

        return self::filled(
            [
                'id' => $reference->id !== '' ? $reference->id : "record-{$number}",
                'type' => $type,
                'title' => $reference->title,
                'author' => array_map(CslVariables::name(...), $reference->authors),
                'editor' => array_map(CslVariables::name(...), $reference->editors),
                'issued' => $parts === [] ? null : ['date-parts' => $parts, ...$approximate ? ['circa' => true] : []],
                'volume-title' => $reference->partTitle,
                'collection-title' => $reference->series,
                'edition' => $reference->edition,
                'ISBN' => $reference->isbn,
                'container-title' => $reference->journal,
                'container-title-short' => $reference->journalShort,
                'volume' => $reference->volume,
                $this->numbered($reference) => $reference->issue,
                'page' => $reference->firstPage.($reference->lastPage === '' ? '' : "-{$reference->lastPage}"),
                'DOI' => $reference->doi,
                'URL' => $reference->urls[0] ?? '',
                'abstract' => $reference->abstract,
                'keyword' => Keywords::joined($reference->keywords),
                'language' => $reference->language,
                'publisher' => $reference->publisher,
                'publisher-place' => $reference->place,
                'ISSN' => $reference->issn,
                ...CslVariables::derived($fields),
                'custom' => self::custom($reference, $fields, IssuedDate::written($parts, $approximate)),
            ],
        );
    }

    private static function issued(Reference $reference): IssuedParts
    {
        $issued = IssuedDate::read($reference->date);
        $parts = match (true) {
            $issued !== null && $issued->year() === $reference->year => $issued->parts,
            $reference->year !== null => [[$reference->year]],
            default => [],
        };

        return new IssuedParts($parts, $issued?->parts === $parts && $issued->approximate);
    }

    /**
     * @param  list<SourceField>  $fields
     * @param  string  $date  as its parts say it
     * @return array<string, string|list<string>|list<SourceField>> what CSL has no variable for
     */
    private static function custom(Reference $reference, array $fields, string $date): array
    {
        return self::filled([
            'urls' => array_slice($reference->urls, 1),
            'date' => $reference->date === $date ? '' : $reference->date,
            'accession' => $reference->accession,
            'fields' => $fields,
        ]);
    }

    /**
     * @template T
     *
     * @param  array<string, T>  $values
     * @return array<string, T>
     */
    private static function filled(array $values): array
    {
        return array_filter($values, fn (mixed $value): bool => $value !== '' && $value !== [] && $value !== null);
    }

    /** What the number is one of: issues of a journal, volumes of a series, reports or patents. */
    private function numbered(Reference $reference): string
    {
        return match (true) {
            in_array($reference->type, [PublicationType::Report, PublicationType::Other], true) => 'number',
            $reference->series !== '' && $reference->type !== PublicationType::Article => 'collection-number',
            default => 'issue',
        };
    }
}
