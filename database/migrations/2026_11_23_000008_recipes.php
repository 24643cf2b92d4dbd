<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('export_recipes', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->string('name', 80);
            // what each column holds and is called, in order
            $table->jsonb('columns');
            $table->string('format', 8);
            $table->foreignUlid('created_by')->constrained('users');
            $table->timestampsTz();
            $table->unique(['review_id', 'name']);
        });
        Schema::table('log_entries', function (Blueprint $table): void {
            $table->index(['review_id', 'subject_id']);
            $table->index(['review_id', 'blinded_item_id']);
        });
        Schema::table('publications', function (Blueprint $table): void {
            $table->index(['review_id', 'type']);
            $table->index(['review_id', 'language']);
        });
        DB::statement('CREATE INDEX items_by_publication ON items (review_id, publication_id, state)');
        DB::statement("CREATE INDEX publications_without_abstract ON publications (review_id, id) WHERE abstract = ''");
        Schema::create('recipe_exports', function (Blueprint $table): void {
            // what went out last by a recipe, so that only changes go out next time
            $table->foreignUlid('recipe_id')->constrained('export_recipes')->cascadeOnDelete();
            $table->char('publication_id', 26);
            $table->char('hash', 32);
            $table->timestampTz('exported_at');
            $table->primary(['recipe_id', 'publication_id']);
        });
    }
};
