<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // said at the stage itself, so that a review without titles apart asks nothing of each decision
        Schema::table('stages', fn (Blueprint $table) => $table->boolean('after_titles')->default(false));
    }

    public function down(): void
    {
        Schema::table('stages', fn (Blueprint $table) => $table->dropColumn('after_titles'));
    }
};
