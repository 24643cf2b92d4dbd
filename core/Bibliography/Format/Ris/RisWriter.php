<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Ris;

use WaryHeron\Core\Bibliography\Format\ReferenceWriter;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Bibliography\SourceField;

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
        foreach ($reference->extra as $field) {
            if ($field->tag === 'TY') {
                $type = $field->value;
            } elseif ($field->isNote()) {
                $rest[] = new SourceField('N1', $field->value);
            } elseif (
                preg_match('/^[A-Z][A-Z0-9]$/', $field->tag) === 1 &&
                $field->tag !== 'ER' &&
                ! $this->wouldBeTaken($field->tag, $reference)
            ) {
                $rest[] = $field;
            }
        }
        $text = "TY  - {$this->oneLine($type)}\r\n";
        foreach ([...self::lines($reference), ...$rest] as $line) {
            if ($line->value !== '') {
                $text .= "{$line->tag}  - {$this->oneLine($line->value)}\r\n";
            }
        }

        return $text."ER  - \r\n\r\n";
    }

    /** @return list<SourceField> what is empty is not written */
    private static function lines(Reference $reference): array
    {
        return [
            new SourceField('ID', $reference->id),
            new SourceField('TI', $reference->fullTitle()),
            ...array_map(fn (Name $name): SourceField => new SourceField('AU', $name->inverts()), $reference->authors),
            ...array_map(fn (Name $name): SourceField => new SourceField('ED', $name->inverts()), $reference->editors),
            new SourceField('PY', (string) $reference->year),
            new SourceField('DA', $reference->date === (string) $reference->year ? '' : $reference->date),
            new SourceField('JF', $reference->containerTitle()),
            new SourceField('JA', $reference->journalShort),
            new SourceField('VL', $reference->volume),
            new SourceField('IS', $reference->issue),
            new SourceField('SP', $reference->firstPage),
            new SourceField('EP', $reference->lastPage),
            new SourceField('DO', $reference->doi),
            ...array_map(fn (string $url): SourceField => new SourceField('UR', $url), $reference->urls),
            new SourceField('AB', $reference->abstract),
            ...array_map(fn (string $word): SourceField => new SourceField('KW', $word), $reference->keywords),
            new SourceField('LA', $reference->language),
            new SourceField('PB', $reference->publisher),
            new SourceField('CY', $reference->place),
            new SourceField('SN', $reference->issn),
            new SourceField('SN', $reference->isbn),
            new SourceField('T3', $reference->series),
            new SourceField('ET', $reference->edition),
            new SourceField('AN', $reference->accession),
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
