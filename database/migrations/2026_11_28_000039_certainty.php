<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- how sure people are of what an analysis finds; the newest of an analysis stands
            CREATE TABLE certainties (
                id char(26) NOT NULL UNIQUE,
                review_id char(26) NOT NULL REFERENCES reviews,
                analysis_id char(26) NOT NULL,
                -- as Certainty::toArray() gives it
                judged jsonb NOT NULL,
                -- of a thousand people without the intervention, how many have the event
                baseline integer CHECK (baseline BETWEEN 1 AND 999),
                user_id char(26) NOT NULL REFERENCES users,
                created_at timestamptz(3) NOT NULL,
                updated_at timestamptz(3) NOT NULL,
                PRIMARY KEY (review_id, id),
                FOREIGN KEY (review_id, analysis_id) REFERENCES analyses (review_id, id)
            );
            CREATE INDEX certainties_of_analysis ON certainties (review_id, analysis_id, id DESC);
            SQL);
    }

    public function down(): void
    {
        DB::unprepared('DROP TABLE certainties;');
    }
};
