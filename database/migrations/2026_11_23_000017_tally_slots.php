<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A count in several parts: one row for all would make everybody who decides wait for everybody else's commit. */
return new class extends Migration
{
    private const SLOTS = 16;

    public function up(): void
    {
        $slot = '(pg_backend_pid() % '.self::SLOTS.')';
        DB::unprepared(<<<SQL
            ALTER TABLE tallies ADD COLUMN slot smallint NOT NULL DEFAULT 0;
            ALTER TABLE tallies DROP CONSTRAINT tallies_pkey;
            ALTER TABLE tallies ADD PRIMARY KEY (review_id, stage_id, state, slot);
            -- small, often updated and read whole: pages with room spare each update its new index entries
            ALTER TABLE tallies SET (fillfactor = 50);

            CREATE OR REPLACE FUNCTION tally_inserted() RETURNS trigger LANGUAGE plpgsql AS \$\$
            BEGIN
                INSERT INTO tallies (review_id, stage_id, state, n, slot)
                SELECT review_id, stage_id, state, count(*), {$slot} FROM added GROUP BY 1, 2, 3 ORDER BY 1, 2, 3
                ON CONFLICT (review_id, stage_id, state, slot) DO UPDATE SET n = tallies.n + EXCLUDED.n;
                RETURN NULL;
            END \$\$;
            CREATE OR REPLACE FUNCTION tally_updated() RETURNS trigger LANGUAGE plpgsql AS \$\$
            BEGIN
                -- always in the same order, so that two people deciding at once never wait for each other in a circle
                INSERT INTO tallies (review_id, stage_id, state, n, slot)
                SELECT review_id, stage_id, state, sum(change), {$slot} FROM (
                    SELECT review_id, stage_id, state, 1 AS change FROM added UNION ALL SELECT review_id, stage_id, state, -1 FROM removed
                ) AS changes GROUP BY 1, 2, 3 HAVING sum(change) <> 0 ORDER BY 1, 2, 3
                ON CONFLICT (review_id, stage_id, state, slot) DO UPDATE SET n = tallies.n + EXCLUDED.n;
                RETURN NULL;
            END \$\$;
            CREATE OR REPLACE FUNCTION tally_deleted() RETURNS trigger LANGUAGE plpgsql AS \$\$
            BEGIN
                INSERT INTO tallies (review_id, stage_id, state, n, slot)
                SELECT review_id, stage_id, state, -count(*), {$slot} FROM removed GROUP BY 1, 2, 3 ORDER BY 1, 2, 3
                ON CONFLICT (review_id, stage_id, state, slot) DO UPDATE SET n = tallies.n + EXCLUDED.n;
                RETURN NULL;
            END \$\$;
            SQL);
    }
};
