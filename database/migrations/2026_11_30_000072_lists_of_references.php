<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A delivery may be the list of references of a paper that the review has: which copy it was taken from. */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement(<<<'SQL'
            ALTER TABLE deliveries ADD COLUMN full_text_id char(26),
                ADD FOREIGN KEY (review_id, full_text_id) REFERENCES full_texts (review_id, id)
            SQL);
        DB::statement('CREATE INDEX ON deliveries (review_id, full_text_id) WHERE full_text_id IS NOT NULL');
    }

    public function down(): void
    {
        DB::statement('ALTER TABLE deliveries DROP COLUMN full_text_id');
    }
};
