<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Bibtex;

use WaryHeron\Core\Bibliography\Format\ReferenceWriter;
use WaryHeron\Core\Bibliography\Keywords;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Text\Words;

/** Writes BibTeX in UTF-8; signs that TeX would act on are escaped, and titles keep their capitals. */
final class BibtexWriter implements ReferenceWriter
{
    public function write(iterable $references): iterable
    {
        $used = [];
        foreach ($references as $reference) {
            $key = $this->key($reference);
            $used[$key] = ($used[$key] ?? 0) + 1;
            yield $this->entry($reference, $used[$key] === 1 ? $key : "{$key}-{$used[$key]}");
        }
    }

    public function extension(): string
    {
        return 'bib';
    }

    public function mediaType(): string
    {
        return 'application/x-bibtex; charset=utf-8';
    }

    private function entry(Reference $reference, string $key): string
    {
        $entry = BibtexTypes::entry($reference->type);
        $extra = [];
        foreach ($reference->extra as $field) {
            if ($field->tag === 'entrytype' && preg_match('/^[a-z]{3,20}$/', $field->value) === 1) {
                $entry = $field->value;
            } elseif (preg_match('/^[A-Za-z][A-Za-z0-9_-]*$/', $field->tag) === 1) {
                $extra[$field->isOne('N1', 'GN') ? 'note' : strtolower($field->tag)][] = $field->value;
            }
        }
        $fields = $this->fields($reference, $key, $entry);
        foreach ($extra as $name => $values) {
            // a field of ours comes first in the entry, and first counts
            if (! array_key_exists($name, $fields) && $name !== 'crossref') {
                $fields[$name] = $this->escaped(implode('; ', $values));
            }
        }
        $lines = '';
        foreach (array_filter($fields, fn (string $value): bool => $value !== '') as $name => $value) {
            $lines .= ",\n  {$name} = {{$value}}";
        }

        return "@{$entry}{{$key}{$lines}\n}\n\n";
    }

    /** @return array<string, string> in the order they are written in; an empty one is not */
    private function fields(Reference $reference, string $key, string $entry): array
    {
        $isWithin = BibtexTypes::isWithin($entry);
        $titles = [$reference->title, $isWithin ? '' : $reference->partTitle];
        // in an entry for a work in volumes the main title has a field of its own, and the title is the volume's
        [$main, $title] = $titles[1] === '' ? ['', $titles[0]] : $titles;
        $within =
            $isWithin && $reference->partTitle !== ''
                ? [$reference->journal, $reference->partTitle]
                : ['', $reference->journal];
        $type = $reference->type;

        return [
            'author' => BibtexNames::written($reference->authors),
            'editor' => BibtexNames::written($reference->editors),
            'title' => $title === '' ? '' : "{{$this->escaped($title)}}",
            'maintitle' => $this->escaped($isWithin ? $within[0] : $main),
            $type === PublicationType::Article ? 'journal' : 'booktitle' => $this->escaped($within[1]),
            'year' => (string) $reference->year,
            'date' => $reference->date === (string) $reference->year ? '' : $this->escaped($reference->date),
            'volume' => $this->escaped($reference->volume),
            'number' => $this->escaped($reference->issue),
            'series' => $this->escaped($reference->series),
            'edition' => $this->escaped($reference->edition),
            'pages' => $this->escaped($reference->firstPage).
                ($reference->lastPage === '' ? '' : "--{$this->escaped($reference->lastPage)}"),
            'doi' => $this->escaped($reference->doi),
            'url' => $this->escaped(implode(' ', $reference->urls)),
            'issn' => $this->escaped($reference->issn),
            'isbn' => $this->escaped($reference->isbn),
            BibtexTypes::issuer($type) => $this->whole($reference->publisher),
            'address' => $this->whole($reference->place),
            'language' => $this->escaped($reference->language),
            'shortjournal' => $this->escaped($reference->journalShort),
            'keywords' => $this->escaped(Keywords::joined($reference->keywords)),
            'abstract' => $this->escaped($reference->abstract),
            'accession' => $this->escaped($reference->accession),
            'id' => $reference->id === $key ? '' : $this->escaped($reference->id),
            'type' => $entry === 'misc' && $type !== PublicationType::Other ? $type->value : '',
        ];
    }

    /** A name in which "and" parts nothing. */
    private function whole(string $value): string
    {
        return preg_match('/\sand\s/i', $value) === 1 ? "{{$this->escaped($value)}}" : $this->escaped($value);
    }

    private function key(Reference $reference): string
    {
        $own =
            preg_replace('/[^A-Za-z0-9:._\/-]+/', '', $reference->id !== '' ? $reference->id : $reference->accession) ??
            '';
        if ($own !== '') {
            return $own;
        }
        $word =
            array_values(array_filter(Words::of($reference->title), fn (string $one): bool => strlen($one) > 3))[0] ??
            '';
        $key =
            (Words::of(isset($reference->authors[0]) ? $reference->authors[0]->family : '')[0] ?? 'anon').
            $reference->year.
            $word;

        return preg_replace('/[^A-Za-z0-9]+/', '', $key) ?: 'entry';
    }

    private function escaped(string $value): string
    {
        return Latex::encoded(trim((string) preg_replace('/\s+/u', ' ', $value)));
    }
}
