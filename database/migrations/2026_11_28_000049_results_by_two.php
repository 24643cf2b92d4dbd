<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE results
                -- whose own it is where two code apart; empty for the one that counts
                ADD COLUMN hand varchar(26) NOT NULL DEFAULT '',
                -- of one that counts where two code apart: agreed, or settled by a person
                ADD COLUMN how varchar(8) NOT NULL DEFAULT '',
                -- the rows of coders that it rests on
                ADD COLUMN of_rows jsonb NOT NULL DEFAULT '[]';
            CREATE OR REPLACE VIEW standing_results AS
                SELECT * FROM results WHERE superseded_at IS NULL AND NOT withdrawn AND hand = '';
            SQL);
    }

    /** What coders took themselves is kept as replaced. */
    public function down(): void
    {
        DB::unprepared(<<<'SQL'
            DROP VIEW standing_results;
            ALTER TABLE results DISABLE TRIGGER append_only;
            UPDATE results SET superseded_at = now() WHERE hand <> '' AND superseded_at IS NULL;
            ALTER TABLE results ENABLE TRIGGER append_only;
            ALTER TABLE results DROP COLUMN hand, DROP COLUMN how, DROP COLUMN of_rows;
            CREATE VIEW standing_results AS SELECT * FROM results WHERE superseded_at IS NULL AND NOT withdrawn;
            SQL);
    }
};
