<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- what people say to each other about words of a report; which words, the text itself knows by the thread
            CREATE TABLE report_remarks (
                id char(26) NOT NULL UNIQUE,
                review_id char(26) NOT NULL,
                report_id char(26) NOT NULL,
                thread char(26) NOT NULL,
                user_id char(26) NOT NULL REFERENCES users,
                body text NOT NULL DEFAULT '',
                -- whether it ends the thread, or opens it again; null where it only says something
                ends boolean,
                created_at timestamptz(3) NOT NULL,
                PRIMARY KEY (review_id, id),
                FOREIGN KEY (review_id, report_id) REFERENCES reports (review_id, id) ON DELETE CASCADE
            );
            CREATE INDEX report_remarks_of ON report_remarks (review_id, report_id, thread, id);
            SQL);
    }

    public function down(): void
    {
        DB::unprepared('DROP TABLE report_remarks;');
    }
};
