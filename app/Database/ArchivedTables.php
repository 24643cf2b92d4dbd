<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * Which tables hold what a review is, read from the catalogue, so that a table that is new is archived without being
 * named anywhere.
 */
final class ArchivedTables
{
    /** What is of a review and is not archived: what passes, what is made from the rest, and what lets somebody in. */
    public const LEFT_OUT = [
        'claims' => 'who has something open just now',
        'item_claims' => 'who has something open just now',
        'report_presence' => 'who has something open just now',
        'jobs' => 'work of this installation',
        'tasks' => 'work of this installation',
        'made_files' => 'files that were made here to be taken away',
        'tallies' => 'counted by the database as items come in',
        'person_tallies' => 'counted by the database as decisions come in',
        'invitations' => 'what lets somebody in',
        'reading_links' => 'what lets somebody in',
        'access_tokens' => 'what lets somebody in',
        'kept_replies' => 'what programs were answered here',
    ];

    /** Rows of a review that do not name it. */
    private const BY_ANOTHER = ['scheme_concepts'];

    /** What the insertion of a row changes in others comes before these. */
    private const AFTER = ['assignments' => ['decisions', 'items']];

    /** Columns that name work of this installation. */
    public const OF_THIS_PLACE = ['task_id'];

    /** @return list<ArchivedTable> so that a row comes after those that it names */
    public static function all(): array
    {
        $references = self::references();
        $named = self::named();
        $columns = self::columns($named);
        $keys = self::keys($named);
        $tables = $after = [];
        foreach ($named as $name) {
            $of = array_filter($references, fn (ForeignKey $one): bool => $one->table === $name);
            $to = fn (string $other): array => array_values(array_unique(array_merge([], ...array_column(
                array_filter($of, fn (ForeignKey $one): bool => $one->other === $other),
                'columns',
            ))));
            $tables[$name] = new ArchivedTable(
                $name,
                $columns->all[$name],
                $keys[$name] ?? [],
                $to($name),
                $to('users'),
                $columns->numbered[$name] ?? [],
            );
            $after[$name] = array_column($of, 'other');
        }
        foreach ($after as $name => $others) {
            $after[$name] = array_values(array_diff(array_intersect($others, array_keys($tables)), [$name]));
        }
        $ordered = [];
        foreach (array_keys($tables) as $name) {
            self::place($name, array_merge_recursive($after, self::AFTER), $ordered);
        }

        return array_map(fn (string $name): ArchivedTable => $tables[$name], array_keys($ordered));
    }

    /** @return list<NamingColumn> where a row of the review may be named by another of it */
    public static function naming(): array
    {
        $names = array_flip(self::named());
        $within = array_filter(self::references(), fn (ForeignKey $one): bool => $one->isBound && count($one->columns) === 1
            && isset($names[$one->table], $names[$one->other]) && $one->other !== 'reviews');

        return array_values(array_map(
            fn (ForeignKey $one): NamingColumn => new NamingColumn($one->table, $one->columns[0]),
            $within,
        ));
    }

    /** The newest change to the tables; names sort by age. */
    public static function structure(): string
    {
        return (string) DB::table('migrations')->max('migration');
    }

    /**
     * @param  array<string, list<string>>  $after
     * @param  array<string, true>  $ordered
     */
    private static function place(string $name, array $after, array &$ordered): void
    {
        foreach (isset($ordered[$name]) ? [] : $after[$name] as $before) {
            self::place($before, $after, $ordered);
        }
        $ordered[$name] = true;
    }

    /** @return list<string> */
    private static function named(): array
    {
        $with = DB::select(
            <<<'SQL'
            SELECT c.table_name AS name FROM information_schema.columns c
            JOIN information_schema.tables t USING (table_schema, table_name)
            WHERE table_schema = current_schema AND t.table_type = 'BASE TABLE' AND c.column_name = 'review_id'
                AND NOT (SELECT relispartition FROM pg_class WHERE oid = format('%I.%I', table_schema, table_name)::regclass)
            ORDER BY 1
            SQL,
        );
        $names = [...array_column($with, 'name'), ...self::BY_ANOTHER];

        return ['reviews', ...array_values(array_diff($names, array_keys(self::LEFT_OUT)))];
    }

    /** @param  list<string>  $tables */
    private static function columns(array $tables): WrittenColumns
    {
        $all = $numbered = [];
        foreach (DB::table('information_schema.columns')
            ->whereRaw('table_schema = current_schema')
            ->whereIn('table_name', $tables)
            ->where('is_generated', 'NEVER')
            ->orderBy('table_name')
            ->orderBy('ordinal_position')
            ->get(['table_name', 'column_name', 'is_identity']) as $one) {
            $all[$one->table_name][] = $one->column_name;
            $one->is_identity === 'YES' && ($numbered[$one->table_name][] = $one->column_name);
        }

        return new WrittenColumns($all, $numbered);
    }

    /**
     * @param  list<string>  $tables
     * @return array<string, list<string>> by table
     */
    private static function keys(array $tables): array
    {
        $found = DB::select(
            <<<'SQL'
            SELECT c.relname AS of_table, a.attname AS name FROM pg_index i
            JOIN pg_class c ON c.oid = i.indrelid AND c.relnamespace = current_schema::regnamespace
            JOIN unnest(i.indkey) WITH ORDINALITY AS k (number, place) ON true
            JOIN pg_attribute a ON a.attrelid = i.indrelid AND a.attnum = k.number
            WHERE c.relname = ANY(?::text[]) AND i.indisprimary ORDER BY c.relname, k.place
            SQL,
            ['{'.implode(',', $tables).'}'],
        );
        $keys = [];
        foreach ($found as $one) {
            $keys[$one->of_table][] = $one->name;
        }

        return $keys;
    }

    /** @return list<ForeignKey> */
    private static function references(): array
    {
        $found = DB::select(
            <<<'SQL'
            SELECT c.conrelid::regclass::text AS of_table, c.confrelid::regclass::text AS other,
                string_agg(a.attname, ',' ORDER BY k.place) FILTER (WHERE a.attname <> 'review_id') AS columns,
                bool_or(a.attname = 'review_id') AS is_bound
            FROM pg_constraint c
            JOIN unnest(c.conkey) WITH ORDINALITY AS k (number, place) ON true
            JOIN pg_attribute a ON a.attrelid = c.conrelid AND a.attnum = k.number
            WHERE c.contype = 'f' AND c.conparentid = 0 AND c.connamespace = current_schema::regnamespace
            GROUP BY c.oid, 1, 2 ORDER BY 1, c.conname
            SQL,
        );

        return array_values(array_map(
            fn (stdClass $one): ForeignKey => new ForeignKey(
                $one->of_table,
                $one->other,
                array_values(array_filter(explode(',', $one->columns ?? ''))),
                $one->is_bound,
            ),
            $found,
        ));
    }
}
