<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * Tables that lie in parts by the same hash name each other part by part: a row's review decides the part of both, so
 * that a part of the one can only name rows in its like of the other. The database checks a reference to one part by its
 * key alone; one to a table in parts it checks by a plan over all of them, seven times as long for each row.
 */
return new class extends Migration
{
    public function up(): void
    {
        $references = DB::select(<<<'SQL'
            SELECT c.conrelid::regclass::text AS of, c.confrelid::regclass::text AS other, c.conname AS name,
                pg_get_constraintdef(c.oid) AS is
            FROM pg_constraint c
            JOIN pg_partitioned_table mine ON mine.partrelid = c.conrelid
            JOIN pg_partitioned_table theirs ON theirs.partrelid = c.confrelid
            WHERE c.contype = 'f' AND c.conparentid = 0 AND c.connamespace = current_schema::regnamespace
            ORDER BY c.oid
            SQL);
        foreach ($references as $one) {
            $parts = $this->parts($one->of, $one->other);
            DB::statement("ALTER TABLE {$one->of} DROP CONSTRAINT \"{$one->name}\"");
            foreach ($parts as $part) {
                $is = str_replace("REFERENCES {$one->other}(", "REFERENCES {$part->theirs}(", $one->is);
                DB::statement("ALTER TABLE {$part->mine} ADD CONSTRAINT \"{$one->name}\" {$is}");
            }
        }
    }

    public function down(): void
    {
        throw new RuntimeException('References are not put together again: a copy goes back by its backup.');
    }

    /** @return list<stdClass> each part of the one and its like of the other */
    private function parts(string $of, string $other): array
    {
        return DB::select(
            <<<'SQL'
            SELECT mine.oid::regclass::text AS mine, theirs.oid::regclass::text AS theirs
            FROM pg_class mine JOIN pg_inherits i ON i.inhrelid = mine.oid AND i.inhparent = ?::regclass
            JOIN pg_inherits j ON j.inhparent = ?::regclass
            JOIN pg_class theirs ON theirs.oid = j.inhrelid
                AND pg_get_expr(theirs.relpartbound, theirs.oid) = pg_get_expr(mine.relpartbound, mine.oid)
            ORDER BY mine.oid
            SQL,
            [$of, $other],
        );
    }
};
