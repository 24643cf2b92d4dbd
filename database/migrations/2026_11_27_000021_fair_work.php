<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Background work takes turns between reviews, is told what it waits for, and remembers where it died. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE jobs ADD COLUMN review_id char(26), ADD COLUMN task_id char(26), ADD COLUMN turn bigint NOT NULL DEFAULT 0;
            CREATE INDEX jobs_in_turn ON jobs (queue, turn, id);
            CREATE INDEX jobs_of_task ON jobs (task_id) WHERE task_id IS NOT NULL;
            -- where work was when it was last taken in hand, until it is laid down in order; and how often it died there
            ALTER TABLE tasks ADD COLUMN in_hand varchar(60), ADD COLUMN deaths smallint NOT NULL DEFAULT 0;
            CREATE INDEX tasks_not_seen ON tasks (user_id, review_id, id) WHERE seen_at IS NULL;
            -- the first rows of a table, read once in the background, with what its columns are guessed to hold
            ALTER TABLE deliveries ADD COLUMN preview jsonb;
            -- reading, read, locked, damaged or scan
            ALTER TABLE full_texts ADD COLUMN state varchar(10) NOT NULL DEFAULT 'read';
            UPDATE full_texts SET state = CASE WHEN pages IS NULL THEN 'damaged' ELSE 'scan' END WHERE btrim(text) = '';
            SQL);
    }
};
