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
            // kept by the database, so that what is left of a share is counted from an index
            $table->boolean('waiting')->default(true);
            $table->boolean('judged')->default(false);
            $table->primary(['review_id', 'item_id', 'user_id']);
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
        DB::unprepared(<<<'SQL'
            CREATE INDEX assignments_left ON assignments (review_id, stage_id, user_id, position) WHERE waiting AND NOT judged;
            CREATE INDEX assignments_by_person ON assignments (review_id, stage_id, user_id);
            -- row by row, each by its key: for a statement's rows together the planner would read all assignments
            CREATE OR REPLACE FUNCTION assignment_waits() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN
                UPDATE assignments SET waiting = NEW.state = 'waiting' WHERE review_id = NEW.review_id AND item_id = NEW.id;
                RETURN NULL;
            END $$;
            CREATE OR REPLACE FUNCTION assignment_judged() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN
                -- every change of mind is a row of its own; one without a verdict takes the decision back
                UPDATE assignments SET judged = NEW.verdict IS NOT NULL WHERE review_id = NEW.review_id AND item_id = NEW.item_id AND user_id = NEW.user_id;
                RETURN NULL;
            END $$;
            CREATE TRIGGER assignment_waits AFTER UPDATE OF state ON items FOR EACH ROW WHEN (OLD.state IS DISTINCT FROM NEW.state) EXECUTE FUNCTION assignment_waits();
            CREATE TRIGGER assignment_judged AFTER INSERT ON decisions FOR EACH ROW WHEN (NEW.superseded_at IS NULL) EXECUTE FUNCTION assignment_judged();
            SQL);
        DB::statement('CREATE INDEX items_by_stage_publication ON items (review_id, publication_id, stage_id)');
    }
};
