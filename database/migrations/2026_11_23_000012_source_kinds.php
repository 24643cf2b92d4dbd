<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- what a flow diagram tells apart: database, register or other
            ALTER TABLE deliveries ADD COLUMN source_kind varchar(10) NOT NULL DEFAULT 'database';
            UPDATE deliveries SET source_kind = CASE WHEN source_key = 'fen' THEN 'register' WHEN source_name = 'Added by hand' THEN 'other' ELSE 'database' END;
            SQL);
    }
};
