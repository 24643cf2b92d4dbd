<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Mods;

use WaryHeron\Core\Bibliography\Format\ReferenceWriter;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Bibliography\SourceField;
use XMLWriter;

/** Writes a MODS 3.7 collection; what MODS has no element for goes into an extension of ours. */
final class ModsWriter implements ReferenceWriter
{
    /** Of the fields inside mods:extension. */
    public const FIELDS = 'urn:waryheron:fields';

    public function write(iterable $references): iterable
    {
        yield '<?xml version="1.0" encoding="UTF-8"?>'.
            "\n".
            '<modsCollection xmlns="'.
            ModsReader::NAMESPACE.
            '">'.
            "\n";
        foreach ($references as $reference) {
            yield $this->record($reference);
        }
        yield "</modsCollection>\n";
    }

    public function extension(): string
    {
        return 'xml';
    }

    public function mediaType(): string
    {
        return 'application/mods+xml';
    }

    private function record(Reference $reference): string
    {
        $xml = new XMLWriter();
        $xml->openMemory();
        $xml->setIndent(true);
        $xml->startElement('mods');
        $xml->writeAttribute('version', '3.7');
        $isOwnPart = $reference->containerTitle() === $reference->journal;
        $this->titled($xml, $reference->title, $isOwnPart ? $reference->partTitle : '');
        foreach ($reference->authors as $name) {
            $this->name($xml, $name);
        }
        foreach ($reference->editors as $name) {
            $this->name($xml, $name, 'editor');
        }
        $this->genres($xml, $reference);
        $this->origin($xml, $reference);
        $this->nested($xml, ['language', 'languageTerm'], $reference->language);
        $this->element($xml, 'abstract', $reference->abstract);
        foreach ($reference->extra as $field) {
            $this->element($xml, 'note', $field->tag === 'note' ? $field->value : '');
        }
        foreach ($reference->keywords as $keyword) {
            $this->nested($xml, ['subject', 'topic'], $keyword);
        }
        $this->host($xml, $reference);
        $this->seriesAndNumbers($xml, $reference);
        foreach ($reference->urls as $url) {
            $this->nested($xml, ['location', 'url'], $url);
        }
        $this->others($xml, $reference);
        $this->nested($xml, ['recordInfo', 'recordIdentifier'], $reference->accession);
        $xml->endElement();

        return $xml->outputMemory();
    }

    private function genres(XMLWriter $xml, Reference $reference): void
    {
        $isGenre = fn (SourceField $field): bool => $field->tag === 'genre';
        $genres = array_column(array_filter($reference->extra, $isGenre), 'value');
        $ours = ModsGenres::type($genres) === $reference->type ? [] : [ModsGenres::of($reference->type)];
        foreach ([...$ours, ...$genres] as $genre) {
            $this->element($xml, 'genre', $genre);
        }
    }

    private function origin(XMLWriter $xml, Reference $reference): void
    {
        $date = $reference->date !== '' ? $reference->date : (string) $reference->year;
        if ($date.$reference->publisher.$reference->place.$reference->edition !== '') {
            $xml->startElement('originInfo');
            $this->nested($xml, ['place', 'placeTerm'], $reference->place);
            $this->element($xml, 'publisher', $reference->publisher);
            $this->element($xml, 'dateIssued', $date);
            $this->element($xml, 'edition', $reference->edition);
            $xml->endElement();
        }
    }

    private function seriesAndNumbers(XMLWriter $xml, Reference $reference): void
    {
        if ($reference->series !== '') {
            $xml->startElement('relatedItem');
            $xml->writeAttribute('type', 'series');
            $this->nested($xml, ['titleInfo', 'title'], $reference->series);
            $xml->endElement();
        }
        $this->element($xml, 'identifier', $reference->isbn, ['type' => 'isbn']);
        $this->element($xml, 'identifier', $reference->doi, ['type' => 'doi']);
        $local = $reference->id === $reference->accession ? '' : $reference->id;
        $this->element($xml, 'identifier', $local, ['type' => 'local']);
    }

    /** What MODS has no element for. */
    private function others(XMLWriter $xml, Reference $reference): void
    {
        $isOther = fn (SourceField $field): bool => ! $field->isOne('genre', 'note');
        $left = array_filter($reference->extra, $isOther);
        if ($left !== []) {
            $xml->startElement('extension');
            foreach ($left as $field) {
                $this->element($xml, 'field', $field->value, ['xmlns' => self::FIELDS, 'name' => $field->tag]);
            }
            $xml->endElement();
        }
    }

    private function host(XMLWriter $xml, Reference $reference): void
    {
        $titles = [$reference->containerTitle(), $reference->journalShort, $reference->issn];
        if (implode('', [...$titles, $reference->volume, $reference->issue, $reference->firstPage]) === '') {
            return;
        }
        $xml->startElement('relatedItem');
        $xml->writeAttribute('type', 'host');
        $isOwnPart = $reference->containerTitle() === $reference->journal;
        $this->titled($xml, $reference->journal, $isOwnPart ? '' : $reference->partTitle);
        if ($reference->journalShort !== '') {
            $xml->startElement('titleInfo');
            $xml->writeAttribute('type', 'abbreviated');
            $this->element($xml, 'title', $reference->journalShort);
            $xml->endElement();
        }
        $this->element($xml, 'identifier', $reference->issn, ['type' => 'issn']);
        $this->part($xml, $reference);
        $xml->endElement();
    }

    private function part(XMLWriter $xml, Reference $reference): void
    {
        $xml->startElement('part');
        foreach (['volume' => $reference->volume, 'issue' => $reference->issue] as $kind => $value) {
            if ($value !== '') {
                $xml->startElement('detail');
                $xml->writeAttribute('type', $kind);
                $this->element($xml, 'number', $value);
                $xml->endElement();
            }
        }
        if ($reference->firstPage !== '') {
            $xml->startElement('extent');
            $xml->writeAttribute('unit', 'pages');
            $this->element($xml, 'start', $reference->firstPage);
            $this->element($xml, 'end', $reference->lastPage);
            $xml->endElement();
        }
        $xml->endElement();
    }

    private function titled(XMLWriter $xml, string $title, string $part): void
    {
        if ($title.$part !== '') {
            $xml->startElement('titleInfo');
            $this->element($xml, 'title', $title);
            $this->element($xml, 'partName', $part);
            $xml->endElement();
        }
    }

    private function name(XMLWriter $xml, Name $name, string $role = ''): void
    {
        $xml->startElement('name');
        $body = $name->given === '' && $name->suffix === '';
        $xml->writeAttribute('type', $body ? 'corporate' : 'personal');
        if ($body) {
            $this->element($xml, 'namePart', $name->family);
        } else {
            $this->element($xml, 'namePart', $name->family, ['type' => 'family']);
            $this->element($xml, 'namePart', $name->given, ['type' => 'given']);
            $this->element($xml, 'namePart', $name->suffix, ['type' => 'termsOfAddress']);
        }
        $this->nested($xml, ['role', 'roleTerm'], $role);
        $xml->endElement();
    }

    /** @param  array{string, string}  $path */
    private function nested(XMLWriter $xml, array $path, string $text): void
    {
        if ($text !== '') {
            $xml->startElement($path[0]);
            $this->element($xml, $path[1], $text);
            $xml->endElement();
        }
    }

    /** @param  array<string, string>  $attributes */
    private function element(XMLWriter $xml, string $name, string $text, array $attributes = []): void
    {
        if ($text === '') {
            return;
        }
        $xml->startElement($name);
        foreach ($attributes as $key => $value) {
            $xml->writeAttribute($key, $value);
        }
        // signs that no XML may hold, whatever wrote them
        $xml->text(
            (string) preg_replace(
                '/[^\x{9}\x{A}\x{D}\x{20}-\x{D7FF}\x{E000}-\x{FFFD}\x{10000}-\x{10FFFF}]/u',
                '',
                mb_scrub($text, 'UTF-8'),
            ),
        );
        $xml->endElement();
    }
}
