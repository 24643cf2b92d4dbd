<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * How much each person has judged at a stage and has still to judge, which every page says: counted, it took as long as
 * their share was large. Each change is a row that is added, so that nobody waits for anybody; readers take the sum,
 * and now and then a decision puts a stage's rows together.
 */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE TABLE person_tallies (
                review_id char(26) NOT NULL,
                stage_id char(26) NOT NULL,
                user_id char(26) NOT NULL,
                id bigint GENERATED ALWAYS AS IDENTITY,
                judged integer NOT NULL,
                unopened integer NOT NULL,
                to_judge integer NOT NULL,
                PRIMARY KEY (review_id, stage_id, user_id, id),
                FOREIGN KEY (stage_id, review_id) REFERENCES stages (id, review_id) ON DELETE CASCADE
            );
            COMMENT ON COLUMN person_tallies.judged IS 'current decisions with a verdict';
            COMMENT ON COLUMN person_tallies.unopened IS 'those of them whose item has not opened';
            COMMENT ON COLUMN person_tallies.to_judge IS 'of their share: waits, and they have not judged it';

            INSERT INTO person_tallies (review_id, stage_id, user_id, judged, unopened, to_judge)
            SELECT review_id, stage_id, user_id, sum(judged), sum(unopened), sum(to_judge) FROM (
                SELECT d.review_id, d.stage_id, d.user_id, 1 AS judged, (i.state = 'waiting')::integer AS unopened, 0 AS to_judge
                FROM decisions d JOIN items i ON i.review_id = d.review_id AND i.id = d.item_id
                WHERE d.superseded_at IS NULL AND d.verdict IS NOT NULL
                UNION ALL
                SELECT review_id, stage_id, user_id, 0, 0, 1 FROM assignments WHERE waiting AND NOT judged
            ) AS work GROUP BY 1, 2, 3;
            SQL);
        $this->ofDecisions();
        $this->ofItems();
        $this->ofShares();
    }

    /** The states of items are looked up one by one, each by its key, however few or many rows a plan was made for. */
    private function ofDecisions(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE OR REPLACE FUNCTION put_person_tallies_together(char, char) RETURNS void LANGUAGE sql AS $$
                -- rows that somebody else puts together just now are left to them
                WITH gone AS (
                    DELETE FROM person_tallies WHERE ctid = ANY (ARRAY(
                        SELECT ctid FROM person_tallies WHERE review_id = $1 AND stage_id = $2 FOR UPDATE SKIP LOCKED
                    )) RETURNING user_id, judged, unopened, to_judge
                )
                INSERT INTO person_tallies (review_id, stage_id, user_id, judged, unopened, to_judge)
                SELECT $1, $2, user_id, sum(judged), sum(unopened), sum(to_judge) FROM gone GROUP BY user_id
                HAVING sum(judged) <> 0 OR sum(unopened) <> 0 OR sum(to_judge) <> 0;
            $$;
            CREATE OR REPLACE FUNCTION person_tally_of_decided() RETURNS trigger LANGUAGE plpgsql AS $$
            DECLARE here record;
            BEGIN
                INSERT INTO person_tallies (review_id, stage_id, user_id, judged, unopened, to_judge)
                SELECT d.review_id, d.stage_id, d.user_id, count(*), count(*) FILTER (WHERE i.state = 'waiting'), 0
                FROM added d CROSS JOIN LATERAL (
                    SELECT state FROM items WHERE items.review_id = d.review_id AND items.id = d.item_id OFFSET 0
                ) AS i
                WHERE d.superseded_at IS NULL AND d.verdict IS NOT NULL GROUP BY 1, 2, 3;
                IF random() < 0.02 THEN
                    FOR here IN SELECT DISTINCT review_id, stage_id FROM added LOOP
                        PERFORM put_person_tallies_together(here.review_id, here.stage_id);
                    END LOOP;
                END IF;
                RETURN NULL;
            END $$;
            CREATE OR REPLACE FUNCTION person_tally_of_superseded() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN
                INSERT INTO person_tallies (review_id, stage_id, user_id, judged, unopened, to_judge)
                SELECT d.review_id, d.stage_id, d.user_id, sum(d.change), coalesce(sum(d.change) FILTER (WHERE i.state = 'waiting'), 0), 0
                FROM (
                    SELECT review_id, stage_id, user_id, item_id, 1 AS change FROM added
                    WHERE superseded_at IS NULL AND verdict IS NOT NULL
                    UNION ALL
                    SELECT review_id, stage_id, user_id, item_id, -1 FROM removed
                    WHERE superseded_at IS NULL AND verdict IS NOT NULL
                ) AS d CROSS JOIN LATERAL (
                    SELECT state FROM items WHERE items.review_id = d.review_id AND items.id = d.item_id OFFSET 0
                ) AS i
                GROUP BY 1, 2, 3 HAVING sum(d.change) <> 0 OR sum(d.change) FILTER (WHERE i.state = 'waiting') <> 0;
                RETURN NULL;
            END $$;
            -- no decision is ever deleted
            CREATE TRIGGER person_tally_of_decided AFTER INSERT ON decisions REFERENCING NEW TABLE AS added
                FOR EACH STATEMENT EXECUTE FUNCTION person_tally_of_decided();
            CREATE TRIGGER person_tally_of_superseded AFTER UPDATE ON decisions
                REFERENCING OLD TABLE AS removed NEW TABLE AS added FOR EACH STATEMENT EXECUTE FUNCTION person_tally_of_superseded();
            SQL);
    }

    /** An item that was decided on is never deleted, and none comes in decided on. */
    private function ofItems(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE OR REPLACE FUNCTION person_tally_of_items() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN
                INSERT INTO person_tallies (review_id, stage_id, user_id, judged, unopened, to_judge)
                SELECT i.review_id, d.stage_id, d.user_id, 0, sum(i.change), 0
                FROM (
                    SELECT review_id, id, sum(change) AS change FROM (
                        SELECT review_id, id, 1 AS change FROM added WHERE state = 'waiting'
                        UNION ALL SELECT review_id, id, -1 FROM removed WHERE state = 'waiting'
                    ) AS all_changes GROUP BY 1, 2 HAVING sum(change) <> 0
                ) AS i CROSS JOIN LATERAL (
                    SELECT stage_id, user_id FROM decisions
                    WHERE decisions.review_id = i.review_id AND decisions.item_id = i.id
                        AND decisions.superseded_at IS NULL AND decisions.verdict IS NOT NULL OFFSET 0
                ) AS d
                GROUP BY 1, 2, 3 HAVING sum(i.change) <> 0;
                RETURN NULL;
            END $$;
            CREATE TRIGGER person_tally_of_items AFTER UPDATE ON items REFERENCING OLD TABLE AS removed NEW TABLE AS added
                FOR EACH STATEMENT EXECUTE FUNCTION person_tally_of_items();
            SQL);
    }

    private function ofShares(): void
    {
        $changes = [
            'INSERT' => ['NEW TABLE AS added', 'SELECT *, 1 AS change FROM added'],
            'DELETE' => ['OLD TABLE AS removed', 'SELECT *, -1 AS change FROM removed'],
            'UPDATE' => [
                'OLD TABLE AS removed NEW TABLE AS added',
                'SELECT *, 1 AS change FROM added UNION ALL SELECT *, -1 FROM removed',
            ],
        ];
        foreach ($changes as $event => [$rows, $change]) {
            $name = 'person_tally_of_share_'.strtolower($event);
            DB::unprepared(<<<SQL
                CREATE OR REPLACE FUNCTION {$name}() RETURNS trigger LANGUAGE plpgsql AS \$\$
                BEGIN
                    INSERT INTO person_tallies (review_id, stage_id, user_id, judged, unopened, to_judge)
                    SELECT review_id, stage_id, user_id, 0, 0, sum(change) FROM ({$change}) AS changed
                    WHERE waiting AND NOT judged GROUP BY 1, 2, 3 HAVING sum(change) <> 0;
                    RETURN NULL;
                END \$\$;
                CREATE TRIGGER {$name} AFTER {$event} ON assignments REFERENCING {$rows}
                    FOR EACH STATEMENT EXECUTE FUNCTION {$name}();
                SQL);
        }
    }
};
