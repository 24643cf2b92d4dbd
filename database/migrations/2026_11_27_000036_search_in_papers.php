<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- the words that a page is found by, as one reads it: hyphens mended, running heads left out
            ALTER TABLE paper_pages ADD COLUMN found_by tsvector NOT NULL DEFAULT '';
            UPDATE paper_pages SET found_by = words_of((SELECT coalesce(string_agg(one ->> 'text', ' '), '')
                FROM jsonb_array_elements(blocks) AS one));
            CREATE INDEX paper_pages_found_by ON paper_pages USING gin (found_by);
            SQL);
    }

    public function down(): void
    {
        DB::unprepared('ALTER TABLE paper_pages DROP COLUMN found_by;');
    }
};
