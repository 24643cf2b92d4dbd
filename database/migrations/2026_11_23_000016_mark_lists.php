<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('mark_lists', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->foreignUlid('criterion_id')->nullable()->constrained()->nullOnDelete();
            $table->string('name', 80);
            // for or against
            $table->string('stance', 10);
            // one word or phrase a line, as in a query
            $table->text('words');
            $table->foreignUlid('user_id')->constrained();
            $table->timestampsTz(3);
            $table->index('review_id');
        });
    }
};
