<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        // stretches of time that have a name: name, and from and to in days
        DB::statement("ALTER TABLE outcomes ADD COLUMN windows jsonb NOT NULL DEFAULT '[]'");
    }

    public function down(): void
    {
        DB::statement('ALTER TABLE outcomes DROP COLUMN windows');
    }
};
