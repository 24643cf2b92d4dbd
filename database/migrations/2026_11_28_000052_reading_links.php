<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- addresses by which outsiders read a version of the report and what it rests on
            CREATE TABLE reading_links (
                review_id char(26) NOT NULL REFERENCES reviews,
                id char(26) NOT NULL,
                name varchar(200) NOT NULL,
                -- of what stands in the address, which is shown once
                token_hash char(64) NOT NULL UNIQUE,
                password_hash varchar(255),
                expires_at timestamptz(3),
                revoked_at timestamptz(3),
                -- how often it was opened, and not by whom
                visits integer NOT NULL DEFAULT 0,
                user_id char(26) NOT NULL REFERENCES users,
                created_at timestamptz(3) NOT NULL,
                updated_at timestamptz(3) NOT NULL,
                PRIMARY KEY (review_id, id)
            );
            SQL);
    }

    public function down(): void
    {
        DB::unprepared('DROP TABLE reading_links;');
    }
};
