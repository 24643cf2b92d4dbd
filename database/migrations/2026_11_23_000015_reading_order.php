<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('stages', function (Blueprint $table): void {
            // delivery, likely, uncertain or random
            $table->string('reading_order', 10)->default('delivery');
            $table->smallInteger('random_percent')->default(10);
            // whether any item has a rank, so that stages without one are read without looking for it
            $table->boolean('ranked')->default(false);
        });
        Schema::create('rankings', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->foreignUlid('stage_id')->constrained()->cascadeOnDelete();
            $table->string('reading_order', 10);
            $table->smallInteger('random_percent');
            $table->integer('seed');
            // what it was learned from, all of it open
            $table->integer('judged');
            $table->integer('included');
            $table->integer('ranked');
            $table->jsonb('model')->nullable();
            $table->jsonb('quality')->nullable();
            $table->timestampTz('created_at', 3);
            $table->index(['review_id', 'stage_id', 'id']);
        });
        Schema::create('item_ranks', function (Blueprint $table): void {
            $table->foreignUlid('review_id')->constrained();
            $table->foreignUlid('stage_id')->constrained()->cascadeOnDelete();
            $table->foreignUlid('item_id')->constrained()->cascadeOnDelete();
            $table->integer('rank');
            $table->float('score')->nullable();
            $table->boolean('drawn')->default(false);
            $table->primary(['review_id', 'item_id']);
            $table->index(['review_id', 'stage_id', 'rank']);
        });
        Schema::create('check_samples', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->foreignUlid('stage_id')->constrained()->cascadeOnDelete();
            $table->integer('unread');
            $table->integer('found_before');
            $table->integer('seed');
            $table->jsonb('items');
            $table->foreignUlid('created_by')->constrained('users');
            $table->timestampTz('created_at', 3);
            $table->index(['review_id', 'stage_id', 'id']);
        });
    }
};
