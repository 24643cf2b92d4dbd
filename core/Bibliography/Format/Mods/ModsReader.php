<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Mods;

use DOMElement;
use DOMXPath;
use WaryHeron\Core\Bibliography\Doi;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\IssuedDate;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;

/** Reads one mods element (MODS 3.x) out of a document that somebody else has parsed. */
final class ModsReader
{
    public const NAMESPACE = 'http://www.loc.gov/mods/v3';

    public function reference(DOMElement $mods): Reference|UnreadableRecord
    {
        $xpath = new DOMXPath(
            $mods->ownerDocument ?? throw new \LogicException('A mods element belongs to a document.'),
        );
        $xpath->registerNamespace('m', self::NAMESPACE);
        $one = fn (string $path): string => trim(
            (string) preg_replace('/\s+/u', ' ', self::text($xpath, $path, $mods)),
        );
        $source = (string) $mods->ownerDocument->saveXML($mods);
        $title = implode(
            ': ',
            array_filter([$one('m:titleInfo[not(@type)]/m:title'), $one('m:titleInfo[not(@type)]/m:subTitle')]),
        );
        $date = $one('(m:originInfo/m:dateIssued|m:relatedItem[@type="host"]/m:part/m:date)[1]');
        $host = 'm:relatedItem[@type="host"]';
        $extra = [];
        $isEditor = "m:role/m:roleTerm[starts-with(translate(., 'EDIT', 'edit'), 'edit') or .='edt']";
        $genres = array_map(
            fn (DOMElement $genre): string => trim($genre->textContent),
            $this->all($xpath, 'm:genre', $mods),
        );
        $type = $this->type(array_map(strtolower(...), $genres));
        foreach ($genres === [ModsWriter::genre($type)] ? [] : $genres as $genre) {
            $extra[] = ['genre', $genre];
        }
        foreach ($this->all($xpath, 'm:note', $mods) as $note) {
            $extra[] = ['note', trim($note->textContent)];
        }
        $xpath->registerNamespace('f', ModsWriter::FIELDS);
        foreach ($this->all($xpath, 'm:extension/f:field', $mods) as $field) {
            $extra[] = [$field->getAttribute('name'), $field->textContent];
        }
        $record = $one('m:recordInfo/m:recordIdentifier');
        $local = $one('m:identifier[@type="local"]');

        return UnreadableRecord::unlessIdentified(
            new Reference(
                type: $type,
                title: $title,
                authors: $this->people($xpath, $mods, "m:name[not({$isEditor})]"),
                editors: $this->people($xpath, $mods, "m:name[{$isEditor}]|{$host}/m:name[{$isEditor}]"),
                year: IssuedDate::read($date)?->year() ??
                    (preg_match('/\d{4}/', $date, $year) === 1 ? (int) $year[0] : null),
                date: $date,
                journal: $one("{$host}/m:titleInfo[not(@type)]/m:title"),
                journalShort: $one("{$host}/m:titleInfo[@type='abbreviated']/m:title"),
                volume: $one("{$host}/m:part/m:detail[@type='volume']/m:number"),
                issue: $one("{$host}/m:part/m:detail[@type='issue']/m:number"),
                firstPage: $one("{$host}/m:part/m:extent[@unit='pages']/m:start"),
                lastPage: $one("{$host}/m:part/m:extent[@unit='pages']/m:end"),
                doi: Doi::normalised($one('m:identifier[@type="doi"]')) ?? '',
                urls: array_map(
                    fn (DOMElement $url): string => trim($url->textContent),
                    $this->all($xpath, 'm:location/m:url', $mods),
                ),
                abstract: self::text($xpath, 'm:abstract', $mods),
                keywords: array_map($this->subject(...), $this->all($xpath, 'm:subject[m:topic]', $mods)),
                language: $one('m:language/m:languageTerm'),
                publisher: $one('m:originInfo/m:publisher'),
                place: $one('m:originInfo/m:place/m:placeTerm'),
                issn: $one("{$host}/m:identifier[@type='issn']"),
                isbn: $one("(m:identifier[@type='isbn']|{$host}/m:identifier[@type='isbn'])[1]"),
                series: $one(
                    "(m:relatedItem[@type='series']|{$host}/m:relatedItem[@type='series'])[1]/m:titleInfo/m:title",
                ),
                edition: $one("(m:originInfo/m:edition|{$host}/m:originInfo/m:edition)[1]"),
                partTitle: $one("(m:titleInfo[not(@type)]/m:partName|{$host}/m:titleInfo[not(@type)]/m:partName)[1]"),
                accession: $record,
                id: $local !== '' ? $local : $record,
                extra: $extra,
                source: $source,
            ),
        );
    }

    /** @return list<DOMElement> */
    private function all(DOMXPath $xpath, string $path, DOMElement $within): array
    {
        $found = [];
        foreach ($xpath->query($path, $within) ?: [] as $node) {
            if ($node instanceof DOMElement) {
                $found[] = $node;
            }
        }

        return $found;
    }

    /** @return list<Name> */
    private function people(DOMXPath $xpath, DOMElement $mods, string $path): array
    {
        return array_map(fn (DOMElement $name): Name => $this->name($xpath, $name), $this->all($xpath, $path, $mods));
    }

    private static function text(DOMXPath $xpath, string $path, DOMElement $within): string
    {
        $text = $xpath->evaluate("string({$path})", $within);

        return is_string($text) ? trim($text) : '';
    }

    private function name(DOMXPath $xpath, DOMElement $name): Name
    {
        $part = fn (string $type): string => self::text($xpath, "m:namePart[@type='{$type}']", $name);

        if ($name->getAttribute('type') === 'corporate') {
            return new Name(self::text($xpath, 'm:namePart', $name));
        }

        return $part('family') === ''
            ? Name::inverted(self::text($xpath, 'm:namePart', $name))
            : new Name($part('family'), $part('given'), $part('termsOfAddress'));
    }

    private function subject(DOMElement $subject): string
    {
        $parts = [];
        foreach ($subject->childNodes as $child) {
            if ($child instanceof DOMElement) {
                $parts[] = trim($child->textContent);
            }
        }

        return implode(' / ', $parts);
    }

    /** @param  list<string>  $genres */
    private function type(array $genres): PublicationType
    {
        foreach ($genres as $genre) {
            $type = match (true) {
                str_contains($genre, 'conference') => PublicationType::Conference,
                str_contains($genre, 'chapter') => PublicationType::Chapter,
                str_contains($genre, 'thesis') => PublicationType::Thesis,
                str_contains($genre, 'preprint') => PublicationType::Preprint,
                $genre === 'other' => PublicationType::Other,
                str_contains($genre, 'register entry') => PublicationType::RegisterEntry,
                $genre === 'book' => PublicationType::Book,
                $genre === 'report' => PublicationType::Report,
                str_contains($genre, 'article') => PublicationType::Article,
                default => null,
            };
            if ($type !== null) {
                return $type;
            }
        }

        return PublicationType::Article;
    }
}
