<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * What the database knows of tables in parts: its own care never looks at such a table as a whole, and at a part only some
 * minutes after much has come in. The application may have those looked at that have grown to twice their size since.
 */
return new class extends Migration
{
    public function up(): void
    {
        // what somebody else looks at already is passed over; nothing is waited for
        DB::unprepared(<<<'SQL'
            CREATE OR REPLACE FUNCTION look_at_grown_tables() RETURNS integer
            LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
            DECLARE grown record; looked integer := 0;
            BEGIN
                FOR grown IN
                    SELECT whole.oid::regclass AS name
                    FROM pg_class whole
                    JOIN pg_inherits i ON i.inhparent = whole.oid
                    JOIN pg_class part ON part.oid = i.inhrelid
                    WHERE whole.relkind = 'p' AND whole.relnamespace = 'public'::regnamespace
                    GROUP BY whole.oid
                    HAVING sum(pg_relation_size(part.oid)) / current_setting('block_size')::integer
                        > 2 * greatest(sum(part.relpages) FILTER (WHERE whole.reltuples >= 0), 8)
                LOOP
                    EXECUTE format('ANALYZE (SKIP_LOCKED) %s', grown.name);
                    looked := looked + 1;
                END LOOP;
                RETURN looked;
            END $$;
            REVOKE ALL ON FUNCTION look_at_grown_tables() FROM PUBLIC;
            SQL);
    }

    public function down(): void
    {
        DB::statement('DROP FUNCTION look_at_grown_tables()');
    }
};
