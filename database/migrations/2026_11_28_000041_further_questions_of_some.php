<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        // papers of which it is asked; null: of all that answer
        DB::statement('ALTER TABLE further_questions ADD COLUMN only_of jsonb');
    }

    public function down(): void
    {
        DB::statement('ALTER TABLE further_questions DROP COLUMN only_of');
    }
};
