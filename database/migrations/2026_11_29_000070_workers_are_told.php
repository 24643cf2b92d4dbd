<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * Workers that wait are told of a job when it is there for them, instead of asking three times a second. Jobs that wait over
 * the upgrade may have been put in without what says whose they are, and be taken for lost.
 */
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
            UPDATE jobs SET task_id = tasks.id, review_id = tasks.review_id
            FROM tasks WHERE jobs.task_id IS NULL AND tasks.id = jobs.payload::jsonb ->> 'task';
            SQL);
    }

    public function down(): void
    {
        DB::unprepared('DROP TRIGGER workers_are_told ON jobs; DROP FUNCTION tell_workers();');
    }
};
