<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared('ALTER TABLE reading_links ADD COLUMN with_texts boolean NOT NULL DEFAULT false;');
    }

    public function down(): void
    {
        DB::unprepared('ALTER TABLE reading_links DROP COLUMN with_texts;');
    }
};
