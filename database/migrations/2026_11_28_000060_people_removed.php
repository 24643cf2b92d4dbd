<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE users ADD COLUMN removed_at timestamptz(3);

            -- what is only added to stays as it is but for the name of somebody who is removed: that alone may be replaced, by
            -- the function below and by nothing else
            CREATE OR REPLACE FUNCTION forbid_change() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN
                IF TG_OP = 'UPDATE' AND current_setting('heron.forgetting', true) = 'yes' THEN
                    RETURN NEW;
                END IF;
                RAISE EXCEPTION '% is append-only', TG_TABLE_NAME USING ERRCODE = 'restrict_violation';
            END $$;

            -- puts another name in the place of a person's name and address where sentences name them
            CREATE OR REPLACE FUNCTION forget_person(person char(26), name text, address text, instead text) RETURNS void
                LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
            DECLARE
                words text := '(?<![[:alnum:]])(?:' || regexp_replace(name, '([^[:alnum:][:space:]])', '\\\1', 'g') || '|'
                    || regexp_replace(address, '([^[:alnum:]])', '\\\1', 'g') || ')(?![[:alnum:]])';
            BEGIN
                IF NOT EXISTS (SELECT FROM users WHERE id = person AND removed_at IS NOT NULL) THEN
                    RAISE EXCEPTION 'only somebody who is removed is forgotten' USING ERRCODE = 'restrict_violation';
                END IF;
                PERFORM set_config('heron.forgetting', 'yes', true);
                UPDATE log_entries SET summary = regexp_replace(summary, words, instead, 'gi'),
                    details = regexp_replace(details::text, words, instead, 'gi')::jsonb
                    WHERE summary ~* words OR details::text ~* words;
                UPDATE talk_messages SET body = regexp_replace(body, words, instead, 'gi') WHERE body ~* words;
                PERFORM set_config('heron.forgetting', 'no', true);
            END $$;
            REVOKE ALL ON FUNCTION forget_person(char, text, text, text) FROM PUBLIC;
            SQL);
    }

    public function down(): void
    {
        DB::unprepared('DROP FUNCTION forget_person(char, text, text, text); ALTER TABLE users DROP COLUMN removed_at;');
    }
};
