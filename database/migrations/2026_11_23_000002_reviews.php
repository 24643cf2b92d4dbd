<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE OR REPLACE FUNCTION forbid_change() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN
                RAISE EXCEPTION '% is append-only', TG_TABLE_NAME USING ERRCODE = 'restrict_violation';
            END $$;

            -- of an append-only row nothing changes but that it stops being the current one, once
            CREATE OR REPLACE FUNCTION only_supersede() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN
                IF OLD.superseded_at IS NULL AND to_jsonb(NEW) - 'superseded_at' = to_jsonb(OLD) - 'superseded_at' THEN
                    RETURN NEW;
                END IF;
                RAISE EXCEPTION '% is append-only', TG_TABLE_NAME USING ERRCODE = 'restrict_violation';
            END $$;
            SQL);

        Schema::create('reviews', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->string('title');
            $table->text('question')->default('');
            $table->foreignUlid('created_by')->constrained('users');
            $table->timestampsTz();
        });
        Schema::create('memberships', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->foreignUlid('user_id')->constrained()->index();
            $table->string('role', 30);
            $table->timestampsTz();
            $table->unique(['review_id', 'user_id']);
        });
        Schema::create('invitations', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->string('email');
            $table->string('role', 30);
            $table->string('token_hash', 64)->unique();
            $table->foreignUlid('invited_by')->constrained('users');
            $table->timestampTz('expires_at');
            $table->timestampTz('accepted_at')->nullable();
            $table->timestampTz('withdrawn_at')->nullable();
            $table->timestampsTz();
            $table->index(['review_id', 'email']);
        });
        Schema::create('concepts', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->string('kind', 20);
            $table->text('text')->default('');
            $table->timestampsTz();
            $table->unique(['review_id', 'kind']);
        });
        Schema::create('criteria', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->integer('position');
            $table->text('question');
            $table->string('reason');
            $table->timestampTz('retired_at')->nullable();
            $table->timestampsTz();
            $table->index(['review_id', 'position']);
        });
        Schema::create('log_entries', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->foreignUlid('user_id')->nullable()->constrained();
            $table->string('action', 60);
            $table->string('subject_type', 40)->nullable();
            $table->ulid('subject_id')->nullable();
            $table->text('summary');
            $table->jsonb('details')->default('{}');
            // while this item is blinded, only its author sees the entry
            $table->ulid('blinded_item_id')->nullable();
            $table->timestampTz('created_at', 3);
            $table->index(['review_id', 'id']);
        });
        Schema::create('tasks', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->foreignUlid('user_id')->constrained();
            $table->string('kind', 30);
            $table->string('title');
            $table->string('state', 12);
            $table->integer('done')->default(0);
            $table->integer('total')->nullable();
            $table->text('message')->default('');
            $table->string('url')->default('');
            $table->timestampTz('cancel_requested_at')->nullable();
            $table->timestampTz('started_at')->nullable();
            $table->timestampTz('finished_at')->nullable();
            $table->timestampTz('seen_at')->nullable();
            $table->timestampsTz();
            $table->index(['review_id', 'state']);
            $table->index(['user_id', 'seen_at']);
        });
        DB::statement('CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON log_entries FOR EACH ROW EXECUTE FUNCTION forbid_change()');
    }
};
