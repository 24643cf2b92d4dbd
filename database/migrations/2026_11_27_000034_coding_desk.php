<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE codes
                ADD COLUMN section varchar(120) NOT NULL DEFAULT '',
                ADD COLUMN pass varchar(10) NOT NULL DEFAULT 'mapping',
                ADD COLUMN examples text NOT NULL DEFAULT '',
                ADD COLUMN synonyms jsonb NOT NULL DEFAULT '[]',
                ADD COLUMN required boolean NOT NULL DEFAULT false,
                ADD COLUMN minimum double precision,
                ADD COLUMN maximum double precision,
                ADD COLUMN when_code_id char(26),
                ADD COLUMN when_answers jsonb NOT NULL DEFAULT '[]',
                ADD FOREIGN KEY (review_id, when_code_id) REFERENCES codes (review_id, id);

            ALTER TABLE reviews
                ADD COLUMN coded_by smallint NOT NULL DEFAULT 1 CHECK (coded_by IN (1, 2)),
                -- which studies the in-depth pass goes to: those with one of these answers; null for all
                ADD COLUMN depth_code_id char(26),
                ADD COLUMN depth_answers jsonb NOT NULL DEFAULT '[]',
                ADD FOREIGN KEY (id, depth_code_id) REFERENCES codes (review_id, id);

            ALTER TABLE answers DISABLE TRIGGER append_only;
            ALTER TABLE answers
                -- value, not-reported or not-applicable
                ADD COLUMN kind varchar(16) NOT NULL DEFAULT 'value',
                ADD COLUMN note text NOT NULL DEFAULT '',
                ADD COLUMN evidence jsonb NOT NULL DEFAULT '[]',
                -- judged from the whole, so that no words are its evidence
                ADD COLUMN from_whole boolean NOT NULL DEFAULT false,
                -- whose own answer it is where two code apart; empty for the one that counts
                ADD COLUMN hand varchar(26) NOT NULL DEFAULT '',
                -- of one that counts where two code apart: agreed, or settled by a person
                ADD COLUMN how varchar(8) NOT NULL DEFAULT '';
            -- a place was typed once; pages that it names are told as pages, anything else is kept as it was written
            UPDATE answers SET evidence = jsonb_build_array(jsonb_build_object(
                'quote', quote, 'prefix', '', 'suffix', '', 'first', -1, 'last', -1, 'boxes', '[]'::jsonb, 'copy', '',
                'page', coalesce((substring(place FROM '(?i)^p(?:age|\.)? ?(\d{1,4})$'))::integer, 0),
                'place', CASE WHEN place ~* '^p(age|\.)? ?\d{1,4}$' OR place = 'abstract' THEN '' ELSE place END))
            WHERE quote <> '' OR place <> '';
            ALTER TABLE answers DROP COLUMN quote, DROP COLUMN place;
            ALTER TABLE answers ENABLE TRIGGER append_only;
            DROP INDEX answers_one_current;
            CREATE UNIQUE INDEX answers_one_current ON answers (review_id, publication_id, code_id, hand)
                WHERE superseded_at IS NULL;

            -- what counts: neither replaced nor cleared, and nobody's own where two code apart
            CREATE VIEW standing_answers AS
                SELECT * FROM answers
                WHERE superseded_at IS NULL AND hand = '' AND (value IS NOT NULL OR kind <> 'value');

            ALTER TABLE full_texts ADD CONSTRAINT full_texts_of_review UNIQUE (review_id, id);
            ALTER TABLE leads ADD COLUMN full_text_id char(26),
                ADD COLUMN kind varchar(16) NOT NULL DEFAULT 'value',
                ALTER COLUMN value DROP NOT NULL,
                ADD FOREIGN KEY (review_id, full_text_id) REFERENCES full_texts (review_id, id);
            CREATE TABLE paper_pages (
                review_id char(26) NOT NULL REFERENCES reviews,
                full_text_id char(26) NOT NULL,
                number smallint NOT NULL,
                -- in points, as the page is shown
                width real NOT NULL,
                height real NOT NULL,
                -- [text, left, top, right, bottom] of each word in the order of the file
                words jsonb NOT NULL,
                -- what begins on it as one reads it: headings, paragraphs, rows of tables
                blocks jsonb NOT NULL DEFAULT '[]',
                PRIMARY KEY (review_id, full_text_id, number),
                FOREIGN KEY (review_id, full_text_id) REFERENCES full_texts (review_id, id) ON DELETE CASCADE
            );
            SQL);
    }
};
