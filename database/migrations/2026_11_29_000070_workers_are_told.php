<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Workers that wait are told of a job when it is there for them, instead of asking three times a second. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE OR REPLACE FUNCTION tell_workers() RETURNS trigger LANGUAGE plpgsql SET search_path = public AS $$
            BEGIN
                PERFORM pg_notify('jobs ' || queue, '') FROM (SELECT DISTINCT queue FROM added) AS queues;
                RETURN NULL;
            END $$;
            CREATE TRIGGER workers_are_told AFTER INSERT ON jobs
                REFERENCING NEW TABLE AS added FOR EACH STATEMENT EXECUTE FUNCTION tell_workers();
            SQL);
    }

    public function down(): void
    {
        DB::unprepared('DROP TRIGGER workers_are_told ON jobs; DROP FUNCTION tell_workers();');
    }
};
