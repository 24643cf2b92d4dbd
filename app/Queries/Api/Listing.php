<?php

declare(strict_types=1);

namespace App\Queries\Api;

use App\Models\Review;
use App\Models\User;
use Illuminate\Database\Query\Builder;
use stdClass;

/** Something of a review that there are many of, as programs read it: page by page, one by one. */
final readonly class Listing
{
    public const MOST = 500;

    /**
     * @param  array<string, Field>  $fields  by name, each a column of the query
     * @param  \Closure(Review, User): Builder  $query  what the person may see, with the key as a column "id"
     * @param  string  $key  the column that orders it, with its table
     * @param  array<string, array{Field, string}>  $filters  by name: what is given, and the column that has to be it
     * @param  ?\Closure(list<array<string, mixed>>, Review, User): list<array<string, mixed>>  $more  completes a page of rows
     */
    public function __construct(
        public string $name,
        public string $about,
        public array $fields,
        private \Closure $query,
        private string $key = 'id',
        public array $filters = [],
        private ?\Closure $more = null,
    ) {
    }

    /**
     * @param  array<string, string>  $asked  values of filters
     * @param  string  $after  the last id that was seen; empty: from the beginning
     * @return list<array<string, mixed>> one more than asked for where there are more
     */
    public function page(Review $review, User $user, array $asked, string $after, int $length): array
    {
        $query = ($this->query)($review, $user)->orderBy($this->key)->limit($length + 1);
        if ($after !== '') {
            $query->where($this->key, '>', $after);
        }
        foreach (array_intersect_key($asked, $this->filters) as $name => $value) {
            $query->where($this->filters[$name][1], $value);
        }

        return $this->rows($review, $user, $query);
    }

    /** @return ?array<string, mixed> */
    public function one(Review $review, User $user, string $id): ?array
    {
        $query = ($this->query)($review, $user)->where($this->key, $id)->limit(1);

        return $this->rows($review, $user, $query)[0] ?? null;
    }

    /** @return array<string, mixed> as JSON Schema */
    public function schema(): array
    {
        return [
            'type' => 'object',
            'required' => array_keys($this->fields),
            'additionalProperties' => false,
            'properties' => array_map(fn (Field $one): array => $one->schema(), $this->fields),
        ];
    }

    /** @return list<array<string, mixed>> */
    private function rows(Review $review, User $user, Builder $query): array
    {
        $rows = array_values($query->get()->map(fn (stdClass $row): array => (array) $row)->all());
        $rows = $this->more === null ? $rows : ($this->more)($rows, $review, $user);

        return array_map(fn (array $row): array => array_combine(
            array_keys($this->fields),
            array_map(
                fn (string $name): mixed => $this->fields[$name]->of($row[$name] ?? null),
                array_keys($this->fields),
            ),
        ), $rows);
    }
}
