<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE full_texts
                -- the same pages with the words that were read in their pictures; the file as it was brought is kept
                ADD COLUMN read_hash char(64),
                ADD COLUMN read_bytes integer NOT NULL DEFAULT 0,
                ADD COLUMN pictures_read_at timestamptz(3);
            -- page breaks alone were taken for text
            UPDATE full_texts SET state = 'scan' WHERE state = 'read' AND text !~ '\S';
            SQL);
    }

    public function down(): void
    {
        DB::statement('ALTER TABLE full_texts DROP COLUMN read_hash, DROP COLUMN read_bytes, DROP COLUMN pictures_read_at');
    }
};
