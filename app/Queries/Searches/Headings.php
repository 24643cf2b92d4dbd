<?php

declare(strict_types=1);

namespace App\Queries\Searches;

use App\Models\Review;
use App\Models\Scheme;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Search\Offers\Placed;
use WaryHeron\Core\Search\Strategy\Translated\TargetHeadings;
use WaryHeron\Core\Text\Words;
use WaryHeron\Core\Vocabulary\Concept;
use WaryHeron\Core\Vocabulary\ConceptScheme;
use WaryHeron\Core\Vocabulary\HeadingLookup;
use WaryHeron\Core\Vocabulary\Offer;

/**
 * One thesaurus as a review sees it: what its headings are, and which of them stand for headings of another one.
 *
 * @phpstan-type Row object{number: int, label: string, uri: string, alternatives: string, scope_note: string,
 *     definition: string, change_notes: string, qualifiers: string, broader: string, related: string, tops: string}
 */
final class Headings implements TargetHeadings
{
    private const CANDIDATES = 300;

    /** @var array<string, ?\stdClass> by folded label */
    private array $rows = [];

    /** @var array<string, list<string>>|null confirmed headings here by lower-case label */
    private ?array $confirmed = null;

    public function __construct(public readonly Scheme $scheme, private readonly Review $review)
    {
    }

    /** The thesaurus of a source, or null where it has none. */
    public static function ofSource(string $source, Review $review): ?self
    {
        $scheme = Scheme::query()->where('source', $source)->first();

        return $scheme === null ? null : new self($scheme, $review);
    }

    /** @return \Illuminate\Database\Eloquent\Collection<int, Scheme> those of the sources, and the team's own */
    public static function schemes(Review $review): \Illuminate\Database\Eloquent\Collection
    {
        /** @var \Illuminate\Database\Eloquent\Collection<int, Scheme> */
        return Scheme::query()
            ->where(fn ($query) => $query->whereNull('review_id')->orWhere('review_id', $review->id))
            ->orderBy('added_at')
            ->orderBy('title')
            ->get();
    }

    public function has(string $label): bool
    {
        return $this->row($label) !== null;
    }

    public function confirmed(string $label): array
    {
        $this->confirmed ??= DB::table('heading_mappings')
            ->where('review_id', $this->review->id)
            ->where('scheme_id', $this->scheme->id)
            ->where('is_confirmed', true)
            ->orderBy('ruled_at')
            ->get(['label', 'stands_for'])
            ->reduce(function (array $by, object $one): array {
                $by[mb_strtolower($one->label)][] = $one->stands_for;

                return $by;
            }, []);

        return array_values(array_filter($this->confirmed[mb_strtolower($label)] ?? [], $this->has(...)));
    }

    /**
     * Headings here that share a name with it, or of whose names it is part; those ruled out by a person are left out.
     */
    public function candidates(string $label): array
    {
        $names = [ConceptScheme::folded($label)];
        foreach ($this->others() as $other) {
            $row = $other->row($label);
            $names = [...$names, ...$row === null ? [] : self::foldedNames(json_decode($row->alternatives, true))];
        }
        $names = array_values(array_unique($names));
        $sharing = $this->table()
            ->whereRaw('names && ?::text[]', [self::array($names)])
            ->orderByRaw('array_position(?::text[], folded) NULLS LAST, label', [self::array($names)])
            ->limit(6)
            ->pluck('label')
            ->all();
        $offered = array_map(
            fn (Offer $offer): string => $offer->concept->label,
            array_slice($this->offers($label), 0, 4),
        );

        /** @var list<string> */
        return array_values(array_diff(array_unique([...$sharing, ...$offered]), $this->refused($label)));
    }

    /** @return list<string> headings here of which a person said that they do not stand for it */
    public function refused(string $label): array
    {
        /** @var list<string> */
        return DB::table('heading_mappings')
            ->where('review_id', $this->review->id)
            ->where('scheme_id', $this->scheme->id)
            ->where('label', $label)
            ->where('is_confirmed', false)
            ->orderBy('stands_for')
            ->pluck('stands_for')
            ->all();
    }

    public function narrower(string $label): array
    {
        $row = $this->row($label);

        /** @var list<string> */
        return $row === null
            ? []
            : $this->below([$row->number])
                ->orderBy('label')
                ->pluck('label')
                ->all();
    }

    public function broughtAlong(string $label, string $chosen): array
    {
        if (mb_strtolower($label) === mb_strtolower($chosen)) {
            return [];
        }
        $there = array_merge([], ...array_map(fn (self $other): array => $other->branch($chosen), $this->others()));
        $known = array_flip(array_merge([], ...array_map(self::namesOf(...), $there)));
        $isUnknown = fn (stdClass $row): bool => array_intersect_key($known, array_flip(self::namesOf($row))) === [];
        $extra = $known === [] ? [] : array_filter(array_slice($this->branch($label), 1), $isUnknown);

        return array_column($extra, 'label');
    }

    /** @return list<string> */
    private static function namesOf(stdClass $row): array
    {
        return self::foldedNames([$row->label, ...json_decode($row->alternatives, true)]);
    }

    /** @return list<self> the other thesauri of the review */
    private function others(): array
    {
        $others = self::schemes($this->review)->filter(fn (Scheme $one): bool => $one->id !== $this->scheme->id);

        return array_values($others->map(fn (Scheme $one): self => new self($one, $this->review))->all());
    }

    /**
     * @param  array<string>  $names
     * @return list<string>
     */
    private static function foldedNames(array $names): array
    {
        return array_map(ConceptScheme::folded(...), array_values($names));
    }

    /** @return list<Offer> headings for a typed word, the likeliest first */
    public function offers(string $typed): array
    {
        $words = array_slice(Words::of($typed), 0, 8);
        if ($words === []) {
            return [];
        }
        $query = implode(
            ' & ',
            array_map(fn (string $word): string => "'".HeadingLookup::stem($word)."':*", $words),
        );
        $rows = $this->table()
            ->whereRaw('words @@ ?::tsquery', [$query])
            ->orderByRaw('words @@ ?::tsquery DESC, length(label)', [
                implode(' & ', array_map(fn (string $word): string => "'{$word}':A", $words)),
            ])
            ->limit(self::CANDIDATES)
            ->get();

        return HeadingLookup::rank($typed, $rows->map(self::concept(...))->all());
    }

    /** @return list<Offer> headings whose names go on from what has been typed so far */
    public function completing(string $typed): array
    {
        $words = array_slice(Words::of($typed), 0, 8);
        if ($words === []) {
            return [];
        }
        $query = implode(' & ', array_map(fn (string $word): string => "'{$word}':*", $words));
        $rows = $this->table()
            ->whereRaw('words @@ ?::tsquery', [$query])
            ->orderByRaw('length(label)')
            ->limit(self::CANDIDATES)
            ->get();

        return HeadingLookup::completing($typed, $rows->map(self::concept(...))->all());
    }

    /**
     * @param  list<Offer>  $offers
     * @return list<Offer>
     */
    public function ambiguous(array $offers): array
    {
        return HeadingLookup::ambiguous($offers, function (Concept $concept): array {
            $row = $this->row($concept->label);

            return $row === null ? [] : array_map(strval(...), self::numbers($row->tops));
        });
    }

    public function labelled(string $label): ?Concept
    {
        $row = $this->row($label);

        return $row === null ? null : self::concept($row);
    }

    /** @return list<\stdClass> the heading itself first, then all below it */
    public function branch(string $label): array
    {
        $row = $this->row($label);
        if ($row === null) {
            return [];
        }

        return [
            $row,
            ...array_values(
                DB::select(
                    <<<'SQL'
                    WITH RECURSIVE branch(number) AS (
                        SELECT ?::integer UNION SELECT c.number FROM branch b JOIN scheme_concepts c ON c.scheme_id = ? AND c.broader @> ARRAY[b.number]
                    ) SELECT c.* FROM branch b JOIN scheme_concepts c ON c.scheme_id = ? AND c.number = b.number WHERE c.number <> ? ORDER BY c.label
                    SQL
                    ,
                    [$row->number, $this->scheme->id, $this->scheme->id, $row->number],
                ),
            ),
        ];
    }

    /** @return list<list<string>> every way down to the heading, from a top */
    public function paths(string $label): array
    {
        $row = $this->row($label);
        if ($row === null) {
            return [];
        }
        $paths = DB::select(
            <<<'SQL'
            WITH RECURSIVE up(number, path) AS (
                SELECT ?::integer, ARRAY[?::text]
                UNION ALL SELECT p.number, p.label || up.path FROM up JOIN scheme_concepts c ON c.scheme_id = ? AND c.number = up.number CROSS JOIN LATERAL unnest(c.broader) AS b JOIN scheme_concepts p ON p.scheme_id = ? AND p.number = b
                WHERE cardinality(up.path) < 30
            ) SELECT to_json(path) AS path FROM up JOIN scheme_concepts c ON c.scheme_id = ? AND c.number = up.number WHERE c.broader = '{}' ORDER BY up.path LIMIT 12
            SQL
            ,
            [$row->number, $row->label, $this->scheme->id, $this->scheme->id, $this->scheme->id],
        );

        /** @var list<list<string>> */
        return array_map(fn (\stdClass $one): array => json_decode($one->path, true), array_values($paths));
    }

    /** @return list<\stdClass> the tops, with whether anything is below them */
    public function tops(): array
    {
        return array_values(
            $this->withBelow($this->table()->where('broader', '{}'))
                ->orderBy('label')
                ->get()
                ->all(),
        );
    }

    /** @return list<\stdClass> those right below, with whether anything is below them */
    public function children(string $label): array
    {
        $row = $this->row($label);

        return $row === null
            ? []
            : array_values($this->withBelow($this->below([$row->number]))->orderBy('label')->get()->all());
    }

    /** @return list<string> */
    public function relatedTo(string $label): array
    {
        $row = $this->row($label);

        /** @var list<string> */
        return $row === null
            ? []
            : $this->table()->whereIn('number', self::numbers($row->related))->orderBy('label')->pluck('label')->all();
    }

    /**
     * Where names stand that headings bear; names that none bears are left out.
     *
     * @param  list<string>  $names  folded
     * @return array<string, Placed> by name
     */
    public function placed(array $names): array
    {
        $rows = $names === [] ? [] : DB::select(
            <<<'SQL'
                    WITH RECURSIVE hit AS (SELECT number, label, names FROM scheme_concepts WHERE scheme_id = ? AND names && ?::text[]),
                    up(number, above) AS (
                        SELECT number, number FROM hit
                        UNION SELECT up.number, b FROM up JOIN scheme_concepts c ON c.scheme_id = ? AND c.number = up.above CROSS JOIN LATERAL unnest(c.broader) AS b
                    ) SELECT hit.label, to_json(hit.names) AS names, json_agg(p.label) AS above FROM hit JOIN up ON up.number = hit.number
                    JOIN scheme_concepts p ON p.scheme_id = ? AND p.number = up.above GROUP BY hit.number, hit.label, hit.names ORDER BY hit.label
                    SQL
            ,
            [$this->scheme->id, self::array($names), $this->scheme->id, $this->scheme->id],
        );
        $placed = [];
        foreach ($rows as $row) {
            foreach (array_intersect(json_decode($row->names, true), $names) as $name) {
                // its own name before another one's other name
                if (! isset($placed[$name]) || ConceptScheme::folded($row->label) === $name) {
                    $placed[$name] = new Placed($row->label, json_decode($row->above, true));
                }
            }
        }

        return $placed;
    }

    /** @param  list<string>  $values  folded, so that nothing in them needs escaping */
    private static function array(array $values): string
    {
        return '{'.implode(',', array_map(fn (string $value): string => "\"{$value}\"", $values)).'}';
    }

    private function row(string $label): ?stdClass
    {
        $folded = ConceptScheme::folded($label);
        if (! array_key_exists($folded, $this->rows)) {
            $row = $this->table()->where('folded', $folded)->first();
            $this->rows[$folded] = $row instanceof \stdClass ? $row : null;
        }

        return $this->rows[$folded];
    }

    private function table(): Builder
    {
        return DB::table('scheme_concepts')->where('scheme_concepts.scheme_id', $this->scheme->id);
    }

    /** @param  list<int>  $numbers */
    private function below(array $numbers): Builder
    {
        return $this->table()->whereRaw('broader && ?::integer[]', ['{'.implode(',', $numbers).'}']);
    }

    private function withBelow(Builder $query): Builder
    {
        return $query
            ->select('scheme_concepts.*')
            ->selectRaw(
                'EXISTS (SELECT 1 FROM scheme_concepts AS below WHERE below.scheme_id = scheme_concepts.scheme_id AND below.broader @> ARRAY[scheme_concepts.number]) AS has_narrower',
            );
    }

    private static function concept(stdClass $row): Concept
    {
        return new Concept(
            $row->uri,
            $row->label,
            json_decode($row->alternatives, true),
            $row->scope_note,
            $row->definition,
            json_decode($row->change_notes, true),
            [],
            [],
            json_decode($row->qualifiers, true),
        );
    }

    /** @return list<int> of a PostgreSQL array */
    private static function numbers(string $array): array
    {
        $inside = trim($array, '{}');

        return $inside === '' ? [] : array_map(intval(...), explode(',', $inside));
    }
}
