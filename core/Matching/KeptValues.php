<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching;

use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;

/**
 * What a publication shows of its records, field by field, and from which record each value is: the longest abstract,
 * a DOI over none, full names over initials and more names over fewer, a title not in capitals and with its subtitle,
 * the journal's full name.
 */
final readonly class KeptValues
{
    /** In words, for people. */
    public const RULES = [
        'title' => 'not in capitals, the longest',
        'authors' => 'full names over initials, the longer list',
        'year' => 'the most frequent',
        'journal' => 'the longest name',
        'volume' => 'the most frequent',
        'issue' => 'the most frequent',
        'pages' => 'first and last over first alone',
        'doi' => 'any over none, the most frequent',
        'abstract' => 'the longest',
        'keywords' => 'of all records',
        'type' => 'the most telling',
        'language' => 'the first given',
        'editors' => 'the longest list',
        'series' => 'the first given',
        'edition' => 'the first given',
        'publisher' => 'the first given',
        'isbn' => 'the first given',
    ];

    /**
     * @param  array<string, int>  $from  place of the record that each value is from, by field; keywords are from all
     */
    private function __construct(public Reference $reference, public array $from)
    {
    }

    /** @param  non-empty-list<Reference>  $references */
    public static function of(array $references): self
    {
        if (count($references) === 1) {
            return new self($references[0], array_fill_keys(array_keys(self::RULES), 0));
        }
        $longest = fn (Reference $r, string $field): int => mb_strlen($r->{$field});
        $from = [
            'title' => self::best(
                $references,
                fn (Reference $r): array => [
                    $r->title !== '',
                    mb_strtoupper($r->title) !== $r->title,
                    mb_strtolower($r->title) !== $r->title,
                    preg_match('/^\[.*\]\.?$/u', $r->title) !== 1,
                    mb_strlen(rtrim($r->title, '. ')),
                    str_ends_with($r->title, '.') ? 0 : 1,
                ],
            ),
            'authors' => self::best(
                $references,
                fn (Reference $r): array => [
                    count(self::people($r)),
                    array_sum(
                        array_map(
                            fn (Name $name): int => preg_match('/\p{Ll}{2}/u', $name->given) === 1 ? 1 : 0,
                            $r->authors,
                        ),
                    ),
                    array_sum(array_map(fn (Name $name): int => mb_strlen($name->given), $r->authors)),
                ],
            ),
            'year' => self::frequent($references, fn (Reference $r): string => (string) $r->year),
            'journal' => self::best(
                $references,
                fn (Reference $r): array => [
                    $r->journal !== '',
                    mb_strtoupper($r->journal) !== $r->journal,
                    mb_strtolower($r->journal) !== $r->journal,
                    $longest($r, 'journal'),
                ],
            ),
            'volume' => self::frequent($references, fn (Reference $r): string => $r->volume),
            'issue' => self::frequent($references, fn (Reference $r): string => $r->issue),
            'pages' => self::best(
                $references,
                fn (Reference $r): array => [$r->firstPage !== '', $r->lastPage !== '', strlen($r->lastPage)],
            ),
            'doi' => self::frequent($references, fn (Reference $r): string => $r->doi),
            'abstract' => self::best($references, fn (Reference $r): array => [$longest($r, 'abstract')]),
            'type' => self::best(
                $references,
                fn (Reference $r): array => [$r->type !== PublicationType::Other, $r->type !== PublicationType::Article],
            ),
            'language' => self::best($references, fn (Reference $r): array => [$r->language !== '']),
            'editors' => self::best($references, fn (Reference $r): array => [count($r->editors)]),
        ];
        foreach (['series', 'edition', 'publisher', 'isbn'] as $field) {
            $from[$field] = self::best($references, fn (Reference $r): array => [$r->{$field} !== '']);
        }
        $keywords = [];
        foreach ($references as $reference) {
            foreach ($reference->keywords as $word) {
                $keywords[mb_strtolower($word)] ??= $word;
            }
        }
        $of = fn (string $field): Reference => $references[$from[$field]];

        return new self(
            new Reference(
                type: $of('type')->type,
                title: $of('title')->title,
                authors: $of('authors')->authors,
                year: $of('year')->year,
                date: $of('year')->date,
                journal: $of('journal')->journal,
                journalShort: self::any($references, 'journalShort'),
                volume: $of('volume')->volume,
                issue: $of('issue')->issue,
                firstPage: $of('pages')->firstPage,
                lastPage: $of('pages')->lastPage,
                doi: $of('doi')->doi,
                urls: array_values(
                    array_unique(array_merge(...array_map(fn (Reference $r): array => $r->urls, $references))),
                ),
                abstract: $of('abstract')->abstract,
                keywords: array_values($keywords),
                language: $of('language')->language,
                publisher: $of('publisher')->publisher,
                place: self::any($references, 'place'),
                issn: self::any($references, 'issn'),
                accession: self::any($references, 'accession'),
                id: self::any($references, 'id'),
                editors: $of('editors')->editors,
                series: $of('series')->series,
                edition: $of('edition')->edition,
                isbn: $of('isbn')->isbn,
                partTitle: $of('title')->partTitle,
            ),
            $from,
        );
    }

    /**
     * The same with what people chose or wrote in place of some fields.
     *
     * @param  array<string, string>  $values by field
     */
    public function with(array $values): Reference
    {
        $changes = [];
        foreach ($values as $field => $value) {
            match ($field) {
                'authors', 'editors' => ($changes[$field] = array_map(Name::inverted(...), self::list($value))),
                'year' => ($changes['year'] = $value === '' ? null : (int) $value),
                'type' => ($changes['type'] = PublicationType::from($value)),
                'keywords' => ($changes['keywords'] = self::list($value)),
                'pages' => ([$changes['firstPage'], $changes['lastPage']] = \WaryHeron\Core\Bibliography\Pages::split(
                    $value,
                )),
                default => ($changes[$field] = $value),
            };
            $held =
                ['title' => $this->reference->fullTitle(), 'journal' => $this->reference->containerTitle()][$field] ??
                null;
            if ($held !== null && $held !== $this->reference->{$field}) {
                $changes['partTitle'] = ''; // what was chosen holds it already
            }
        }

        return new Reference(...[...get_object_vars($this->reference), ...$changes]);
    }

    /** @return list<string> */
    private static function list(string $text): array
    {
        return array_values(
            array_filter(array_map(trim(...), explode(';', $text)), fn (string $one): bool => $one !== ''),
        );
    }

    /** @return list<Name> */
    private static function people(Reference $reference): array
    {
        return array_values(
            array_filter($reference->authors, fn (Name $name): bool => preg_match('/^et\.? al/i', $name->family) !== 1),
        );
    }

    /**
     * @param  non-empty-list<Reference>  $references
     * @param  \Closure(Reference): list<int|bool>  $rank
     */
    private static function best(array $references, \Closure $rank): int
    {
        $best = 0;
        foreach ($references as $at => $reference) {
            if (($rank($reference) <=> $rank($references[$best])) > 0) {
                $best = $at;
            }
        }

        return $best;
    }

    /**
     * @param  non-empty-list<Reference>  $references
     * @param  \Closure(Reference): string  $value
     */
    private static function frequent(array $references, \Closure $value): int
    {
        $counts = array_count_values(
            array_filter(array_map($value, $references), fn (string $one): bool => $one !== ''),
        );
        if ($counts === []) {
            return 0;
        }
        foreach ($references as $at => $reference) {
            if (($counts[$value($reference)] ?? 0) === max($counts)) {
                return $at;
            }
        }

        return 0;
    }

    /** @param  non-empty-list<Reference>  $references */
    private static function any(array $references, string $field): string
    {
        foreach ($references as $reference) {
            if ($reference->{$field} !== '') {
                return $reference->{$field};
            }
        }

        return '';
    }
}
