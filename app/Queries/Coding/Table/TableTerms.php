<?php

declare(strict_types=1);

namespace App\Queries\Coding\Table;

use App\Models\CodebookItem;
use App\Models\Review;
use Illuminate\Support\Collection;

/** How somebody wants the table of codings: which items, which studies, in which order. */
final readonly class TableTerms
{
    /** Orders that are not by an item. */
    public const SORTS = ['author', 'year', 'title', 'coded'];

    /**
     * @param  Collection<string, CodebookItem>  $codes  all that are asked, by id, in the order of the codebook
     * @param  list<string>  $columns  the items shown; none for all
     * @param  list<ItemFilter>  $filters
     * @param  string  $sort  one of SORTS, or an item
     * @param  ?string  $whose  only those shared out to this person
     */
    public function __construct(
        public Collection $codes,
        public array $columns = [],
        public array $filters = [],
        public string $sort = 'author',
        public bool $descending = false,
        public int $page = 1,
        public ?string $whose = null,
    ) {
    }

    public static function all(Review $review): self
    {
        return new self(self::codesOf($review));
    }

    /** @return Collection<string, CodebookItem> */
    public static function codesOf(Review $review): Collection
    {
        return $review->codes()->whereNull('retired_at')->get()->toBase()->keyBy('id');
    }

    /** Whether every included study is asked for. */
    public function isAll(): bool
    {
        return $this->filters === [] && $this->whose === null;
    }

    /** The same studies in the same order, with every item. */
    public function whole(): self
    {
        return new self($this->codes, [], $this->filters, $this->sort, $this->descending, $this->page, $this->whose);
    }

    /** @return Collection<string, CodebookItem> */
    public function shown(): Collection
    {
        return $this->columns === [] ? $this->codes : $this->codes->only($this->columns);
    }

    /**
     * As an address asks for them, with what is changed.
     *
     * @param  array<string, mixed>  $change
     * @return array<string, string|int|list<string>>
     */
    public function query(array $change = []): array
    {
        $asked = [
            'columns' => $this->columns,
            'with' => array_map(fn (ItemFilter $one): string => $one->key(), $this->filters),
            'sort' => $this->sort === 'author' ? null : $this->sort,
            'down' => $this->descending ? 1 : null,
            'whose' => $this->whose,
            ...$change,
        ];

        return array_filter($asked, fn (mixed $one): bool => $one !== null && $one !== []);
    }

    /** @return array<string, string|int|list<string>> without one filter */
    public function without(ItemFilter $filter): array
    {
        $others = array_filter($this->filters, fn (ItemFilter $one): bool => $one !== $filter);

        return $this->query(['with' => array_values(array_map(fn (ItemFilter $one): string => $one->key(), $others))]);
    }

    /** @return array<string, string|int|list<string>> in this order, or turned round where it is so ordered */
    public function ordered(string $by): array
    {
        return $this->query([
            'sort' => $by === 'author' ? null : $by,
            'down' => $this->sort === $by && ! $this->descending ? 1 : null,
        ]);
    }
}
