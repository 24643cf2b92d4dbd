<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Bibtex;

use WaryHeron\Core\Bibliography\Format\ReferenceWriter;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Search\Text\Words;

/** Writes BibTeX in UTF-8; signs that TeX would act on are escaped, and titles keep their capitals. */
final class BibtexWriter implements ReferenceWriter
{
    private const SPECIAL = ['\\' => '\\textbackslash{}', '{' => '\\{', '}' => '\\}', '&' => '\\&', '%' => '\\%', '$' => '\\$', '#' => '\\#', '_' => '\\_', '~' => '\\textasciitilde{}', '^' => '\\textasciicircum{}'];

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
        [$type, $container] = match ($reference->type) {
            PublicationType::Conference => ['inproceedings', 'booktitle'],
            PublicationType::Chapter => ['incollection', 'booktitle'],
            PublicationType::Book => ['book', 'series'],
            PublicationType::Thesis => ['phdthesis', 'school'],
            PublicationType::Report => ['techreport', 'institution'],
            PublicationType::Article => ['article', 'journal'],
            default => ['misc', 'howpublished'],
        };
        $fields = [
            'author' => implode(' and ', array_map(fn (Name $name): string => $this->escaped($name->inverts()), $reference->authors)),
            'title' => $reference->title === '' ? '' : "{{$this->escaped($reference->title)}}",
            $container => $this->escaped($reference->journal),
            'year' => (string) $reference->year,
            'volume' => $this->escaped($reference->volume),
            'number' => $this->escaped($reference->issue),
            'pages' => $this->escaped($reference->firstPage).($reference->lastPage === '' ? '' : "--{$this->escaped($reference->lastPage)}"),
            'doi' => $reference->doi,
            'issn' => $this->escaped($reference->issn),
            'publisher' => $this->escaped($reference->publisher),
            'address' => $this->escaped($reference->place),
            'language' => $this->escaped($reference->language),
            'keywords' => $this->escaped(implode(', ', $reference->keywords)),
            'abstract' => $this->escaped($reference->abstract),
        ];
        $lines = '';
        foreach (array_filter($fields, fn (string $value): bool => $value !== '') as $name => $value) {
            $lines .= ",\n  {$name} = {{$value}}";
        }

        return "@{$type}{{$key}{$lines}\n}\n\n";
    }

    private function key(Reference $reference): string
    {
        $own = preg_replace('/[^A-Za-z0-9:._\/-]+/', '', $reference->id !== '' ? $reference->id : $reference->accession) ?? '';
        if ($own !== '') {
            return $own;
        }
        $word = array_values(array_filter(Words::of($reference->title), fn (string $one): bool => strlen($one) > 3))[0] ?? '';
        $key = (Words::of(isset($reference->authors[0]) ? $reference->authors[0]->family : '')[0] ?? 'anon').$reference->year.$word;

        return preg_replace('/[^A-Za-z0-9]+/', '', $key) ?: 'entry';
    }

    private function escaped(string $value): string
    {
        return strtr(trim((string) preg_replace('/\s+/u', ' ', $value)), self::SPECIAL);
    }
}
