<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * Every row of a review is named by its own id and its review's, wherever it is named: none can point into another review,
 * and a database on several machines can place whole reviews. The id comes first in the keys of tables that are older than
 * this rule, since it is what rows are looked up by; the key then needs no other index beside it.
 */
return new class extends Migration
{
    /** Of a review by a column of that name, but not its: work of this installation, and thesauri that reviews share. */
    private const SHARED = ['jobs', 'schemes'];

    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE recipe_exports ADD COLUMN review_id char(26);
            UPDATE recipe_exports SET review_id = r.review_id FROM export_recipes r WHERE r.id = recipe_id;
            ALTER TABLE recipe_exports ALTER COLUMN review_id SET NOT NULL;
            SQL);
        $keyed = $this->keyedById();
        $references = $this->references($keyed);
        foreach ($references as $one) {
            DB::statement("ALTER TABLE {$one->of} DROP CONSTRAINT \"{$one->name}\"");
        }
        foreach ($keyed as $table) {
            DB::statement("ALTER TABLE {$table} DROP CONSTRAINT {$table}_pkey, ADD PRIMARY KEY (id, review_id)");
        }
        DB::unprepared(<<<'SQL'
            -- read by review and time, and by nothing else
            DROP INDEX log_entries_review_id_id_index;
            ALTER TABLE log_entries DROP CONSTRAINT log_entries_pkey, ADD PRIMARY KEY (review_id, id);
            ALTER TABLE match_pairs DROP CONSTRAINT match_pairs_pkey, ADD PRIMARY KEY (matching_id, record_a, record_b, review_id);
            ALTER TABLE recipe_exports DROP CONSTRAINT recipe_exports_pkey, ADD PRIMARY KEY (recipe_id, row_key, review_id);
            -- the same twice
            DROP INDEX publications_by_arrival;
            SQL);
        foreach ($references as $one) {
            DB::statement(
                "ALTER TABLE {$one->of} ADD CONSTRAINT \"{$one->name}\" FOREIGN KEY (\"{$one->column}\", review_id)
                    REFERENCES {$one->other} (id, review_id) {$this->whenGone($one)}",
            );
        }
        foreach ($this->uniqueElsewhere() as $one) {
            DB::statement("ALTER TABLE {$one->of} DROP CONSTRAINT \"{$one->name}\", ADD CONSTRAINT \"{$one->name}\" UNIQUE ({$one->columns}, review_id)");
        }
    }

    public function down(): void
    {
        throw new RuntimeException('Keys are not taken apart again: a copy goes back by its backup.');
    }

    /** @return list<string> */
    private function keyedById(): array
    {
        return array_column(DB::select(
            <<<'SQL'
            SELECT c.conrelid::regclass::text AS name FROM pg_constraint c
            JOIN pg_attribute a ON a.attrelid = c.conrelid AND a.attname = 'review_id' AND NOT a.attisdropped
            JOIN pg_attribute k ON k.attrelid = c.conrelid AND k.attnum = c.conkey[1]
            WHERE c.contype = 'p' AND c.connamespace = current_schema::regnamespace
                AND cardinality(c.conkey) = 1 AND k.attname = 'id' AND NOT c.conrelid::regclass::text = ANY (?)
            ORDER BY 1
            SQL,
            ['{'.implode(',', self::SHARED).'}'],
        ), 'name');
    }

    /**
     * @param  list<string>  $keyed
     * @return list<stdClass> references to them by their id alone
     */
    private function references(array $keyed): array
    {
        return DB::select(
            <<<'SQL'
            SELECT c.conrelid::regclass::text AS of, c.conname AS name, a.attname AS column,
                c.confrelid::regclass::text AS other, c.confdeltype AS gone
            FROM pg_constraint c JOIN pg_attribute a ON a.attrelid = c.conrelid AND a.attnum = c.conkey[1]
            WHERE c.contype = 'f' AND cardinality(c.conkey) = 1 AND c.confrelid::regclass::text = ANY (?)
            ORDER BY 1, 2
            SQL,
            ['{'.implode(',', $keyed).'}'],
        );
    }

    private function whenGone(stdClass $reference): string
    {
        return match ($reference->gone) {
            'c' => 'ON DELETE CASCADE',
            'n' => "ON DELETE SET NULL (\"{$reference->column}\")",
            default => '',
        };
    }

    /** @return list<stdClass> what may be there once in all reviews, by constraints of tables that belong to one */
    private function uniqueElsewhere(): array
    {
        return DB::select(
            <<<'SQL'
            SELECT c.conrelid::regclass::text AS of, c.conname AS name, string_agg(format('%I', k.attname), ', ' ORDER BY n.place) AS columns
            FROM pg_constraint c
            JOIN pg_attribute a ON a.attrelid = c.conrelid AND a.attname = 'review_id' AND NOT a.attisdropped
            JOIN unnest(c.conkey) WITH ORDINALITY AS n (number, place) ON true
            JOIN pg_attribute k ON k.attrelid = c.conrelid AND k.attnum = n.number
            WHERE c.contype = 'u' AND c.connamespace = current_schema::regnamespace AND NOT a.attnum = ANY (c.conkey)
                AND NOT c.conrelid::regclass::text = ANY (?)
            GROUP BY 1, 2 ORDER BY 1, 2
            SQL,
            ['{'.implode(',', self::SHARED).'}'],
        );
    }
};
