<?php

declare(strict_types=1);

namespace App\Database;

/** A table of which an archive holds the rows of one review. */
final readonly class ArchivedTable
{
    /**
     * @param  list<string>  $columns  those that are written; the database makes the others itself
     * @param  list<string>  $key  of the primary key
     * @param  list<string>  $toItself  columns that name another row of the same table
     * @param  list<string>  $people  columns that name people
     * @param  list<string>  $numbered  columns that the database numbers as rows come in
     */
    public function __construct(
        public string $name,
        public array $columns,
        public array $key,
        public array $toItself,
        public array $people,
        public array $numbered,
    ) {
    }

    /** SQL that is true of the rows of a review, whose id is bound as often as there are question marks. */
    public function ofReview(): string
    {
        return match ($this->name) {
            'reviews' => 'id = ?',
            'schemes' => '(review_id = ? OR id IN (SELECT scheme_id FROM heading_mappings WHERE review_id = ?))',
            'scheme_concepts' => 'scheme_id IN (SELECT id FROM schemes WHERE review_id = ?
                UNION SELECT scheme_id FROM heading_mappings WHERE review_id = ?)',
            default => 'review_id = ?',
        };
    }

    /** @return list<string> what is bound to it */
    public function bound(string $reviewId): array
    {
        return array_fill(0, substr_count($this->ofReview(), '?'), $reviewId);
    }

    /** @param  list<string>  $columns */
    public static function quoted(array $columns): string
    {
        return implode(', ', array_map(fn (string $one): string => "\"{$one}\"", $columns));
    }

    /**
     * SQL that inserts rows from one JSON list of objects, which is bound.
     *
     * @param  list<string>  $columns  that the objects have
     * @param  list<string>  $empty  those of them that stay empty at first
     */
    public function insertion(array $columns, array $empty = []): string
    {
        $from = implode(', ', array_map(
            fn (string $one): string => in_array($one, $empty, true) ? 'NULL' : "\"{$one}\"",
            $columns,
        ));

        return "INSERT INTO \"{$this->name}\" (".self::quoted($columns).") OVERRIDING SYSTEM VALUE SELECT {$from} FROM {$this->rows()}";
    }

    /** SQL of the rows that one JSON list of objects tells, which is bound. */
    public function rows(): string
    {
        return "jsonb_populate_recordset(NULL::\"{$this->name}\", ?::jsonb)";
    }

    public function file(): string
    {
        return "data/{$this->name}.jsonl";
    }
}
