<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        DB::statement('CREATE EXTENSION IF NOT EXISTS btree_gin');

        Schema::create('searches', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->string('name');
            $table->string('source', 30);
            $table->text('query');
            $table->integer('count')->nullable();
            $table->timestampTz('counted_at')->nullable();
            $table->foreignUlid('created_by')->constrained('users');
            $table->timestampsTz();
            $table->index(['review_id', 'created_at']);
        });
        Schema::create('deliveries', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->string('kind', 10);
            $table->string('source_name');
            $table->date('searched_on');
            $table->text('notes')->default('');
            $table->string('file_name')->nullable();
            $table->string('file_hash', 64)->nullable();
            $table->bigInteger('file_size')->nullable();
            $table->foreignUlid('search_id')->nullable()->constrained();
            $table->text('query')->nullable();
            $table->text('query_sent')->nullable();
            $table->foreignUlid('task_id')->nullable()->constrained();
            $table->string('state', 12);
            $table->text('failure')->default('');
            $table->integer('expected')->nullable();
            $table->integer('position')->default(0);
            $table->integer('kept')->default(0);
            $table->integer('rejected')->default(0);
            $table->integer('already_here')->default(0);
            $table->integer('new')->default(0);
            $table->foreignUlid('created_by')->constrained('users');
            $table->timestampTz('finished_at')->nullable();
            $table->timestampsTz();
            $table->index(['review_id', 'created_at']);
            $table->unique(['review_id', 'file_hash']);
        });
        Schema::create('publications', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->text('title');
            $table->text('authors');
            $table->string('first_author');
            $table->smallInteger('year')->nullable();
            $table->text('journal');
            $table->string('place');
            $table->string('doi');
            $table->text('abstract');
            $table->string('type', 20);
            $table->string('language');
            $table->text('sort_title');
            $table->integer('records_count')->default(1);
            $table->timestampsTz();
        });
        DB::unprepared(<<<'SQL'
            ALTER TABLE publications ADD COLUMN words tsvector NOT NULL DEFAULT '';
            CREATE INDEX publications_by_arrival ON publications (review_id, id);
            CREATE INDEX publications_by_title ON publications (review_id, sort_title, id);
            CREATE INDEX publications_by_year ON publications (review_id, (coalesce(year, 0)), id);
            CREATE INDEX publications_by_author ON publications (review_id, first_author, id);
            CREATE INDEX publications_by_records ON publications (review_id, records_count, id);
            CREATE INDEX publications_by_words ON publications USING gin (review_id, words);
            SQL);
        Schema::create('records', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->foreignUlid('delivery_id')->constrained();
            $table->foreignUlid('publication_id')->constrained();
            $table->integer('position');
            $table->integer('line')->default(0);
            $table->string('doi_key')->nullable();
            $table->string('work_key', 32)->nullable();
            $table->timestampTz('separated_at')->nullable();
            $table->jsonb('reference');
            $table->text('source');
            $table->timestampTz('created_at');
            $table->unique(['review_id', 'delivery_id', 'position']);
            $table->index(['review_id', 'publication_id']);
        });
        DB::unprepared(<<<'SQL'
            CREATE INDEX records_by_doi ON records (review_id, doi_key) WHERE doi_key IS NOT NULL AND separated_at IS NULL;
            CREATE INDEX records_by_work ON records (review_id, work_key) WHERE work_key IS NOT NULL AND separated_at IS NULL;

            -- what a source delivered never changes; which publication it belongs to may
            CREATE OR REPLACE FUNCTION keep_record() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN
                IF NEW.source IS DISTINCT FROM OLD.source OR NEW.reference IS DISTINCT FROM OLD.reference OR NEW.delivery_id <> OLD.delivery_id THEN
                    RAISE EXCEPTION 'records are kept as delivered' USING ERRCODE = 'restrict_violation';
                END IF;
                RETURN NEW;
            END $$;
            CREATE TRIGGER kept_as_delivered BEFORE UPDATE ON records FOR EACH ROW EXECUTE FUNCTION keep_record();
            SQL);
        Schema::create('rejections', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->foreignUlid('delivery_id')->constrained();
            $table->integer('position');
            $table->integer('line');
            $table->text('message');
            $table->text('text');
            $table->unique(['review_id', 'delivery_id', 'position']);
        });
    }
};
