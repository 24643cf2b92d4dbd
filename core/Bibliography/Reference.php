<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography;

/** One bibliographic record: what our fields can hold, what they cannot, and the source's own text. */
final readonly class Reference
{
    /**
     * @param  list<Name>  $authors
     * @param  list<string>  $keywords
     * @param  list<string>  $urls
     * @param  list<array{string, string}>  $extra  the source's fields that have no place here: its tag and value, in its order
     * @param  string  $source  the record's text as delivered
     * @param  int  $line  where that text starts in its file, from 1; 0 where there is no file
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
    ) {
    }

    /** Whether anything says which work this is; a key, a type or a number of its own does not. */
    public function isIdentified(): bool
    {
        return $this->title !== '' || $this->authors !== [] || $this->doi !== '' || $this->urls !== [] || $this->abstract !== '' || $this->journal !== '' || $this->accession !== '';
    }

    /** The title, or in square brackets, as cataloguers supply one (ISBD, A.4), what an untitled record is told by. */
    public function suppliedTitle(): string
    {
        if ($this->title !== '') {
            return $this->title;
        }
        $by = ($this->authors[0] ?? null)?->short() ?? '';
        $told = array_filter([count($this->authors) > 1 ? "{$by} and others" : $by, (string) $this->year, $this->journal, $this->place(), $this->doi]);

        return '['.rtrim('Untitled: '.implode(', ', $told), ': ').']';
    }

    public function pages(): string
    {
        return $this->lastPage === '' || $this->lastPage === $this->firstPage ? $this->firstPage : "{$this->firstPage}–{$this->lastPage}";
    }

    /** "2017 · 12(3):201–209", as far as known. */
    public function place(): string
    {
        $issue = $this->issue === '' ? '' : "({$this->issue})";
        $pages = $this->pages() === '' ? '' : ":{$this->pages()}";

        return trim("{$this->volume}{$issue}{$pages}", ':');
    }

    /** The same record with title, abstract, journal and keywords as plain text. */
    public function withoutMarkup(): self
    {
        $plain = ['title' => Markup::plain($this->title), 'abstract' => Markup::plain($this->abstract), 'journal' => Markup::plain($this->journal), 'keywords' => array_map(Markup::plain(...), $this->keywords)];

        return new self(...[...get_object_vars($this), ...$plain]);
    }

    /** The same record with its text and place in a file. */
    public function at(string $source, int $line): self
    {
        return new self(...[...get_object_vars($this), 'source' => $source, 'line' => $line]);
    }

    /** @return array<string, mixed> all but the source text and line; fromArray reads it back */
    public function toArray(): array
    {
        $values = get_object_vars($this);
        unset($values['source'], $values['line']);
        $values['type'] = $this->type->value;
        $values['authors'] = array_map(fn (Name $n): array => [$n->family, $n->given, $n->suffix], $this->authors);

        return array_filter($values, fn (mixed $value): bool => $value !== '' && $value !== [] && $value !== null);
    }

    /** @param  array<string, mixed>  $values */
    public static function fromArray(array $values, string $source = ''): self
    {
        $values['type'] = PublicationType::from($values['type']);
        $values['title'] = (string) ($values['title'] ?? '');
        $values['authors'] = array_map(fn (array $n): Name => new Name(...$n), $values['authors'] ?? []);
        $values['source'] = $source;

        return new self(...$values);
    }
}
