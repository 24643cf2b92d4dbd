<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\CslJson;

use WaryHeron\Core\Bibliography\Format\ReferenceWriter;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;

/** Writes CSL-JSON 1.0.2, one record a line. */
final class CslJsonWriter implements ReferenceWriter
{
    public function write(iterable $references): iterable
    {
        $number = 0;
        foreach ($references as $reference) {
            yield ($number++ === 0 ? "[\n" : ",\n").json_encode($this->item($reference, $number), JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_INVALID_UTF8_SUBSTITUTE | JSON_THROW_ON_ERROR);
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
        return array_filter([
            'id' => $reference->id !== '' ? $reference->id : "record-{$number}",
            'type' => match ($reference->type) {
                PublicationType::Article, PublicationType::Preprint => 'article-journal',
                PublicationType::Conference => 'paper-conference',
                PublicationType::Chapter => 'chapter',
                PublicationType::Book => 'book',
                PublicationType::Thesis => 'thesis',
                PublicationType::Report => 'report',
                PublicationType::RegisterEntry => 'dataset',
                PublicationType::Other => 'document',
            },
            'title' => $reference->title,
            'author' => array_map($this->name(...), $reference->authors),
            'issued' => $reference->year === null ? null : ['date-parts' => [[$reference->year]]],
            'container-title' => $reference->journal,
            'container-title-short' => $reference->journalShort,
            'volume' => $reference->volume,
            'issue' => $reference->issue,
            'page' => $reference->lastPage === '' ? $reference->firstPage : "{$reference->firstPage}-{$reference->lastPage}",
            'DOI' => $reference->doi,
            'URL' => $reference->urls[0] ?? '',
            'abstract' => $reference->abstract,
            'keyword' => implode(', ', $reference->keywords),
            'language' => $reference->language,
            'publisher' => $reference->publisher,
            'publisher-place' => $reference->place,
            'ISSN' => $reference->issn,
        ], fn (mixed $value): bool => $value !== '' && $value !== [] && $value !== null);
    }

    /** @return array<string, string> */
    private function name(Name $name): array
    {
        return $name->given === ''
            ? ['literal' => $name->family]
            : array_filter(['family' => $name->family, 'given' => $name->given, 'suffix' => $name->suffix], fn (string $part): bool => $part !== '');
    }
}
