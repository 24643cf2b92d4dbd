<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // Krippendorff's alpha that the team wants to reach before it goes on; none where nothing was agreed
        Schema::table('stages', fn (Blueprint $table) => $table->decimal('target', 3, 2)->nullable());
    }

    public function down(): void
    {
        Schema::table('stages', fn (Blueprint $table) => $table->dropColumn('target'));
    }
};
