<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('memberships', function (Blueprint $table): void {
            $table->timestampTz('seen_at', 3)->nullable(); // when this person was last in the review
            $table->timestampTz('visited_at', 3)->nullable(); // the end of the visit before that
        });
    }

    public function down(): void
    {
        Schema::table('memberships', fn (Blueprint $table) => $table->dropColumn(['seen_at', 'visited_at']));
    }
};
