<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- a question in plain words, asked of databases and of the review's library
            CREATE TABLE scoutings (
                id char(26) NOT NULL UNIQUE,
                review_id char(26) NOT NULL REFERENCES reviews,
                question varchar(500) NOT NULL,
                sources jsonb NOT NULL,
                -- how many candidates are taken from each
                depth integer NOT NULL,
                -- candidates that each has, by source; null until it was asked
                found jsonb NOT NULL DEFAULT '{}',
                -- what went wrong, in words for people
                trouble text NOT NULL DEFAULT '',
                asked_by char(26) NOT NULL REFERENCES users,
                ran_at timestamptz(3),
                -- papers that came after this are new
                new_since timestamptz(3),
                runs integer NOT NULL DEFAULT 0,
                created_at timestamptz(3) NOT NULL,
                updated_at timestamptz(3) NOT NULL,
                PRIMARY KEY (review_id, id)
            );

            -- what was read for it; never part of the review
            CREATE TABLE scouted_papers (
                id char(26) NOT NULL UNIQUE,
                review_id char(26) NOT NULL,
                scouting_id char(26) NOT NULL,
                -- the same paper has the same key whenever it is found
                key varchar(300) NOT NULL,
                source varchar(40) NOT NULL,
                publication_id char(26),
                reference jsonb NOT NULL,
                score double precision NOT NULL,
                sentence text NOT NULL,
                -- of a full text; null where it is of the abstract
                page integer,
                direction varchar(20),
                confidence varchar(10) NOT NULL,
                reason text NOT NULL,
                design varchar(30) NOT NULL,
                thrown_out_at timestamptz(3),
                thrown_out_by char(26) REFERENCES users,
                created_at timestamptz(3) NOT NULL,
                updated_at timestamptz(3) NOT NULL,
                PRIMARY KEY (review_id, id),
                UNIQUE (review_id, scouting_id, key),
                FOREIGN KEY (review_id, scouting_id) REFERENCES scoutings (review_id, id) ON DELETE CASCADE,
                FOREIGN KEY (review_id, publication_id) REFERENCES publications (review_id, id)
            );
            CREATE INDEX scouted_papers_best ON scouted_papers (review_id, scouting_id, score DESC, id);

            CREATE TABLE further_questions (
                id char(26) NOT NULL UNIQUE,
                review_id char(26) NOT NULL,
                scouting_id char(26) NOT NULL,
                label varchar(300) NOT NULL,
                -- of the codebook, where it is one of its items
                code_id char(26),
                asked_by char(26) NOT NULL REFERENCES users,
                created_at timestamptz(3) NOT NULL,
                updated_at timestamptz(3) NOT NULL,
                PRIMARY KEY (review_id, id),
                UNIQUE (review_id, scouting_id, label),
                FOREIGN KEY (review_id, scouting_id) REFERENCES scoutings (review_id, id) ON DELETE CASCADE
            );

            CREATE TABLE further_answers (
                review_id char(26) NOT NULL,
                further_question_id char(26) NOT NULL,
                scouted_paper_id char(26) NOT NULL,
                -- empty: it is not reported
                value text NOT NULL,
                unit varchar(60) NOT NULL,
                quote text NOT NULL,
                page integer,
                confidence varchar(10) NOT NULL,
                reason text NOT NULL,
                PRIMARY KEY (review_id, further_question_id, scouted_paper_id),
                FOREIGN KEY (review_id, further_question_id) REFERENCES further_questions (review_id, id) ON DELETE CASCADE,
                FOREIGN KEY (review_id, scouted_paper_id) REFERENCES scouted_papers (review_id, id) ON DELETE CASCADE
            );
            SQL);
    }

    public function down(): void
    {
        DB::unprepared('DROP TABLE further_answers, further_questions, scouted_papers, scoutings;');
    }
};
