<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- who is to code which study, by the report with which it is coded
            CREATE TABLE coding_shares (
                review_id char(26) NOT NULL REFERENCES reviews,
                publication_id char(26) NOT NULL,
                user_id char(26) NOT NULL REFERENCES users,
                given_by char(26) NOT NULL REFERENCES users,
                created_at timestamptz(3) NOT NULL,
                PRIMARY KEY (review_id, publication_id, user_id),
                FOREIGN KEY (review_id, publication_id) REFERENCES publications (review_id, id) ON DELETE CASCADE
            );
            CREATE INDEX coding_shares_of_person ON coding_shares (review_id, user_id);
            SQL);
    }

    public function down(): void
    {
        DB::statement('DROP TABLE coding_shares');
    }
};
