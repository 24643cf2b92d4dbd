<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Illuminate\Support\Str;

return new class extends Migration
{
    private const TABLES = ['items', 'decisions', 'proposals', 'settlements', 'tallies'];

    public function up(): void
    {
        Schema::create('stages', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->smallInteger('position');
            $table->string('name', 80);
            $table->string('purpose', 20);
            $table->smallInteger('required_decisions')->default(2);
            $table->boolean('unsure_includes')->default(false);
            $table->boolean('reason_required')->default(true);
            $table->boolean('reasons_must_agree')->default(false);
            $table->string('settled_by', 20)->default('pair');
            // whether the adjudicator sees who said what
            $table->boolean('names_hidden')->default(false);
            // who judges what: everybody anything, each their share, or from one common queue
            $table->string('work', 10)->default('anything');
            // criteria that apply, in order; null is all of the protocol's
            $table->jsonb('criteria')->nullable();
            $table->timestampTz('closed_at', 3)->nullable();
            $table->foreignUlid('closed_by')->nullable()->constrained('users');
            $table->timestampsTz();
            $table->unique(['review_id', 'position']);
        });
        foreach (DB::table('reviews')->orderBy('id')->pluck('id') as $review) {
            DB::table('stages')->insert(['id' => strtolower((string) Str::ulid()), 'review_id' => $review, 'position' => 1, 'name' => 'Title and abstract', 'purpose' => 'title-abstract', 'created_at' => now(), 'updated_at' => now()]);
        }
        foreach (['decisions', 'proposals', 'settlements'] as $table) {
            DB::statement("ALTER TABLE {$table} DISABLE TRIGGER append_only");
        }
        DB::statement('ALTER TABLE items DISABLE TRIGGER tally_updated');
        foreach (self::TABLES as $table) {
            DB::unprepared(<<<SQL
                ALTER TABLE {$table} RENAME COLUMN stage TO stage_id;
                ALTER TABLE {$table} ALTER COLUMN stage_id TYPE varchar(26);
                UPDATE {$table} SET stage_id = stages.id FROM stages WHERE stages.review_id = {$table}.review_id;
                ALTER TABLE {$table} ALTER COLUMN stage_id TYPE char(26);
                ALTER TABLE {$table} ADD FOREIGN KEY (stage_id) REFERENCES stages (id);
                SQL);
        }
        DB::statement('ALTER TABLE items ENABLE TRIGGER tally_updated');
        foreach (['decisions', 'proposals', 'settlements'] as $table) {
            DB::statement("ALTER TABLE {$table} ENABLE TRIGGER append_only");
        }
        DB::unprepared(<<<'SQL'
            -- answers to the criteria one by one: criterion => yes, no or unclear
            ALTER TABLE decisions ADD COLUMN answers jsonb NOT NULL DEFAULT '{}';

            CREATE OR REPLACE FUNCTION tally_inserted() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN
                INSERT INTO tallies SELECT review_id, stage_id, state, count(*) FROM added GROUP BY 1, 2, 3 ORDER BY 1, 2, 3
                ON CONFLICT (review_id, stage_id, state) DO UPDATE SET n = tallies.n + EXCLUDED.n;
                RETURN NULL;
            END $$;
            CREATE OR REPLACE FUNCTION tally_updated() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN
                -- always in the same order, so that two people deciding at once never wait for each other in a circle
                INSERT INTO tallies
                SELECT review_id, stage_id, state, sum(change) FROM (
                    SELECT review_id, stage_id, state, 1 AS change FROM added UNION ALL SELECT review_id, stage_id, state, -1 FROM removed
                ) AS changes GROUP BY 1, 2, 3 HAVING sum(change) <> 0 ORDER BY 1, 2, 3
                ON CONFLICT (review_id, stage_id, state) DO UPDATE SET n = tallies.n + EXCLUDED.n;
                RETURN NULL;
            END $$;
            CREATE OR REPLACE FUNCTION tally_deleted() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN
                INSERT INTO tallies SELECT review_id, stage_id, state, -count(*) FROM removed GROUP BY 1, 2, 3 ORDER BY 1, 2, 3
                ON CONFLICT (review_id, stage_id, state) DO UPDATE SET n = tallies.n + EXCLUDED.n;
                RETURN NULL;
            END $$;
            SQL);
    }
};
