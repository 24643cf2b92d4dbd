<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE codes ADD CONSTRAINT codes_of_review UNIQUE (review_id, id);
            ALTER TABLE publications ADD CONSTRAINT publications_of_review UNIQUE (review_id, id);
            CREATE TABLE leads (
                id char(26) NOT NULL,
                review_id char(26) NOT NULL REFERENCES reviews,
                publication_id char(26) NOT NULL,
                code_id char(26) NOT NULL,
                value jsonb NOT NULL,
                quote text NOT NULL,
                -- of the copy it was read from; null for the abstract
                page integer,
                confidence varchar(8) NOT NULL,
                reason text NOT NULL,
                -- waiting, accepted, corrected or rejected
                ruling varchar(10) NOT NULL DEFAULT 'waiting',
                ruled_by char(26) REFERENCES users,
                ruled_at timestamptz(3),
                created_at timestamptz(3) NOT NULL,
                PRIMARY KEY (review_id, id),
                FOREIGN KEY (review_id, publication_id) REFERENCES publications (review_id, id) ON DELETE CASCADE,
                FOREIGN KEY (review_id, code_id) REFERENCES codes (review_id, id)
            );
            CREATE UNIQUE INDEX leads_one_waiting ON leads (review_id, publication_id, code_id) WHERE ruling = 'waiting';
            CREATE INDEX leads_of_code ON leads (review_id, code_id);
            SQL);
    }

    public function down(): void
    {
        Schema::drop('leads');
        DB::statement('ALTER TABLE publications DROP CONSTRAINT publications_of_review');
        DB::statement('ALTER TABLE codes DROP CONSTRAINT codes_of_review');
    }
};
