<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- its arms, sites, outcomes: what an item may be asked of one by one
            CREATE TABLE study_parts (
                review_id char(26) NOT NULL REFERENCES reviews,
                id char(26) NOT NULL,
                -- the report with which its study is coded
                publication_id char(26) NOT NULL,
                -- arm, or what the codebook calls it
                kind varchar(40) NOT NULL,
                position smallint NOT NULL,
                -- as the study calls it
                name varchar(200) NOT NULL,
                -- which group of the review it is
                arm_id char(26),
                retired_at timestamptz(3),
                created_at timestamptz(3) NOT NULL,
                updated_at timestamptz(3) NOT NULL,
                PRIMARY KEY (review_id, id),
                FOREIGN KEY (review_id, publication_id) REFERENCES publications (review_id, id) ON DELETE CASCADE,
                FOREIGN KEY (review_id, arm_id) REFERENCES arms (review_id, id)
            );
            CREATE UNIQUE INDEX study_parts_by_name ON study_parts (review_id, publication_id, kind, lower(name))
                WHERE retired_at IS NULL;

            -- empty where it is asked once of the study
            ALTER TABLE codes ADD COLUMN per varchar(40) NOT NULL DEFAULT '';
            ALTER TABLE answers ADD COLUMN part_id char(26),
                ADD FOREIGN KEY (review_id, part_id) REFERENCES study_parts (review_id, id);
            ALTER TABLE leads ADD COLUMN part_id char(26),
                ADD FOREIGN KEY (review_id, part_id) REFERENCES study_parts (review_id, id);
            DROP INDEX answers_one_current, leads_one_waiting;
            CREATE UNIQUE INDEX answers_one_current ON answers (review_id, publication_id, code_id, hand, part_id)
                NULLS NOT DISTINCT WHERE superseded_at IS NULL;
            CREATE UNIQUE INDEX leads_one_waiting ON leads (review_id, publication_id, code_id, part_id)
                NULLS NOT DISTINCT WHERE ruling = 'waiting';

            DROP VIEW standing_answers;
            -- what counts, part by part: neither replaced nor cleared, and nobody's own where two code apart
            CREATE VIEW answers_by_part AS
                SELECT * FROM answers
                WHERE superseded_at IS NULL AND hand = '' AND (value IS NOT NULL OR kind <> 'value');
            -- the same, one row for a study and an item: what is said of several parts is a list of what is said, each once
            CREATE VIEW standing_answers AS
                SELECT id, review_id, publication_id, code_id, user_id, kind, value, evidence, note, from_whole, how,
                    created_at, NULL::jsonb AS parts
                FROM answers_by_part WHERE part_id IS NULL
                UNION ALL
                SELECT id, review_id, publication_id, code_id, user_id,
                    CASE WHEN has_value THEN 'value' ELSE kind END,
                    (SELECT jsonb_agg(DISTINCT said) FROM jsonb_path_query(parts, 'lax $.*.value[*]') AS said
                        WHERE said <> 'null'),
                    jsonb_path_query_array(parts, 'lax $.*.evidence[*]'), note, from_whole, how, created_at, parts
                FROM (
                    SELECT min(id) AS id, review_id, publication_id, code_id, max(user_id) AS user_id, min(kind) AS kind,
                        bool_or(kind = 'value') AS has_value,
                        jsonb_object_agg(part_id, jsonb_build_object('kind', kind, 'value', value, 'evidence', evidence))
                            AS parts,
                        string_agg(nullif(note, ''), ' / ' ORDER BY part_id) AS note, bool_and(from_whole) AS from_whole,
                        max(how) AS how, max(created_at) AS created_at
                    FROM answers_by_part WHERE part_id IS NOT NULL
                    GROUP BY review_id, publication_id, code_id
                ) AS of_parts;
            SQL);
    }

    /** What was answered of parts is not kept by it. */
    public function down(): void
    {
        DB::unprepared(<<<'SQL'
            DROP VIEW standing_answers, answers_by_part;
            ALTER TABLE answers DISABLE TRIGGER append_only;
            UPDATE answers SET superseded_at = now() WHERE part_id IS NOT NULL AND superseded_at IS NULL;
            ALTER TABLE answers ENABLE TRIGGER append_only;
            DELETE FROM leads WHERE part_id IS NOT NULL;
            ALTER TABLE answers DROP COLUMN part_id;
            ALTER TABLE leads DROP COLUMN part_id;
            ALTER TABLE codes DROP COLUMN per;
            DROP TABLE study_parts;
            CREATE UNIQUE INDEX answers_one_current ON answers (review_id, publication_id, code_id, hand)
                WHERE superseded_at IS NULL;
            CREATE UNIQUE INDEX leads_one_waiting ON leads (review_id, publication_id, code_id) WHERE ruling = 'waiting';
            CREATE VIEW standing_answers AS
                SELECT * FROM answers
                WHERE superseded_at IS NULL AND hand = '' AND (value IS NOT NULL OR kind <> 'value');
            SQL);
    }
};
