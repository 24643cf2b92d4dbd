<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- files that were made in the background, to be taken away; kept for some days
            CREATE TABLE made_files (
                review_id char(26) NOT NULL REFERENCES reviews,
                id char(26) NOT NULL,
                kind varchar(30) NOT NULL,
                name varchar(200) NOT NULL,
                stored varchar(200) NOT NULL,
                bytes bigint NOT NULL,
                sha256 char(64) NOT NULL,
                user_id char(26) NOT NULL REFERENCES users,
                created_at timestamptz(3) NOT NULL,
                updated_at timestamptz(3) NOT NULL,
                PRIMARY KEY (review_id, id)
            );
            -- archives that people brought, whose review may never come to be
            CREATE TABLE brought_archives (
                id char(26) PRIMARY KEY,
                user_id char(26) NOT NULL REFERENCES users,
                name varchar(200) NOT NULL,
                stored varchar(200) NOT NULL,
                state varchar(20) NOT NULL,
                problem text NOT NULL DEFAULT '',
                brought_id char(26) REFERENCES reviews ON DELETE SET NULL,
                created_at timestamptz(3) NOT NULL,
                updated_at timestamptz(3) NOT NULL
            );
            CREATE INDEX brought_archives_of ON brought_archives (user_id, id);
            ALTER TABLE reviews ADD COLUMN closed_at timestamptz(3);
            SQL);
    }

    public function down(): void
    {
        DB::unprepared('ALTER TABLE reviews DROP COLUMN closed_at; DROP TABLE brought_archives; DROP TABLE made_files;');
    }
};
