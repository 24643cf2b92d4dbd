<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE TABLE arms (
                id char(26) NOT NULL PRIMARY KEY,
                review_id char(26) NOT NULL REFERENCES reviews,
                position smallint NOT NULL,
                name varchar(200) NOT NULL,
                -- intervention or comparator
                kind varchar(12) NOT NULL,
                about text NOT NULL DEFAULT '',
                retired_at timestamptz(3),
                created_at timestamptz(3) NOT NULL,
                updated_at timestamptz(3) NOT NULL,
                UNIQUE (review_id, id)
            );
            CREATE TABLE comparisons (
                id char(26) NOT NULL PRIMARY KEY,
                review_id char(26) NOT NULL REFERENCES reviews,
                position smallint NOT NULL,
                intervention_id char(26) NOT NULL,
                comparator_id char(26) NOT NULL,
                retired_at timestamptz(3),
                created_at timestamptz(3) NOT NULL,
                updated_at timestamptz(3) NOT NULL,
                UNIQUE (review_id, id),
                FOREIGN KEY (review_id, intervention_id) REFERENCES arms (review_id, id),
                FOREIGN KEY (review_id, comparator_id) REFERENCES arms (review_id, id)
            );
            CREATE TABLE outcomes (
                id char(26) NOT NULL PRIMARY KEY,
                review_id char(26) NOT NULL REFERENCES reviews,
                position smallint NOT NULL,
                name varchar(200) NOT NULL,
                -- events, means, ratio, correlation or share
                kind varchar(12) NOT NULL,
                -- which end is the better one: lower, higher, or neither
                better varchar(6) NOT NULL DEFAULT '',
                unit varchar(60) NOT NULL DEFAULT '',
                -- [name, low, high, reversed] of what it is measured with
                scales jsonb NOT NULL DEFAULT '[]',
                about text NOT NULL DEFAULT '',
                retired_at timestamptz(3),
                created_at timestamptz(3) NOT NULL,
                updated_at timestamptz(3) NOT NULL,
                UNIQUE (review_id, id)
            );

            -- what a study reports of an outcome, in its own form; a row is changed by one that replaces it
            CREATE TABLE results (
                id char(26) NOT NULL,
                review_id char(26) NOT NULL REFERENCES reviews,
                row_id char(26) NOT NULL,
                publication_id char(26) NOT NULL,
                outcome_id char(26) NOT NULL,
                -- null where one group is described
                comparison_id char(26),
                days integer,
                time_told varchar(120) NOT NULL DEFAULT '',
                scale varchar(120) NOT NULL DEFAULT '',
                -- the study's own words for its groups
                own_intervention varchar(200) NOT NULL DEFAULT '',
                own_comparator varchar(200) NOT NULL DEFAULT '',
                form varchar(24) NOT NULL,
                design varchar(12) NOT NULL DEFAULT 'parallel',
                -- each number as it stands in the report, by its field
                given jsonb NOT NULL,
                -- what each rests on, by its field
                evidence jsonb NOT NULL DEFAULT '{}',
                note text NOT NULL DEFAULT '',
                withdrawn boolean NOT NULL DEFAULT false,
                user_id char(26) NOT NULL REFERENCES users,
                superseded_at timestamptz(3),
                created_at timestamptz(3) NOT NULL,
                PRIMARY KEY (review_id, id),
                FOREIGN KEY (review_id, publication_id) REFERENCES publications (review_id, id),
                FOREIGN KEY (review_id, outcome_id) REFERENCES outcomes (review_id, id),
                FOREIGN KEY (review_id, comparison_id) REFERENCES comparisons (review_id, id)
            );
            CREATE UNIQUE INDEX results_one_current ON results (review_id, row_id) WHERE superseded_at IS NULL;
            CREATE INDEX results_of_publication ON results (review_id, publication_id);
            CREATE INDEX results_of_outcome ON results (review_id, outcome_id) WHERE superseded_at IS NULL AND NOT withdrawn;
            CREATE TRIGGER append_only BEFORE UPDATE ON results FOR EACH ROW EXECUTE FUNCTION only_supersede();
            -- what counts: neither replaced nor withdrawn
            CREATE VIEW standing_results AS SELECT * FROM results WHERE superseded_at IS NULL AND NOT withdrawn;

            CREATE TABLE analyses (
                id char(26) NOT NULL PRIMARY KEY,
                review_id char(26) NOT NULL REFERENCES reviews,
                title varchar(200) NOT NULL,
                -- which results are pooled and how, so that it can be run again
                terms jsonb NOT NULL,
                user_id char(26) NOT NULL REFERENCES users,
                retired_at timestamptz(3),
                created_at timestamptz(3) NOT NULL,
                updated_at timestamptz(3) NOT NULL,
                UNIQUE (review_id, id)
            );
            CREATE INDEX analyses_of_review ON analyses (review_id);
            SQL);
    }

    public function down(): void
    {
        DB::unprepared('DROP VIEW standing_results; DROP TABLE analyses, results, outcomes, comparisons, arms;');
    }
};
