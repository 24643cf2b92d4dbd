<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- a better copy of the same publication, in which the evidence of this one is shown
            ALTER TABLE full_texts
                ADD COLUMN replaced_by char(26),
                ADD FOREIGN KEY (review_id, replaced_by) REFERENCES full_texts (review_id, id),
                ADD CHECK (replaced_by <> id);
            CREATE INDEX full_texts_replaced ON full_texts (review_id) WHERE replaced_by IS NOT NULL;
            SQL);
    }

    public function down(): void
    {
        DB::statement('ALTER TABLE full_texts DROP COLUMN replaced_by');
    }
};
