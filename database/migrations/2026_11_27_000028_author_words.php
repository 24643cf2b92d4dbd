<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        // asked by weight, the words of every candidate have to be read; alone, the index answers
        DB::unprepared(<<<'SQL'
            ALTER TABLE publications ADD COLUMN author_words tsvector GENERATED ALWAYS AS (ts_filter(words, '{d}')) STORED;
            CREATE INDEX publications_by_author_words ON publications USING gin (review_id, author_words);
            SQL);
    }

    public function down(): void
    {
        DB::unprepared('ALTER TABLE publications DROP COLUMN author_words');
    }
};
