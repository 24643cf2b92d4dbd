<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- strategies that are run again by themselves
            CREATE TABLE standing_searches (
                id char(26) NOT NULL UNIQUE,
                review_id char(26) NOT NULL REFERENCES reviews,
                strategy_id char(26) NOT NULL,
                every varchar(10) NOT NULL,
                next_at timestamptz(3) NOT NULL,
                -- whether what is certain is joined without asking
                joins boolean NOT NULL,
                -- among whom what is new is shared out; empty: it waits as the stage is worked
                people jsonb NOT NULL DEFAULT '[]',
                -- in whose name
                set_by char(26) NOT NULL REFERENCES users,
                ended_at timestamptz(3),
                created_at timestamptz(3) NOT NULL,
                updated_at timestamptz(3) NOT NULL,
                PRIMARY KEY (review_id, id),
                UNIQUE (review_id, strategy_id)
            );
            CREATE INDEX standing_searches_due ON standing_searches (next_at) WHERE ended_at IS NULL;

            -- each time that one was, and how far it has come
            CREATE TABLE search_rounds (
                id char(26) NOT NULL UNIQUE,
                review_id char(26) NOT NULL,
                standing_search_id char(26) NOT NULL,
                task_id char(26),
                step varchar(10) NOT NULL,
                runs jsonb NOT NULL DEFAULT '[]',
                deliveries jsonb NOT NULL DEFAULT '[]',
                matching_id char(26),
                share_out_id char(26),
                records integer NOT NULL DEFAULT 0,
                publications integer NOT NULL DEFAULT 0,
                trouble text NOT NULL DEFAULT '',
                began_at timestamptz(3) NOT NULL,
                ended_at timestamptz(3),
                PRIMARY KEY (review_id, id),
                FOREIGN KEY (review_id, standing_search_id) REFERENCES standing_searches (review_id, id) ON DELETE CASCADE
            );
            CREATE INDEX search_rounds_of ON search_rounds (review_id, standing_search_id, id);

            -- what a review had come to when it was handed out; what comes later is told apart in the flow diagram
            CREATE TABLE review_versions (
                id char(26) NOT NULL UNIQUE,
                review_id char(26) NOT NULL REFERENCES reviews,
                number integer NOT NULL,
                name varchar(120) NOT NULL,
                studies integer NOT NULL,
                reports integer NOT NULL,
                -- ids of the publications that were included
                included jsonb NOT NULL,
                closed_by char(26) NOT NULL REFERENCES users,
                closed_at timestamptz(3) NOT NULL,
                PRIMARY KEY (review_id, id),
                UNIQUE (review_id, number)
            );
            CREATE INDEX records_by_time ON records (review_id, created_at);
            SQL);
    }

    public function down(): void
    {
        DB::unprepared('DROP TABLE review_versions, search_rounds, standing_searches; DROP INDEX records_by_time;');
    }
};
