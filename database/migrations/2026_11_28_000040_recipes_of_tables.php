<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- of which table a recipe takes its columns
            ALTER TABLE export_recipes ADD COLUMN table_of text NOT NULL DEFAULT 'library'
                CHECK (table_of IN ('library', 'coding', 'scouting'));
            -- a row of the library is a publication, one of another table has a key of its own
            ALTER TABLE recipe_exports RENAME COLUMN publication_id TO row_key;
            ALTER TABLE recipe_exports ALTER COLUMN row_key TYPE varchar(64);
            SQL);
    }

    public function down(): void
    {
        DB::unprepared(<<<'SQL'
            DELETE FROM export_recipes WHERE table_of <> 'library';
            ALTER TABLE recipe_exports ALTER COLUMN row_key TYPE char(26);
            ALTER TABLE recipe_exports RENAME COLUMN row_key TO publication_id;
            ALTER TABLE export_recipes DROP COLUMN table_of;
            SQL);
    }
};
