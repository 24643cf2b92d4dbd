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
     * @param  ?\Closure(list<stdClass>, Review, User): void  $more  completes the rows of a page
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
     * @return list<stdClass> as they are given out; one more than asked for where there are more
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

    public function one(Review $review, User $user, string $id): ?stdClass
    {
        $query = ($this->query)($review, $user)->where($this->key, $id)->limit(1);

        return $this->rows($review, $user, $query)[0] ?? null;
    }

    public function schema(): Schema
    {
        return Schema::exactly(array_map(fn (Field $one): Schema => $one->schema(), $this->fields));
    }

    /** @return list<stdClass> */
    private function rows(Review $review, User $user, Builder $query): array
    {
        $rows = array_values($query->get()->all());
        if ($this->more !== null) {
            ($this->more)($rows, $review, $user);
        }

        return array_map($this->given(...), $rows);
    }

    private function given(stdClass $row): stdClass
    {
        $given = new stdClass();
        foreach ($this->fields as $name => $field) {
            $given->{$name} = $field->of($row->{$name} ?? null);
        }

        return $given;
    }
}
