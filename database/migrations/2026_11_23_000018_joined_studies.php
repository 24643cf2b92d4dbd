<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('joins', function (Blueprint $table): void {
            // the study that what went was a report of, and whether what is kept became one of it by the join
            $table->foreignUlid('study_id')->nullable()->constrained()->nullOnDelete();
            $table->boolean('study_taken')->default(false);
        });
    }
};
