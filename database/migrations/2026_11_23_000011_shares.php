<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('share_outs', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->foreignUlid('stage_id')->constrained();
            $table->string('name', 120);
            // what was shared out and how: pool, sample, seed, decisions, quotas; enough to draw it again
            $table->jsonb('terms');
            $table->bigInteger('seed');
            $table->integer('items');
            $table->foreignUlid('created_by')->constrained('users');
            $table->timestampTz('created_at', 3);
            $table->timestampTz('withdrawn_at', 3)->nullable();
            $table->index(['review_id', 'stage_id', 'id']);
        });
        Schema::create('assignments', function (Blueprint $table): void {
            $table->foreignUlid('review_id')->constrained();
            $table->foreignUlid('stage_id')->constrained();
            $table->foreignUlid('item_id')->constrained()->cascadeOnDelete();
            $table->foreignUlid('user_id')->constrained();
            $table->foreignUlid('share_out_id')->constrained();
            // the item's own, so that the next of a share is found in order without looking at anybody else's
            $table->bigInteger('position');
            $table->primary(['review_id', 'item_id', 'user_id']);
            $table->index(['review_id', 'stage_id', 'user_id', 'position']);
            $table->index('share_out_id');
        });
        Schema::create('item_claims', function (Blueprint $table): void {
            // an item of the common queue that somebody has before them; others get another one until then
            $table->foreignUlid('review_id')->constrained();
            $table->foreignUlid('stage_id')->constrained();
            $table->foreignUlid('item_id')->constrained()->cascadeOnDelete();
            $table->foreignUlid('user_id')->constrained();
            $table->timestampTz('until');
            $table->primary(['review_id', 'item_id', 'user_id']);
            $table->index(['review_id', 'stage_id', 'user_id', 'until']);
        });
        DB::statement('CREATE INDEX items_by_stage_publication ON items (review_id, publication_id, stage_id)');
    }
};
