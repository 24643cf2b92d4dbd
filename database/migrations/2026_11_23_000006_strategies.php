<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Illuminate\Support\Str;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('strategies', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->string('name');
            $table->jsonb('sources');
            $table->integer('head')->default(1); // the revision that is shown; undo and redo move it
            $table->foreignUlid('created_by')->constrained('users');
            $table->timestampsTz();
            $table->index(['review_id', 'created_at']);
        });
        Schema::create('strategy_revisions', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->foreignUlid('strategy_id')->constrained();
            $table->integer('number');
            $table->integer('after')->nullable();
            $table->jsonb('content');
            $table->string('change');
            $table->foreignUlid('made_by')->constrained('users');
            $table->timestampTz('made_at');
            $table->unique(['strategy_id', 'number']);
        });
        Schema::create('strategy_versions', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->foreignUlid('strategy_id')->constrained();
            $table->integer('number');
            $table->integer('revision');
            $table->string('note')->default('');
            $table->foreignUlid('frozen_by')->constrained('users');
            $table->timestampTz('frozen_at');
            $table->unique(['strategy_id', 'number']);
            $table->unique(['strategy_id', 'revision']);
        });
        Schema::create('runs', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->foreignUlid('strategy_id')->constrained();
            $table->integer('version');
            $table->string('source', 30);
            $table->string('source_title');
            $table->string('dialect', 120);
            $table->string('holdings')->default('');
            $table->text('query_sent');
            $table->jsonb('lines'); // as sent, with their counts and notes
            $table->integer('total');
            $table->foreignUlid('ran_by')->constrained('users');
            $table->timestampTz('ran_at');
            $table->index(['review_id', 'strategy_id', 'ran_at']);
        });
        // what a database answered for a query while its holdings stayed as they are; belongs to no review
        Schema::create('query_counts', function (Blueprint $table): void {
            $table->string('source', 30);
            $table->string('holdings', 60);
            $table->char('query_hash', 64);
            $table->integer('count');
            $table->timestampTz('counted_at');
            $table->primary(['source', 'holdings', 'query_hash']);
        });
        Schema::create('schemes', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->nullable()->constrained(); // none: published by a source, for everybody
            $table->string('source', 30)->nullable()->unique();
            $table->string('title');
            $table->integer('size');
            $table->char('content_hash', 64);
            $table->foreignUlid('added_by')->nullable()->constrained('users');
            $table->timestampTz('added_at');
            $table->index('review_id');
        });
        Schema::create('scheme_concepts', function (Blueprint $table): void {
            $table->foreignUlid('scheme_id')->constrained()->cascadeOnDelete();
            $table->integer('number');
            $table->text('uri');
            $table->text('label');
            $table->text('folded');
            $table->jsonb('alternatives');
            $table->text('scope_note');
            $table->text('definition');
            $table->jsonb('change_notes');
            $table->jsonb('qualifiers');
            $table->primary(['scheme_id', 'number']);
            $table->unique(['scheme_id', 'folded']);
        });
        DB::statement('ALTER TABLE scheme_concepts ADD broader integer[] NOT NULL, ADD related integer[] NOT NULL, ADD tops integer[] NOT NULL, ADD names text[] NOT NULL, ADD words tsvector NOT NULL');
        DB::statement('CREATE INDEX scheme_concepts_words ON scheme_concepts USING gin (scheme_id, words)');
        DB::statement('CREATE INDEX scheme_concepts_broader ON scheme_concepts USING gin (scheme_id, broader)');
        DB::statement('CREATE INDEX scheme_concepts_names ON scheme_concepts USING gin (scheme_id, names)');
        Schema::create('heading_mappings', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->string('label');
            $table->foreignUlid('scheme_id')->constrained();
            $table->string('stands_for'); // the heading there
            $table->boolean('is_confirmed'); // else somebody said that it is not the same
            $table->foreignUlid('ruled_by')->constrained('users');
            $table->timestampTz('ruled_at');
            $table->unique(['review_id', 'label', 'scheme_id', 'stands_for']);
        });
        Schema::create('known_items', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->text('title');
            $table->string('doi')->default('');
            $table->integer('year')->nullable();
            $table->foreignUlid('added_by')->constrained('users');
            $table->timestampTz('added_at');
            $table->index('review_id');
        });
        Schema::create('dismissed_findings', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->foreignUlid('strategy_id')->constrained();
            $table->string('finding', 400);
            $table->text('reason');
            $table->foreignUlid('dismissed_by')->constrained('users');
            $table->timestampTz('dismissed_at');
            $table->unique(['strategy_id', 'finding']);
        });
        Schema::create('team_dialects', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->string('name', 40);
            $table->text('file');
            $table->foreignUlid('changed_by')->constrained('users');
            $table->timestampsTz();
            $table->unique(['review_id', 'name']);
        });
        Schema::create('translation_marks', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->foreignUlid('strategy_id')->constrained();
            $table->string('line_id', 40);
            $table->string('database', 60);
            $table->char('text_hash', 64); // a mark is for the text that was looked at
            $table->foreignUlid('marked_by')->constrained('users');
            $table->timestampTz('marked_at');
            $table->unique(['strategy_id', 'line_id', 'database']);
        });
        foreach (['strategy_revisions', 'strategy_versions', 'runs'] as $table) {
            DB::statement("CREATE TRIGGER {$table}_stay BEFORE UPDATE OR DELETE ON {$table} FOR EACH ROW EXECUTE FUNCTION forbid_change()");
        }
        Schema::table('deliveries', function (Blueprint $table): void {
            $table->foreignUlid('run_id')->nullable()->constrained();
            $table->string('source_key', 30)->nullable();
            $table->boolean('only_new')->default(false);
            $table->integer('passed_over')->default(0);
        });
        $this->bringSearchesOver();
        Schema::table('deliveries', fn (Blueprint $table) => $table->dropColumn(['search_id', 'query']));
        Schema::drop('searches');
        // what was fetched from a source before is known by the number that it has there
        DB::statement("CREATE INDEX records_accession ON records (review_id, (reference->>'accession'))");
        DB::statement('CREATE INDEX deliveries_run ON deliveries (run_id) WHERE run_id IS NOT NULL');
    }

    /** Every search becomes a strategy of one line, and every fetch a run of its first version. */
    private function bringSearchesOver(): void
    {
        foreach (DB::table('searches')->orderBy('id')->get() as $search) {
            $shared = ['review_id' => $search->review_id, 'strategy_id' => $search->id];
            DB::table('strategies')->insert(['id' => $search->id, 'review_id' => $search->review_id, 'name' => $search->name, 'sources' => json_encode([$search->source]), 'created_by' => $search->created_by, 'created_at' => $search->created_at, 'updated_at' => $search->updated_at]);
            DB::table('strategy_revisions')->insert([...$shared, 'id' => strtolower((string) Str::ulid()), 'number' => 1, 'content' => json_encode(['lines' => [['id' => 'l0', 'text' => $search->query, 'note' => '']], 'result' => null]), 'change' => 'Brought over from a search', 'made_by' => $search->created_by, 'made_at' => $search->updated_at]);
            foreach (DB::table('deliveries')->where('search_id', $search->id)->orderBy('created_at')->get() as $i => $delivery) {
                if ($i === 0) {
                    DB::table('strategy_versions')->insert([...$shared, 'id' => strtolower((string) Str::ulid()), 'number' => 1, 'revision' => 1, 'frozen_by' => $delivery->created_by, 'frozen_at' => $delivery->created_at]);
                }
                $run = strtolower((string) Str::ulid());
                DB::table('runs')->insert([...$shared, 'id' => $run, 'version' => 1, 'source' => $search->source, 'source_title' => $delivery->source_name, 'dialect' => 'cql', 'query_sent' => (string) $delivery->query_sent, 'total' => (int) $delivery->expected, 'ran_by' => $delivery->created_by, 'ran_at' => $delivery->created_at,
                    'lines' => json_encode([['number' => 1, 'text' => $delivery->query, 'sent' => $delivery->query_sent, 'count' => (int) $delivery->expected, 'notes' => []]])]);
                DB::table('deliveries')->where('id', $delivery->id)->update(['run_id' => $run, 'source_key' => $search->source]);
            }
        }
    }
};
