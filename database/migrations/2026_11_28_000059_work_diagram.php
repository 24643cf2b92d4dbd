<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        // how the diagram of work is worded and laid out; its numbers are counted
        DB::unprepared(<<<'SQL'
            ALTER TABLE reviews ADD COLUMN work_captions jsonb NOT NULL DEFAULT '{}',
                ADD COLUMN work_columns smallint NOT NULL DEFAULT 3;
            SQL);
    }

    public function down(): void
    {
        DB::unprepared('ALTER TABLE reviews DROP COLUMN work_captions, DROP COLUMN work_columns;');
    }
};
