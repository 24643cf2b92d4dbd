<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Table;

/** A table of studies as a definition that is run again: what stands in it, of which studies, grouped and ordered how. */
final readonly class TableDefinition
{
    /** What may stand with each cell. */
    public const PARTS = ['quote', 'place', 'note'];

    public const IN_DEPTH = 'in-depth';

    private const MOST = 60;

    private const FILTERS = 12;

    /**
     * @param  list<TableColumn>  $columns
     * @param  string  $groups  the item by whose answers rows are put together; empty for none
     * @param  string  $sort  author, year, title, coded or an item
     * @param  list<string>  $filters  which studies, as an item and what it says: “01H…:lamp”
     * @param  string  $subset  IN_DEPTH, or empty for all that are included
     * @param  list<string>  $parts  of PARTS
     */
    public function __construct(
        public array $columns,
        public string $groups = '',
        public string $sort = 'author',
        public bool $descending = false,
        public array $filters = [],
        public string $subset = '',
        public array $parts = [],
    ) {
    }

    /** @param  array<mixed>  $kept  from a form or as toArray() gave it; what means nothing is left out */
    public static function fromArray(array $kept): self
    {
        $text = fn (string $key): string => is_string($kept[$key] ?? null) ? mb_substr(mb_scrub($kept[$key]), 0, 300) : '';
        $columns = array_filter(array_map(TableColumn::of(...), self::texts($kept['columns'] ?? [])));

        return new self(
            array_slice(array_values($columns), 0, self::MOST),
            $text('groups'),
            $text('sort') === '' ? 'author' : $text('sort'),
            in_array($kept['down'] ?? false, [true, 1, '1'], true),
            array_slice(self::texts($kept['with'] ?? []), 0, self::FILTERS),
            $text('subset') === self::IN_DEPTH ? self::IN_DEPTH : '',
            array_values(array_intersect(self::PARTS, self::texts($kept['parts'] ?? []))),
        );
    }

    /** @return array<string, string|bool|list<string>> */
    public function toArray(): array
    {
        return [
            'columns' => array_map(fn (TableColumn $one): string => $one->key(), $this->columns),
            'groups' => $this->groups,
            'sort' => $this->sort,
            'down' => $this->descending,
            'with' => $this->filters,
            'subset' => $this->subset,
            'parts' => $this->parts,
        ];
    }

    public function has(string $kind, string $id): bool
    {
        return in_array("{$kind}:{$id}", array_map(fn (TableColumn $one): string => $one->key(), $this->columns), true);
    }

    /** @return list<string> the ids of the columns of a kind */
    public function ids(string $kind): array
    {
        $of = array_filter($this->columns, fn (TableColumn $one): bool => $one->kind === $kind);

        return array_values(array_map(fn (TableColumn $one): string => $one->id, $of));
    }

    /** @return list<string> each once */
    private static function texts(mixed $given): array
    {
        $texts = array_filter(is_array($given) ? $given : [], fn (mixed $one): bool => is_string($one) && $one !== '');

        return array_values(array_unique(array_map(fn (string $one): string => mb_substr(mb_scrub($one), 0, 300), $texts)));
    }
}
