<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Mods;

use DOMElement;
use DOMXPath;
use WaryHeron\Core\Bibliography\Doi;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\IssuedDate;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\Pages;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Bibliography\SourceField;

/** Reads one mods element (MODS 3.x) out of a document that somebody else has parsed. */
final class ModsReader
{
    /** The years of a life behind a name, as catalogues write them: “Kolbe, Anna, 1960-2021”, “Kolbe, Anna (1960- )”. */
    private const LIFE = '/[,\s]*\(?\b(?:b\.|born|d\.)?\s*1\d{3}\??\s*(?:[-–]\s*(?:[12]\d{3}\??)?)?\s*\)?\.?$/u';

    public const NAMESPACE = 'http://www.loc.gov/mods/v3';

    private const HOST = 'm:relatedItem[@type="host"]';

    /** Roles of whoever wrote it, in words or as MARC's codes. */
    private const AUTHORS = ['author', 'aut', 'creator', 'cre', 'co-author', 'contributor', 'ctb'];

    public function reference(DOMElement $mods): Reference|UnreadableRecord
    {
        $xpath = new DOMXPath(
            $mods->ownerDocument ?? throw new \LogicException('A mods element belongs to a document.'),
        );
        $xpath->registerNamespace('m', self::NAMESPACE);
        $xpath->registerNamespace('f', ModsWriter::FIELDS);
        $one = fn (string $path): string => self::line($xpath, $path, $mods);
        $people = $this->everybody($xpath, $mods);
        $genres = $this->trimmed($xpath, 'm:genre', $mods);
        $type = ModsGenres::type($genres) ?? $this->unnamedType($one);
        // ours says what the type says
        $genres = array_diff($genres, [ModsGenres::of($type)]);

        $reference = new Reference(
            type: $type,
            title: self::title($xpath, $mods),
            authors: $people->authors,
            editors: $people->editors,
            abstract: implode("\n\n", $this->texts($xpath, 'm:abstract', $mods)),
            keywords: array_map(
                $this->subject(...),
                $this->all($xpath, 'm:subject[m:topic or m:geographic or m:temporal or m:name]', $mods),
            ),
            extra: [...$people->others, ...$this->others($xpath, $mods, $genres)],
            source: (string) $mods->ownerDocument->saveXML($mods),
        );

        return UnreadableRecord::unlessEmpty($reference->with([
            ...$this->titles($xpath, $mods),
            ...$this->dated($one),
            ...$this->numbered($one),
            ...$this->issued($one),
            ...$this->identified($one, $this->trimmed($xpath, 'm:location/m:url', $mods)),
        ]));
    }

    /** @return list<string> */
    private function trimmed(DOMXPath $xpath, string $path, DOMElement $mods): array
    {
        return array_map(
            fn (DOMElement $element): string => trim($element->textContent),
            $this->all($xpath, $path, $mods),
        );
    }

    /** @return array<string, string> */
    private function titles(DOMXPath $xpath, DOMElement $mods): array
    {
        $one = fn (string $path): string => self::line($xpath, $path, $mods);
        $host = self::HOST;
        $series = 'm:relatedItem[@type="series"]';

        return [
            'journal' => self::title($xpath, $mods, "{$host}/"),
            'journalShort' => $one("{$host}/m:titleInfo[@type='abbreviated']/m:title"),
            'partTitle' => $one("(m:titleInfo[not(@type)]/m:partName|{$host}/m:titleInfo[not(@type)]/m:partName)[1]"),
            'series' => $one("({$series}|{$host}/{$series})[1]/m:titleInfo/m:title"),
        ];
    }

    /**
     * @param  \Closure(string): string  $one
     * @return array<string, string|int|null>
     */
    private function dated(\Closure $one): array
    {
        $date = $this->date($one);
        $year = preg_match('/\d{4}/', $date, $found) === 1 ? (int) $found[0] : null;

        return ['year' => IssuedDate::read($date)?->year() ?? $year, 'date' => $date];
    }

    /**
     * @param  \Closure(string): string  $one
     * @return array<string, string>
     */
    private function numbered(\Closure $one): array
    {
        $pages = $this->pages($one);

        return [
            'volume' => $one(self::part("m:detail[@type='volume']/m:number")),
            'issue' => $one(self::part("m:detail[@type='issue' or @type='number']/m:number")),
            'firstPage' => $pages->first,
            'lastPage' => $pages->last,
        ];
    }

    /**
     * @param  \Closure(string): string  $one
     * @return array<string, string>
     */
    private function issued(\Closure $one): array
    {
        return [
            'language' => $one('m:language/m:languageTerm'),
            'publisher' => $one('m:originInfo/m:publisher'),
            'place' => $one('m:originInfo/m:place/m:placeTerm'),
            'edition' => $one('(m:originInfo/m:edition|'.self::HOST.'/m:originInfo/m:edition)[1]'),
        ];
    }

    /**
     * @param  \Closure(string): string  $one
     * @param  list<string>  $urls
     * @return array<string, string|list<string>>
     */
    private function identified(\Closure $one, array $urls): array
    {
        $host = self::HOST;
        $record = $one('m:recordInfo/m:recordIdentifier');
        $local = $one('m:identifier[@type="local"]');
        $doi = Doi::normalised($one("m:identifier[translate(@type, 'DOI', 'doi')='doi']"));

        return [
            'doi' => Doi::named($doi ?? '', $urls),
            'urls' => $urls,
            'issn' => $one("({$host}/m:identifier[@type='issn']|m:identifier[@type='issn'])[1]"),
            'isbn' => $one("(m:identifier[@type='isbn']|{$host}/m:identifier[@type='isbn'])[1]"),
            'accession' => $record,
            'id' => $local !== '' ? $local : $record,
        ];
    }

    /**
     * What a reference has no place for.
     *
     * @param  array<string>  $genres  but the one that says what the type says
     * @return list<SourceField>
     */
    private function others(DOMXPath $xpath, DOMElement $mods, array $genres): array
    {
        return [
            ...array_map(fn (string $genre): SourceField => new SourceField('genre', $genre), array_values($genres)),
            ...array_map(
                fn (string $note): SourceField => new SourceField('note', $note),
                $this->trimmed($xpath, 'm:note', $mods),
            ),
            ...array_map(
                fn (DOMElement $one): SourceField => new SourceField($one->getAttribute('name'), $one->textContent),
                $this->all($xpath, 'm:extension/f:field', $mods),
            ),
        ];
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

    /** The title that is no other form of it, with the article that sorting leaves out, and its subtitle. */
    private static function title(DOMXPath $xpath, DOMElement $mods, string $of = ''): string
    {
        foreach (['[not(@type) and @usage="primary"]', '[not(@type)]', ''] as $which) {
            $part = fn (string $name): string => self::line($xpath, "({$of}m:titleInfo{$which})[1]/m:{$name}", $mods);
            if ($part('title') !== '') {
                $nonSort = $part('nonSort');
                $glue = preg_match('/[\'’-]$/u', $nonSort) === 1 || $nonSort === '' ? '' : ' ';

                return implode(': ', array_filter([$nonSort.$glue.$part('title'), $part('subTitle')]));
            }
        }

        return '';
    }

    /** @param  \Closure(string): string  $one */
    private function date(\Closure $one): string
    {
        $issued = '(m:originInfo/m:dateIssued|'.self::HOST.'/m:originInfo/m:dateIssued)';
        $start = $one("{$issued}[@point='start'][1]");
        $end = $one("{$issued}[@point='end'][1]");
        $among = [
            $start !== '' && $end !== '' ? "{$start}/{$end}" : '',
            $one('m:originInfo/m:dateIssued[not(@encoding) or @encoding="w3cdtf" or @encoding="iso8601"][1]'),
            $one("{$issued}[1]"),
            $one(self::part('m:date')),
            $one('(m:originInfo/m:copyrightDate|m:originInfo/m:dateCreated)[1]'),
        ];

        return array_values(array_filter($among))[0] ?? '';
    }

    /** Where in the host it stands, or what the record says of it by itself. */
    private static function part(string $path): string
    {
        return '('.self::HOST."/m:part/{$path}|m:part/{$path})[1]";
    }

    /** @param  \Closure(string): string  $one */
    private function pages(\Closure $one): Pages
    {
        $extent = "m:extent[not(@unit) or starts-with(@unit, 'page') or @unit='pp']";
        $start = $one(self::part("{$extent}/m:start"));

        return $start !== ''
            ? new Pages($start, $one(self::part("{$extent}/m:end")))
            : Pages::of((string) preg_replace('/^pp?\. */', '', $one(self::part("{$extent}/m:list"))));
    }

    private function everybody(DOMXPath $xpath, DOMElement $mods): ModsPeople
    {
        [$authors, $editors, $others] = [[], [], []];
        foreach ($this->all($xpath, 'm:name', $mods) as $element) {
            $roles = $this->roles($xpath, $element);
            $name = $this->name($xpath, $element);
            match (true) {
                $roles === [], array_intersect($roles, self::AUTHORS) !== [] => $authors[] = $name,
                self::edits($roles) => $editors[] = $name,
                default => $others[] = [$name, $roles[0]],
            };
        }
        $editors = [...$editors, ...$this->editorsOfHost($xpath, $mods)];
        if ($authors === [] && $editors === []) {
            return new ModsPeople(array_column($others, 0));
        }
        $others = array_map(fn (array $one): SourceField => new SourceField($one[1], $one[0]->inverts()), $others);

        return new ModsPeople($authors, $editors, $others);
    }

    /** @return list<Name> */
    private function editorsOfHost(DOMXPath $xpath, DOMElement $mods): array
    {
        $editors = [];
        foreach ($this->all($xpath, self::HOST.'/m:name', $mods) as $element) {
            if (self::edits($this->roles($xpath, $element))) {
                $editors[] = $this->name($xpath, $element);
            }
        }

        return $editors;
    }

    /** @return list<string> */
    private function roles(DOMXPath $xpath, DOMElement $name): array
    {
        return array_map(strtolower(...), $this->texts($xpath, 'm:role/m:roleTerm', $name));
    }

    /** @param  list<string>  $roles */
    private static function edits(array $roles): bool
    {
        return (bool) preg_grep('/^(?:edit|edt$)/', $roles);
    }

    /** @return list<string> */
    private function texts(DOMXPath $xpath, string $path, DOMElement $within): array
    {
        $texts = array_map(
            fn (DOMElement $one): string => trim($one->textContent),
            $this->all($xpath, $path, $within),
        );

        return array_values(array_filter($texts, fn (string $text): bool => $text !== ''));
    }

    private static function line(DOMXPath $xpath, string $path, DOMElement $within): string
    {
        return trim((string) preg_replace('/\s+/u', ' ', self::text($xpath, $path, $within)));
    }

    private static function text(DOMXPath $xpath, string $path, DOMElement $within): string
    {
        $text = $xpath->evaluate("string({$path})", $within);

        return is_string($text) ? trim($text) : '';
    }

    private function name(DOMXPath $xpath, DOMElement $name): Name
    {
        $part = fn (string $type): string => self::text($xpath, "m:namePart[@type='{$type}']", $name);

        // dates of a life are a part of their own
        $whole = self::line($xpath, 'm:namePart[not(@type)]', $name);
        if ($name->getAttribute('type') === 'corporate') {
            return new Name($whole);
        }
        if ($part('family') !== '') {
            return new Name($part('family'), $part('given'), $part('termsOfAddress'));
        }
        $whole = $whole !== '' ? $whole : self::line($xpath, 'm:displayForm|m:namePart', $name);
        $whole = (string) preg_replace(self::LIFE, '', $whole);

        return self::wholeName($whole, $name->getAttribute('type') === 'personal');
    }

    private static function wholeName(string $text, bool $isPerson): Name
    {
        return $isPerson && ! str_contains($text, ',') && preg_match('/^(.+)\s+(\S+)$/u', $text, $words) === 1
            ? new Name($words[2], $words[1])
            : Name::inverted($text);
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

    /**
     * Of a record whose genre says nothing: a part of something, or a whole by itself.
     *
     * @param  \Closure(string): string  $one
     */
    private function unnamedType(\Closure $one): PublicationType
    {
        $isAlone = $one(self::HOST.'/m:titleInfo/m:title') === '';
        $isMonograph = str_starts_with($one('m:originInfo/m:issuance'), 'mono');
        $resource = $one('m:typeOfResource');

        return match (true) {
            $this->isOfBook($one) => PublicationType::Chapter,
            ! $isAlone, $resource === '' && ! $isMonograph => PublicationType::Article,
            $resource === '' || $resource === 'text' => $isMonograph ? PublicationType::Book : PublicationType::Article,
            default => PublicationType::Other,
        };
    }

    /** @param  \Closure(string): string  $one */
    private function isOfBook(\Closure $one): bool
    {
        $said = [$one(self::HOST.'/m:originInfo/m:issuance'), $one(self::HOST.'/m:genre')];

        return (bool) preg_grep('/^(?:mono|book)/i', $said);
    }
}
