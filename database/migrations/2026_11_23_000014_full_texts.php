<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('retrievals', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->foreignUlid('publication_id')->constrained()->cascadeOnDelete();
            $table->string('state', 20)->default('sought');
            $table->string('reason', 300)->default('');
            // the day it was requested, came or was given up, which people may tell afterwards
            $table->date('dated');
            $table->foreignUlid('user_id')->nullable()->constrained();
            // what the locker said when it had no copy
            $table->string('locker_answer', 300)->default('');
            $table->timestampTz('locker_asked_at', 3)->nullable();
            // the look-up that asked last, so that one that was cut short knows what it has asked
            $table->foreignUlid('task_id')->nullable()->constrained()->nullOnDelete();
            $table->timestampsTz(3);
            $table->unique(['review_id', 'publication_id']);
        });
        Schema::create('full_texts', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            // null: nobody knows yet what it is a copy of
            $table->foreignUlid('publication_id')->nullable()->constrained()->nullOnDelete();
            $table->char('hash', 64);
            $table->string('name');
            $table->integer('bytes');
            $table->smallInteger('pages')->nullable();
            $table->string('origin', 10);
            // doi, title or person
            $table->string('matched_by', 10)->default('');
            $table->jsonb('offers')->default('[]');
            // the text layer, pages parted by form feeds
            $table->text('text')->default('');
            $table->foreignUlid('user_id')->constrained();
            $table->timestampTz('taken_out_at', 3)->nullable();
            $table->timestampsTz(3);
            $table->index(['review_id', 'publication_id']);
            $table->index(['review_id', 'hash']);
        });
        Schema::create('studies', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->string('name', 200);
            $table->foreignUlid('created_by')->constrained('users');
            $table->timestampsTz(3);
            $table->index('review_id');
        });
        Schema::table('publications', function (Blueprint $table): void {
            $table->foreignUlid('study_id')->nullable()->constrained()->nullOnDelete();
        });
        DB::unprepared(<<<'SQL'
            CREATE INDEX publications_study ON publications (review_id, study_id) WHERE study_id IS NOT NULL;

            -- what has been judged in full was at hand; the rest waits for its text from now on
            INSERT INTO retrievals (id, review_id, publication_id, state, reason, dated, created_at, updated_at)
            SELECT lower(substr(md5(i.id || 'retrieval'), 1, 26)), i.review_id, i.publication_id, 'obtained', 'judged before copies were kept here', now(), now(), now()
            FROM items i JOIN stages s ON s.id = i.stage_id
            WHERE s.purpose = 'full-text' AND EXISTS (SELECT 1 FROM decisions d WHERE d.review_id = i.review_id AND d.item_id = i.id)
            ON CONFLICT DO NOTHING;
            UPDATE items i SET state = 'awaited' FROM stages s
            WHERE s.id = i.stage_id AND s.purpose = 'full-text' AND i.state = 'waiting'
                AND NOT EXISTS (SELECT 1 FROM retrievals r WHERE r.review_id = i.review_id AND r.publication_id = i.publication_id);
            SQL);
    }
};
