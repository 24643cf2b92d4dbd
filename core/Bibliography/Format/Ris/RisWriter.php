<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Ris;

use WaryHeron\Core\Bibliography\Format\ReferenceWriter;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;

/** Writes RIS of the later generation. Fields that came as RIS tags without a place here go back under those tags. */
final class RisWriter implements ReferenceWriter
{
    public function write(iterable $references): iterable
    {
        foreach ($references as $reference) {
            yield $this->record($reference);
        }
    }

    public function extension(): string
    {
        return 'ris';
    }

    public function mediaType(): string
    {
        return 'application/x-research-info-systems';
    }

    private function record(Reference $reference): string
    {
        $type = RisTags::code($reference->type);
        $rest = [];
        foreach ($reference->extra as [$tag, $value]) {
            if ($tag === 'TY') {
                $type = $value;
            } elseif (
                preg_match('/^[A-Z][A-Z0-9]$/', $tag) === 1 &&
                $tag !== 'ER' &&
                ! $this->wouldBeTaken($tag, $reference)
            ) {
                $rest[] = [$tag, $value];
            }
        }
        $text = "TY  - {$this->oneLine($type)}\r\n";
        foreach ([...self::lines($reference), ...$rest] as [$tag, $value]) {
            if ($value !== '') {
                $text .= "{$tag}  - {$this->oneLine($value)}\r\n";
            }
        }

        return $text."ER  - \r\n\r\n";
    }

    /** @return list<array{string, string}> tag and value; what is empty is not written */
    private static function lines(Reference $reference): array
    {
        return [
            ['ID', $reference->id],
            ['TI', $reference->fullTitle()],
            ...array_map(fn ($name): array => ['AU', $name->inverts()], $reference->authors),
            ...array_map(fn ($name): array => ['ED', $name->inverts()], $reference->editors),
            ['PY', (string) $reference->year],
            ['DA', $reference->date === (string) $reference->year ? '' : $reference->date],
            ['JF', $reference->containerTitle()],
            ['JA', $reference->journalShort],
            ['VL', $reference->volume],
            ['IS', $reference->issue],
            ['SP', $reference->firstPage],
            ['EP', $reference->lastPage],
            ['DO', $reference->doi],
            ...array_map(fn (string $url): array => ['UR', $url], $reference->urls),
            ['AB', $reference->abstract],
            ...array_map(fn (string $word): array => ['KW', $word], $reference->keywords),
            ['LA', $reference->language],
            ['PB', $reference->publisher],
            ['CY', $reference->place],
            ['SN', $reference->issn],
            ['SN', $reference->isbn],
            ['T3', $reference->series],
            ['ET', $reference->edition],
            ['AN', $reference->accession],
        ];
    }

    /** Whether a reader would take this left-over field for one that the record does not have. */
    private function wouldBeTaken(string $tag, Reference $reference): bool
    {
        if (in_array($tag, [...RisTags::AUTHORS, ...RisTags::EDITORS, ...RisTags::URLS, ...RisTags::KEYWORDS], true)) {
            return true;
        }
        if (in_array($tag, RisTags::NUMBERS, true) && ($reference->issn === '' || $reference->isbn === '')) {
            return true;
        }
        if ($tag === 'T2' && $reference->type === PublicationType::Book && $reference->series === '') {
            return true;
        }
        foreach (RisTags::SINGLE as $field => $tags) {
            if ($reference->{$field} === '' && in_array($tag, $tags, true)) {
                return true;
            }
        }

        return false;
    }

    /** A line end inside a value would start a new tag in another reader. */
    private function oneLine(string $value): string
    {
        return trim((string) preg_replace('/\s*[\r\n]+\s*/u', ' ', $value));
    }
}
