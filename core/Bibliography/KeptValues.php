<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography;

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

    private const FREQUENT = ['year', 'volume', 'issue', 'doi'];

    private const FIRST = ['language', 'series', 'edition', 'publisher', 'isbn'];

    /** Properties that are of one record together, by the field they go with. */
    private const TOGETHER = [
        'title' => ['title', 'partTitle'],
        'year' => ['year', 'date'],
        'pages' => ['firstPage', 'lastPage'],
    ];

    /** Told by no rule: the first that is given. */
    private const ANY = ['journalShort', 'place', 'issn', 'accession', 'id'];

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
        $from = [];
        foreach (self::ranks() as $field => $rank) {
            $from[$field] = self::best($references, $rank);
        }
        foreach (self::FREQUENT as $field) {
            $from[$field] = self::frequent($references, fn (Reference $r): string => self::text($r, $field));
        }
        foreach (self::FIRST as $field) {
            $from[$field] = self::best($references, fn (Reference $r): array => [self::text($r, $field) !== '']);
        }

        return new self(self::composed($references, $from), $from);
    }

    /** @return array<string, \Closure(Reference): list<int|bool>> what makes a record's value the better one, by field */
    private static function ranks(): array
    {
        return [
            'title' => self::titleRank(...),
            'authors' => self::authorsRank(...),
            'journal' => fn (Reference $r): array => [...self::inBothCases($r->journal), mb_strlen($r->journal)],
            'pages' => fn (Reference $r): array => [$r->firstPage !== '', $r->lastPage !== '', strlen($r->lastPage)],
            'abstract' => fn (Reference $r): array => [mb_strlen($r->abstract)],
            'type' => fn (Reference $r): array => [
                $r->type !== PublicationType::Other,
                $r->type !== PublicationType::Article,
            ],
            'editors' => fn (Reference $r): array => [count($r->editors)],
        ];
    }

    /** @return list<int|bool> */
    private static function titleRank(Reference $reference): array
    {
        return [
            ...self::inBothCases($reference->title),
            preg_match('/^\[.*\]\.?$/u', $reference->title) !== 1,
            mb_strlen(rtrim($reference->title, '. ')),
            str_ends_with($reference->title, '.') ? 0 : 1,
        ];
    }

    /** @return list<int> */
    private static function authorsRank(Reference $reference): array
    {
        $people = array_filter($reference->authors, fn (Name $n): bool => preg_match('/^et\.? al/i', $n->family) !== 1);
        $inFull = array_filter($reference->authors, fn (Name $n): bool => preg_match('/\p{Ll}{2}/u', $n->given) === 1);
        $letters = array_map(fn (Name $n): int => mb_strlen($n->given), $reference->authors);

        return [count($people), count($inFull), array_sum($letters)];
    }

    /** @return list<bool> whether there is any, and it is neither all in capitals nor all in small letters */
    private static function inBothCases(string $text): array
    {
        return [$text !== '', mb_strtoupper($text) !== $text, mb_strtolower($text) !== $text];
    }

    /**
     * @param  non-empty-list<Reference>  $references
     * @param  array<string, int>  $from
     */
    private static function composed(array $references, array $from): Reference
    {
        $values = ['source' => '', 'line' => 0, 'extra' => []];
        foreach ($from as $field => $at) {
            foreach (self::TOGETHER[$field] ?? [$field] as $property) {
                $values[$property] = $references[$at]->{$property};
            }
        }
        foreach (self::ANY as $property) {
            $given = array_map(fn (Reference $r): string => self::text($r, $property), $references);
            $values[$property] = array_values(array_diff($given, ['']))[0] ?? '';
        }
        $urls = array_merge(...array_map(fn (Reference $r): array => $r->urls, $references));

        return $references[0]->with([
            ...$values,
            'urls' => array_values(array_unique($urls)),
            'keywords' => self::keywords($references),
        ]);
    }

    /**
     * @param  non-empty-list<Reference>  $references
     * @return list<string> of all records, each as it was first written
     */
    private static function keywords(array $references): array
    {
        $keywords = [];
        foreach ($references as $reference) {
            foreach ($reference->keywords as $word) {
                $keywords[mb_strtolower($word)] ??= $word;
            }
        }

        return array_values($keywords);
    }

    private static function text(Reference $reference, string $property): string
    {
        $value = $reference->{$property};

        return is_string($value) || is_int($value) ? (string) $value : '';
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
            $changes = [...$changes, ...self::change($field, $value)];
            $held = match ($field) {
                'title' => $this->reference->fullTitle() !== $this->reference->title,
                'journal' => $this->reference->containerTitle() !== $this->reference->journal,
                default => false,
            };
            if ($held) {
                $changes['partTitle'] = ''; // what was chosen holds it already
            }
        }

        return $this->reference->with($changes);
    }

    /** @return array<string, mixed> what a person's text for a field is, by property */
    private static function change(string $field, string $value): array
    {
        if ($field === 'pages') {
            $pages = Pages::of($value);

            return ['firstPage' => $pages->first, 'lastPage' => $pages->last];
        }

        return [
            $field => match ($field) {
                'authors', 'editors' => array_map(Name::inverted(...), self::list($value)),
                'keywords' => self::list($value),
                'year' => $value === '' ? null : (int) $value,
                'type' => PublicationType::from($value),
                default => $value,
            },
        ];
    }

    /** @return list<string> */
    private static function list(string $text): array
    {
        return array_values(
            array_filter(array_map(trim(...), explode(';', $text)), fn (string $one): bool => $one !== ''),
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
}
