<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('items', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->foreignUlid('publication_id')->constrained();
            $table->string('stage', 20);
            $table->string('state', 20)->default('waiting');
            $table->string('kind', 20)->nullable();
            $table->boolean('settled')->default(false);
            $table->foreignUlid('criterion_id')->nullable()->constrained('criteria');
            $table->timestampTz('opened_at', 3)->nullable();
            $table->bigInteger('position')->generatedAs()->always();
            $table->timestampsTz();
            $table->unique(['review_id', 'stage', 'publication_id']);
            $table->index(['review_id', 'stage', 'state', 'position']);
        });
        $judgement = function (string $name, bool $verdictRequired): void {
            Schema::create($name, function (Blueprint $table) use ($verdictRequired): void {
                $table->ulid('id')->primary();
                $table->foreignUlid('review_id')->constrained();
                $table->foreignUlid('item_id')->constrained();
                $table->string('stage', 20);
                $table->foreignUlid('user_id')->constrained();
                $table->string('verdict', 10)->nullable(! $verdictRequired);
                $table->foreignUlid('criterion_id')->nullable()->constrained('criteria');
                $table->text('note')->default('');
                $table->timestampTz('created_at', 3);
                $table->timestampTz('superseded_at', 3)->nullable();
            });
            DB::statement("CREATE TRIGGER append_only BEFORE UPDATE ON {$name} FOR EACH ROW EXECUTE FUNCTION only_supersede()");
            DB::statement("CREATE TRIGGER never_deleted BEFORE DELETE ON {$name} FOR EACH ROW EXECUTE FUNCTION forbid_change()");
        };
        // a decision without a verdict is one taken back
        $judgement('decisions', false);
        $judgement('proposals', true);
        $judgement('settlements', true);
        DB::unprepared(<<<'SQL'
            ALTER TABLE decisions ADD COLUMN client_key varchar(40);
            CREATE UNIQUE INDEX decisions_one_current ON decisions (review_id, item_id, user_id) WHERE superseded_at IS NULL;
            CREATE UNIQUE INDEX decisions_once ON decisions (review_id, user_id, client_key) WHERE client_key IS NOT NULL;
            CREATE INDEX decisions_by_person ON decisions (review_id, stage, user_id, created_at) WHERE superseded_at IS NULL AND verdict IS NOT NULL;
            CREATE UNIQUE INDEX proposals_one_current ON proposals (review_id, item_id, user_id) WHERE superseded_at IS NULL;
            ALTER TABLE settlements ADD COLUMN how varchar(12) NOT NULL;
            CREATE UNIQUE INDEX settlements_one_current ON settlements (review_id, item_id) WHERE superseded_at IS NULL;

            -- how many items are in each state, kept by the database so that no page has to count them
            CREATE TABLE tallies (
                review_id char(26) NOT NULL REFERENCES reviews (id), stage varchar(20) NOT NULL, state varchar(20) NOT NULL, n integer NOT NULL,
                PRIMARY KEY (review_id, stage, state)
            );
            CREATE OR REPLACE FUNCTION tally_inserted() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN
                INSERT INTO tallies SELECT review_id, stage, state, count(*) FROM added GROUP BY 1, 2, 3 ORDER BY 1, 2, 3
                ON CONFLICT (review_id, stage, state) DO UPDATE SET n = tallies.n + EXCLUDED.n;
                RETURN NULL;
            END $$;
            CREATE OR REPLACE FUNCTION tally_updated() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN
                -- always in the same order, so that two people deciding at once never wait for each other in a circle
                INSERT INTO tallies
                SELECT review_id, stage, state, sum(change) FROM (
                    SELECT review_id, stage, state, 1 AS change FROM added UNION ALL SELECT review_id, stage, state, -1 FROM removed
                ) AS changes GROUP BY 1, 2, 3 HAVING sum(change) <> 0 ORDER BY 1, 2, 3
                ON CONFLICT (review_id, stage, state) DO UPDATE SET n = tallies.n + EXCLUDED.n;
                RETURN NULL;
            END $$;
            CREATE OR REPLACE FUNCTION tally_deleted() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN
                INSERT INTO tallies SELECT review_id, stage, state, -count(*) FROM removed GROUP BY 1, 2, 3 ORDER BY 1, 2, 3
                ON CONFLICT (review_id, stage, state) DO UPDATE SET n = tallies.n + EXCLUDED.n;
                RETURN NULL;
            END $$;
            CREATE TRIGGER tally_inserted AFTER INSERT ON items REFERENCING NEW TABLE AS added FOR EACH STATEMENT EXECUTE FUNCTION tally_inserted();
            CREATE TRIGGER tally_updated AFTER UPDATE ON items REFERENCING NEW TABLE AS added OLD TABLE AS removed FOR EACH STATEMENT EXECUTE FUNCTION tally_updated();
            CREATE TRIGGER tally_deleted AFTER DELETE ON items REFERENCING OLD TABLE AS removed FOR EACH STATEMENT EXECUTE FUNCTION tally_deleted();
            SQL);
        Schema::create('talk_messages', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('review_id')->constrained();
            $table->foreignUlid('item_id')->constrained();
            $table->foreignUlid('user_id')->constrained();
            $table->text('body');
            $table->timestampTz('created_at', 3);
            $table->index(['review_id', 'item_id', 'id']);
        });
    }
};
