<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * The tables that grow with everything people do lie in eight parts, by a hash of the review: each is vacuumed by itself,
 * its indexes stay small, and a part can be moved to a disk or a machine of its own. Queries that name the review, as all
 * of a review's do, read one part.
 *
 * What is there is copied; everything that hangs on a table (keys, indexes, references from and to it, triggers) is read
 * from the catalogue and made again under its name.
 */
return new class extends Migration
{
    private const TABLES = ['log_entries', 'decisions', 'records', 'items', 'publications'];

    private const PARTS = 8;

    public function up(): void
    {
        // those that name them, as they are written: who waits for one holds none that another waits for
        DB::statement('LOCK TABLE '.implode(', ', array_reverse(self::TABLES)).' IN ACCESS EXCLUSIVE MODE');
        $references = $this->references();
        // one that rests on another is younger
        $views = DB::select("SELECT relname AS name, pg_get_viewdef(oid) AS is FROM pg_class
            WHERE relkind = 'v' AND relnamespace = current_schema::regnamespace ORDER BY oid");
        foreach (array_reverse($views) as $view) {
            DB::statement("DROP VIEW {$view->name}");
        }
        foreach ($references as $one) {
            DB::statement("ALTER TABLE {$one->of} DROP CONSTRAINT \"{$one->name}\"");
        }
        foreach (self::TABLES as $table) {
            $this->divide($table);
        }
        foreach ($references as $one) {
            DB::statement("ALTER TABLE {$one->of} ADD CONSTRAINT \"{$one->name}\" {$one->is}");
        }
        foreach ($views as $view) {
            DB::statement("CREATE VIEW {$view->name} AS {$view->is}");
        }
    }

    public function down(): void
    {
        throw new RuntimeException('Parts are not put together again: a copy goes back by its backup.');
    }

    private function divide(string $table): void
    {
        $hangs = [...$this->keys($table), ...$this->indexes($table), ...$this->triggers($table)];
        DB::statement("ALTER TABLE {$table} RENAME TO {$table}_whole");
        DB::statement("CREATE TABLE {$table} (LIKE {$table}_whole INCLUDING DEFAULTS INCLUDING GENERATED INCLUDING IDENTITY
            INCLUDING CONSTRAINTS INCLUDING COMMENTS INCLUDING STORAGE INCLUDING COMPRESSION) PARTITION BY HASH (review_id)");
        for ($part = 0; $part < self::PARTS; $part++) {
            DB::statement("CREATE TABLE {$table}_{$part} PARTITION OF {$table} FOR VALUES WITH (MODULUS ".self::PARTS.", REMAINDER {$part}) {$this->settings($table)}");
        }
        $columns = implode(', ', $this->columns($table));
        DB::statement("INSERT INTO {$table} ({$columns}) OVERRIDING SYSTEM VALUE SELECT {$columns} FROM {$table}_whole");
        foreach ($this->numbered($table) as $column) {
            DB::statement(
                'SELECT setval(pg_get_serial_sequence(?, ?), nextval(pg_get_serial_sequence(?, ?)))',
                [$table, $column, "{$table}_whole", $column],
            );
        }
        DB::statement("DROP TABLE {$table}_whole");
        foreach ($hangs as $statement) {
            DB::statement($statement);
        }
    }

    /** @return list<stdClass> references from these tables and to them */
    private function references(): array
    {
        return DB::select(
            <<<'SQL'
            SELECT conrelid::regclass::text AS of, conname AS name, pg_get_constraintdef(oid) AS is FROM pg_constraint
            WHERE contype = 'f' AND (conrelid::regclass::text = ANY (?) OR confrelid::regclass::text = ANY (?))
            ORDER BY 1, 2
            SQL,
            array_fill(0, 2, '{'.implode(',', self::TABLES).'}'),
        );
    }

    /** @return list<string> */
    private function keys(string $table): array
    {
        return array_column(DB::select(
            <<<'SQL'
            SELECT format('ALTER TABLE %s ADD CONSTRAINT %I %s', conrelid::regclass, conname, pg_get_constraintdef(oid)) AS it
            FROM pg_constraint WHERE contype IN ('p', 'u') AND conrelid = ?::regclass ORDER BY contype, conname
            SQL,
            [$table],
        ), 'it');
    }

    /** @return list<string> those that no key has made */
    private function indexes(string $table): array
    {
        return array_column(DB::select(
            <<<'SQL'
            SELECT pg_get_indexdef(indexrelid) AS it FROM pg_index
            WHERE indrelid = ?::regclass AND NOT EXISTS (SELECT FROM pg_constraint WHERE conindid = indexrelid AND contype IN ('p', 'u'))
            ORDER BY indexrelid
            SQL,
            [$table],
        ), 'it');
    }

    /** @return list<string> */
    private function triggers(string $table): array
    {
        return array_column(DB::select(
            'SELECT pg_get_triggerdef(oid) AS it FROM pg_trigger WHERE tgrelid = ?::regclass AND NOT tgisinternal ORDER BY tgname',
            [$table],
        ), 'it');
    }

    /** How full pages are filled and when they are vacuumed. */
    private function settings(string $table): string
    {
        $set = DB::scalar("SELECT array_to_string(reloptions, ', ') FROM pg_class WHERE oid = ?::regclass", ["{$table}_whole"]);

        return $set === null ? '' : "WITH ({$set})";
    }

    /** @return list<string> those that are numbered as rows come in, which goes on where it was */
    private function numbered(string $table): array
    {
        return array_column(DB::select(
            "SELECT attname AS name FROM pg_attribute WHERE attrelid = ?::regclass AND attidentity <> '' AND NOT attisdropped",
            [$table],
        ), 'name');
    }

    /** @return list<string> those that the database does not make itself */
    private function columns(string $table): array
    {
        return array_column(DB::select(
            "SELECT format('%I', attname) AS name FROM pg_attribute WHERE attrelid = ?::regclass AND attnum > 0 AND NOT attisdropped AND attgenerated = '' ORDER BY attnum",
            [$table],
        ), 'name');
    }
};
