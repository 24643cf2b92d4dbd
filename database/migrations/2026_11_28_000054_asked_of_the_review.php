<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- what somebody asked of a review, and what it answered then; seen by nobody else
            CREATE TABLE asked_questions (
                review_id char(26) NOT NULL REFERENCES reviews,
                id char(26) NOT NULL,
                user_id char(26) NOT NULL REFERENCES users,
                after_id char(26),
                question varchar(400) NOT NULL,
                scope jsonb NOT NULL,
                only_of jsonb,
                found jsonb NOT NULL,
                created_at timestamptz(3) NOT NULL,
                updated_at timestamptz(3) NOT NULL,
                PRIMARY KEY (review_id, id),
                FOREIGN KEY (review_id, after_id) REFERENCES asked_questions (review_id, id) ON DELETE SET NULL (after_id)
            );
            CREATE INDEX asked_questions_of ON asked_questions (review_id, user_id, id);
            SQL);
    }

    public function down(): void
    {
        DB::unprepared('DROP TABLE asked_questions;');
    }
};
