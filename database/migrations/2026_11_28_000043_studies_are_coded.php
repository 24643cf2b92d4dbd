<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- the report with which a study is coded; where it is not included any more, the earliest stands in
            ALTER TABLE studies ADD COLUMN carried_by char(26);
            UPDATE studies SET carried_by = most.publication_id FROM (
                SELECT DISTINCT ON (p.study_id) p.study_id, p.id AS publication_id
                FROM publications p
                LEFT JOIN (
                    SELECT review_id, publication_id, count(*) AS n FROM answers WHERE superseded_at IS NULL GROUP BY 1, 2
                ) a ON a.review_id = p.review_id AND a.publication_id = p.id
                WHERE p.study_id IS NOT NULL AND p.merged_into IS NULL
                ORDER BY p.study_id, coalesce(a.n, 0) DESC, p.year NULLS LAST, p.id
            ) AS most WHERE most.study_id = studies.id;

            -- of each study one included report, and each that stands for a study of its own
            CREATE VIEW coded_reports AS
            SELECT DISTINCT ON (i.review_id, i.stage_id, coalesce(p.study_id, p.id))
                i.review_id, i.stage_id, i.publication_id, coalesce(p.study_id, p.id) AS study
            FROM items i
            JOIN publications p ON p.review_id = i.review_id AND p.id = i.publication_id
            LEFT JOIN studies s ON s.id = p.study_id
            WHERE i.state = 'included'
            ORDER BY i.review_id, i.stage_id, coalesce(p.study_id, p.id), (p.id = s.carried_by) DESC NULLS LAST,
                p.year NULLS LAST, p.id;
            SQL);
    }

    public function down(): void
    {
        DB::unprepared('DROP VIEW coded_reports; ALTER TABLE studies DROP COLUMN carried_by;');
    }
};
