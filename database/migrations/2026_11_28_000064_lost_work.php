<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class() extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- what does the work next, kept beside the queue so that it can be queued again when the queue is lost
            ALTER TABLE tasks ADD job text, ADD job_queue varchar(40), ADD queued_again smallint NOT NULL DEFAULT 0;
            SQL);
    }

    public function down(): void
    {
        DB::unprepared('ALTER TABLE tasks DROP job, DROP job_queue, DROP queued_again;');
    }
};
