<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('deliveries', function (Blueprint $table): void {
            $table->string('platform', 120)->default('');
            $table->string('format', 12)->default('');
            $table->string('remarks')->default('');
            // how a table is read: columns by number, delimiter, encoding
            $table->jsonb('reading')->default('{}');
            $table->timestampTz('withdrawn_at')->nullable();
        });
        Schema::table('rejections', function (Blueprint $table): void {
            $table->timestampTz('mended_at')->nullable();
            $table->foreignUlid('mended_by')->nullable()->constrained('users');
        });
        Schema::table('records', function (Blueprint $table): void {
            $table->timestampTz('withdrawn_at')->nullable();
        });
        Schema::table('publications', function (Blueprint $table): void {
            // one that people had worked on before it was found to be another; its work stays under it
            $table->foreignUlid('merged_into')->nullable()->constrained('publications');
            // values that people chose or wrote instead of the records' own: field => {value, by, at}
            $table->jsonb('chosen')->default('{}');
        });
        Schema::table('items', function (Blueprint $table): void {
            $table->timestampTz('folded_at', 3)->nullable();
        });
        DB::unprepared(<<<'SQL'
            ALTER TABLE records ALTER COLUMN publication_id DROP NOT NULL;
            CREATE INDEX publications_merged ON publications (review_id, merged_into) WHERE merged_into IS NOT NULL;
            CREATE INDEX records_by_delivery ON records (review_id, delivery_id, publication_id);
            SQL);

        Schema::create('matchings', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->foreignUlid('created_by')->nullable()->constrained('users');
            $table->foreignUlid('task_id')->nullable()->constrained();
            $table->string('state', 12);
            $table->jsonb('settings');
            $table->jsonb('weights')->nullable();
            $table->integer('records')->default(0);
            $table->text('failure')->default('');
            $table->timestampTz('finished_at')->nullable();
            $table->timestampsTz();
            $table->index(['review_id', 'id']);
        });
        Schema::create('match_pairs', function (Blueprint $table): void {
            $table->foreignUlid('matching_id')->constrained();
            $table->foreignUlid('review_id')->constrained();
            $table->foreignUlid('record_a')->constrained('records');
            $table->foreignUlid('record_b')->constrained('records');
            $table->bigInteger('code');
            $table->float('score');
            $table->float('rarity')->nullable();
            $table->string('verdict', 10);
            $table->primary(['matching_id', 'record_a', 'record_b']);
            $table->index(['review_id', 'matching_id', 'verdict', 'score']);
        });
        Schema::create('rulings', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->foreignUlid('record_a')->constrained('records');
            $table->foreignUlid('record_b')->constrained('records');
            $table->string('ruling', 10);
            $table->foreignUlid('user_id')->constrained();
            // what was ruled by one stroke of a key is undone by one
            $table->string('stroke', 26);
            $table->timestampTz('created_at', 3);
            $table->timestampTz('superseded_at', 3)->nullable();
            $table->index(['review_id', 'stroke']);
        });
        Schema::create('joins', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->foreignUlid('matching_id')->nullable()->constrained();
            $table->foreignUlid('user_id')->nullable()->constrained();
            $table->string('stroke', 26);
            $table->char('kept', 26);
            $table->char('gone', 26);
            $table->jsonb('records');
            $table->boolean('folded');
            $table->jsonb('chosen')->default('{}');
            $table->timestampTz('created_at', 3);
            $table->timestampTz('undone_at', 3)->nullable();
            $table->foreignUlid('undone_by')->nullable()->constrained('users');
            $table->index(['review_id', 'matching_id', 'id']);
            $table->index(['review_id', 'stroke']);
        });
        DB::unprepared(<<<'SQL'
            CREATE UNIQUE INDEX rulings_one_current ON rulings (review_id, record_a, record_b) WHERE superseded_at IS NULL;
            CREATE TRIGGER append_only BEFORE UPDATE ON rulings FOR EACH ROW EXECUTE FUNCTION only_supersede();
            CREATE TRIGGER never_deleted BEFORE DELETE ON rulings FOR EACH ROW EXECUTE FUNCTION forbid_change();
            CREATE INDEX joins_by_kept ON joins (review_id, kept) WHERE undone_at IS NULL;
            SQL);
        Schema::create('claims', function (Blueprint $table): void {
            // a group at the Pairing Desk that somebody has open, so that two do not judge the same
            $table->foreignUlid('review_id')->constrained();
            $table->foreignUlid('record_id')->constrained();
            $table->foreignUlid('user_id')->constrained();
            $table->timestampTz('until');
            $table->primary(['review_id', 'record_id']);
        });
        Schema::create('publication_tags', function (Blueprint $table): void {
            $table->foreignUlid('review_id')->constrained();
            $table->foreignUlid('publication_id')->constrained();
            $table->string('tag', 60);
            $table->foreignUlid('user_id')->constrained();
            $table->timestampTz('created_at');
            $table->primary(['review_id', 'publication_id', 'tag']);
            $table->index(['review_id', 'tag', 'publication_id']);
        });
        Schema::create('source_readings', function (Blueprint $table): void {
            // how the tables of one source are read, remembered by its name
            $table->foreignUlid('review_id')->constrained();
            $table->string('source_name');
            $table->jsonb('reading');
            $table->timestampTz('updated_at');
            $table->primary(['review_id', 'source_name']);
        });
        Schema::table('reviews', function (Blueprint $table): void {
            $table->jsonb('match_settings')->nullable();
        });
    }
};
