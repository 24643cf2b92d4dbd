<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE TABLE saved_tables (
                review_id char(26) NOT NULL REFERENCES reviews,
                id char(26) NOT NULL,
                title varchar(200) NOT NULL,
                -- columns, groups, order, studies and what stands beside, so that it can be run again
                terms jsonb NOT NULL,
                user_id char(26) NOT NULL REFERENCES users,
                retired_at timestamptz(3),
                created_at timestamptz(3) NOT NULL,
                updated_at timestamptz(3) NOT NULL,
                PRIMARY KEY (review_id, id)
            );
            SQL);
    }

    public function down(): void
    {
        DB::unprepared('DROP TABLE saved_tables;');
    }
};
