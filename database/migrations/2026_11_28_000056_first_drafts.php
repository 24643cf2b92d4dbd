<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- a whole review as a machine would do it, beside the review; never part of it but where people take it over
            CREATE TABLE drafts (
                id char(26) NOT NULL UNIQUE,
                review_id char(26) NOT NULL,
                scouting_id char(26) NOT NULL,
                -- how many papers are read by title and abstract, and how many of those that fit in full
                depth integer NOT NULL,
                depth_in_full integer NOT NULL,
                -- what the last run changed, in words for people
                changes jsonb NOT NULL DEFAULT '[]',
                asked_by char(26) NOT NULL REFERENCES users,
                -- of the last run that came to its end
                ran_at timestamptz(3),
                seconds double precision,
                told_at timestamptz(3),
                -- counted up by each change that people make, so that none is overlooked by a run under way
                revision integer NOT NULL DEFAULT 1,
                created_at timestamptz(3) NOT NULL,
                updated_at timestamptz(3) NOT NULL,
                PRIMARY KEY (review_id, id),
                UNIQUE (review_id, scouting_id),
                FOREIGN KEY (review_id, scouting_id) REFERENCES scoutings (review_id, id) ON DELETE CASCADE
            );

            CREATE TABLE draft_criteria (
                id char(26) NOT NULL UNIQUE,
                review_id char(26) NOT NULL,
                draft_id char(26) NOT NULL,
                position integer NOT NULL,
                kind varchar(20) NOT NULL,
                words varchar(300) NOT NULL,
                is_on boolean NOT NULL DEFAULT true,
                -- who added or changed it; null while it is as the machine proposed it
                changed_by char(26) REFERENCES users,
                -- of the review, once it is taken over
                criterion_id char(26),
                created_at timestamptz(3) NOT NULL,
                updated_at timestamptz(3) NOT NULL,
                PRIMARY KEY (review_id, id),
                FOREIGN KEY (review_id, draft_id) REFERENCES drafts (review_id, id) ON DELETE CASCADE
            );
            CREATE INDEX draft_criteria_of ON draft_criteria (review_id, draft_id, position);

            CREATE TABLE draft_papers (
                review_id char(26) NOT NULL,
                draft_id char(26) NOT NULL,
                scouted_paper_id char(26) NOT NULL,
                -- in the order of how likely they answer
                position integer NOT NULL,
                -- whether it meets the criteria, by machine or by a person
                is_in boolean NOT NULL DEFAULT false,
                -- in or out by a person, whatever the criteria say
                ruling varchar(3),
                ruled_by char(26) REFERENCES users,
                -- chosen to be read in full, and the copy that was
                in_full boolean NOT NULL DEFAULT false,
                full_text_id char(26),
                taken_at timestamptz(3),
                PRIMARY KEY (review_id, draft_id, scouted_paper_id),
                CHECK (ruling IN ('in', 'out')),
                FOREIGN KEY (review_id, draft_id) REFERENCES drafts (review_id, id) ON DELETE CASCADE,
                FOREIGN KEY (review_id, scouted_paper_id) REFERENCES scouted_papers (review_id, id) ON DELETE CASCADE
            );

            CREATE TABLE draft_answers (
                review_id char(26) NOT NULL,
                draft_criterion_id char(26) NOT NULL,
                scouted_paper_id char(26) NOT NULL,
                answer varchar(10) NOT NULL,
                confidence varchar(10) NOT NULL,
                quote text NOT NULL,
                -- of a full text; null where it is of title or abstract
                page integer,
                full_text_id char(26),
                reason text NOT NULL,
                -- what a person says instead
                ruling varchar(10),
                ruled_by char(26) REFERENCES users,
                PRIMARY KEY (review_id, draft_criterion_id, scouted_paper_id),
                FOREIGN KEY (review_id, draft_criterion_id) REFERENCES draft_criteria (review_id, id) ON DELETE CASCADE,
                FOREIGN KEY (review_id, scouted_paper_id) REFERENCES scouted_papers (review_id, id) ON DELETE CASCADE
            );

            CREATE TABLE draft_items (
                id char(26) NOT NULL UNIQUE,
                review_id char(26) NOT NULL,
                draft_id char(26) NOT NULL,
                position integer NOT NULL,
                name varchar(120) NOT NULL,
                label varchar(300) NOT NULL,
                type varchar(20) NOT NULL,
                instructions text NOT NULL,
                options jsonb NOT NULL DEFAULT '[]',
                unit varchar(60) NOT NULL DEFAULT '',
                synonyms jsonb NOT NULL DEFAULT '[]',
                is_on boolean NOT NULL DEFAULT true,
                changed_by char(26) REFERENCES users,
                code_id char(26),
                created_at timestamptz(3) NOT NULL,
                updated_at timestamptz(3) NOT NULL,
                PRIMARY KEY (review_id, id),
                FOREIGN KEY (review_id, draft_id) REFERENCES drafts (review_id, id) ON DELETE CASCADE
            );
            CREATE INDEX draft_items_of ON draft_items (review_id, draft_id, position);

            CREATE TABLE draft_leads (
                review_id char(26) NOT NULL,
                draft_item_id char(26) NOT NULL,
                scouted_paper_id char(26) NOT NULL,
                -- empty: it is not reported
                value text NOT NULL,
                unit varchar(60) NOT NULL,
                quote text NOT NULL,
                page integer,
                full_text_id char(26),
                confidence varchar(10) NOT NULL,
                reason text NOT NULL,
                PRIMARY KEY (review_id, draft_item_id, scouted_paper_id),
                FOREIGN KEY (review_id, draft_item_id) REFERENCES draft_items (review_id, id) ON DELETE CASCADE,
                FOREIGN KEY (review_id, scouted_paper_id) REFERENCES scouted_papers (review_id, id) ON DELETE CASCADE
            );

            CREATE TABLE draft_sections (
                review_id char(26) NOT NULL,
                draft_id char(26) NOT NULL,
                key varchar(20) NOT NULL,
                position integer NOT NULL,
                title varchar(120) NOT NULL,
                -- of the report's template, where it goes to
                place varchar(20) NOT NULL,
                -- paragraphs of pieces, each with the papers it rests on
                body jsonb NOT NULL,
                -- what it said before the last run that changed it
                before jsonb,
                changed_at timestamptz(3) NOT NULL,
                taken_at timestamptz(3),
                taken_by char(26) REFERENCES users,
                PRIMARY KEY (review_id, draft_id, key),
                FOREIGN KEY (review_id, draft_id) REFERENCES drafts (review_id, id) ON DELETE CASCADE
            );
            SQL);
    }

    public function down(): void
    {
        DB::unprepared(
            'DROP TABLE draft_sections, draft_leads, draft_items, draft_answers, draft_papers, draft_criteria, drafts;',
        );
    }
};
