<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE reading_links
                ADD COLUMN with_comments boolean NOT NULL DEFAULT false,
                ADD COLUMN with_names boolean NOT NULL DEFAULT false;
            -- what outsiders say about a version of the report; a link is not archived, so that its name stands here
            CREATE TABLE reader_comments (
                review_id char(26) NOT NULL,
                id char(26) NOT NULL,
                report_version_id char(26) NOT NULL,
                reading_link_id char(26) NOT NULL,
                link_name varchar(200) NOT NULL,
                name varchar(100) NOT NULL,
                -- the heading that it is about; empty where it is about the whole
                about varchar(300) NOT NULL DEFAULT '',
                body text NOT NULL,
                done_at timestamptz(3),
                done_by char(26) REFERENCES users,
                created_at timestamptz(3) NOT NULL,
                updated_at timestamptz(3) NOT NULL,
                PRIMARY KEY (review_id, id),
                FOREIGN KEY (review_id, report_version_id) REFERENCES report_versions (review_id, id) ON DELETE CASCADE
            );
            CREATE INDEX reader_comments_of_link ON reader_comments (review_id, reading_link_id, id);
            SQL);
    }

    public function down(): void
    {
        DB::unprepared('DROP TABLE reader_comments; ALTER TABLE reading_links DROP COLUMN with_comments, DROP COLUMN with_names;');
    }
};
