<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        // the filters of the library as its address has them, and in words; recipes from before are of all publications
        DB::statement("ALTER TABLE export_recipes ADD COLUMN filter jsonb NOT NULL DEFAULT '{}', ADD COLUMN filter_words text NOT NULL DEFAULT ''");
    }
};
