<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography;

/**
 * One bibliographic record: what our fields can hold, what they cannot, and the source's own text.
 *
 * @phpstan-type Values array{type: PublicationType, title: string, authors: list<Name>, year: ?int, date: string,
 *     journal: string, journalShort: string, volume: string, issue: string, firstPage: string, lastPage: string,
 *     doi: string, urls: list<string>, abstract: string, keywords: list<string>, language: string, publisher: string,
 *     place: string, issn: string, accession: string, id: string, extra: list<SourceField>, source: string,
 *     line: int, editors: list<Name>, series: string, edition: string, isbn: string, partTitle: string}
 */
final readonly class Reference
{
    /**
     * @param  list<Name>  $authors
     * @param  list<string>  $keywords
     * @param  list<string>  $urls
     * @param  list<SourceField>  $extra  the source's fields that have no place here, in its order
     * @param  string  $source  the record's text as delivered
     * @param  int  $line  where that text starts in its file, from 1; 0 where there is no file
     * @param  list<Name>  $editors
     * @param  string  $partTitle  of the part of a work in volumes: this one's own, or that of the volume a chapter
     *     stands in
     */
    public function __construct(
        public PublicationType $type,
        public string $title,
        public array $authors = [],
        public ?int $year = null,
        public string $date = '',
        public string $journal = '',
        public string $journalShort = '',
        public string $volume = '',
        public string $issue = '',
        public string $firstPage = '',
        public string $lastPage = '',
        public string $doi = '',
        public array $urls = [],
        public string $abstract = '',
        public array $keywords = [],
        public string $language = '',
        public string $publisher = '',
        public string $place = '',
        public string $issn = '',
        public string $accession = '',
        public string $id = '',
        public array $extra = [],
        public string $source = '',
        public int $line = 0,
        public array $editors = [],
        public string $series = '',
        public string $edition = '',
        public string $isbn = '',
        public string $partTitle = '',
    ) {
    }

    /** Whether anything names the work; a date, a volume or a note of somebody's does not. */
    public function isIdentified(): bool
    {
        $texts = [
            $this->title,
            $this->doi,
            $this->abstract,
            $this->journal,
            $this->accession,
            $this->isbn,
            $this->partTitle,
        ];

        return implode('', $texts) !== '' || [...$this->authors, ...$this->editors, ...$this->urls] !== [];
    }

    /** Whether anything is there to know the work by; a number alone is nothing without a key. */
    public function saysAnything(): bool
    {
        $texts = [$this->journalShort, $this->publisher, $this->series, $this->issn, SourceField::telling($this->extra)];
        $numbers = [$this->date, (string) $this->year, $this->volume, $this->issue, $this->firstPage, $this->edition];

        return $this->isIdentified() ||
            implode('', $texts) !== '' ||
            ($this->id !== '' && implode('', [...$numbers, $this->place]) !== '');
    }

    /** The family name of the first author; empty where there is none. */
    public function firstFamily(): string
    {
        return $this->authors === [] ? '' : $this->authors[0]->family;
    }

    /** The title, or in square brackets, as cataloguers supply one (ISBD, A.4), what an untitled record is told by. */
    public function suppliedTitle(): string
    {
        if ($this->fullTitle() !== '') {
            return $this->fullTitle();
        }
        $people = $this->authors !== [] ? $this->authors : $this->editors;
        $by = ($people[0] ?? null)?->short() ?? '';
        $by = count($people) > 1 ? "{$by} and others" : $by;
        $place = $this->place();
        $where = array_filter([$this->journal, $place, $this->doi]);
        $else = "{$by}{$this->journal}{$this->doi}" === '' ? SourceField::telling($this->extra) ?: $this->id : '';
        $told = array_filter([$by, (string) $this->year, ...$where, mb_strimwidth($else, 0, 120, '…')]);

        return '['.rtrim('Untitled: '.implode(', ', $told), ': ').']';
    }

    /** The title, and that of the part where the work itself is one of several volumes. */
    public function fullTitle(): string
    {
        return $this->partTitle === '' || $this->isWithin()
            ? $this->title
            : trim("{$this->title}. {$this->partTitle}", '. ');
    }

    /** What it appeared in, or came out of: journal or book with its volume, series, school or institution. */
    public function appearedIn(): string
    {
        $issued = in_array($this->type, [PublicationType::Thesis, PublicationType::Report], true)
            ? $this->publisher
            : '';
        $within = $this->containerTitle();

        return $within !== '' ? $within : ($this->series !== '' ? $this->series : $issued);
    }

    /** Journal or book, with the title of the volume where that has one. */
    public function containerTitle(): string
    {
        return $this->isWithin() && $this->partTitle !== ''
            ? trim("{$this->journal}. {$this->partTitle}", '. ')
            : $this->journal;
    }

    /** Whether it is printed within another work, whose volume the part title then names. */
    private function isWithin(): bool
    {
        return in_array($this->type, [PublicationType::Chapter, PublicationType::Conference], true);
    }

    public function pages(): string
    {
        return $this->lastPage === '' || $this->lastPage === $this->firstPage
            ? $this->firstPage
            : "{$this->firstPage}–{$this->lastPage}";
    }

    /** "2017 · 12(3):201–209", as far as known. */
    public function place(): string
    {
        $issue = $this->issue === '' ? '' : "({$this->issue})";
        $pages = $this->pages() === '' ? '' : ":{$this->pages()}";

        return trim("{$this->volume}{$issue}{$pages}", ':');
    }

    /** The same record with titles, abstract, journal and keywords as plain text. */
    public function withoutMarkup(): self
    {
        $texts = [$this->title, $this->abstract, $this->journal, $this->series, $this->partTitle, ...$this->keywords];
        if (! Markup::mayBeIn(implode(' ', $texts))) {
            return $this;
        }

        return $this->with([
            'title' => Markup::plain($this->title),
            'abstract' => Markup::plain($this->abstract),
            'journal' => Markup::plain($this->journal),
            'series' => Markup::plain($this->series),
            'partTitle' => Markup::plain($this->partTitle),
            'keywords' => array_map(Markup::plain(...), $this->keywords),
        ]);
    }

    /** The same record with its text and place in a file. */
    public function at(string $source, int $line): self
    {
        return $this->with(['source' => $source, 'line' => $line]);
    }

    /**
     * The same record with other values.
     *
     * @param  array<string, mixed>  $changes  by property, each of the property's type
     */
    public function with(array $changes): self
    {
        return self::of([...get_object_vars($this), ...$changes]);
    }

    /**
     * A record of values that several places tell.
     *
     * @param  array<mixed>  $values  by property, each of the property's type; type and title at least
     */
    public static function of(array $values): self
    {
        /** @var Values $values */
        return new self(...$values);
    }

    /** @return array<string, mixed> all but the source text and line; fromArray reads it back */
    public function toArray(): array
    {
        $listed = fn (Name $name): array => [$name->family, $name->given, $name->suffix];
        /** @var array<string, mixed> $values */
        $values = [
            ...get_object_vars($this),
            'type' => $this->type->value,
            'authors' => array_map($listed, $this->authors),
            'editors' => array_map($listed, $this->editors),
            'extra' => array_map(fn (SourceField $field): array => [$field->tag, $field->value], $this->extra),
        ];
        unset($values['source'], $values['line']);

        return array_filter($values, fn (mixed $value): bool => $value !== '' && $value !== [] && $value !== null);
    }

    /** @param  array<string, mixed>  $values as toArray() gave them */
    public static function fromArray(array $values, string $source = ''): self
    {
        /** @var array{type: string, title?: string, authors?: list<array<string>>, editors?: list<array<string>>, extra?: list<mixed>} $values */
        /** @var Values $all */
        $all = [
            ...$values,
            'type' => PublicationType::from($values['type']),
            'title' => $values['title'] ?? '',
            'authors' => array_map(Name::of(...), $values['authors'] ?? []),
            'editors' => array_map(Name::of(...), $values['editors'] ?? []),
            'extra' => array_values(array_filter(array_map(SourceField::fromPair(...), $values['extra'] ?? []))),
            'source' => $source,
        ];

        return new self(...$all);
    }
}
