<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('publications', function (Blueprint $table): void {
            // taken out of the review by a person, with everything kept under it
            $table->timestampTz('removed_at', 3)->nullable();
            $table->string('removed_for', 200)->default('');
        });
        DB::unprepared(<<<'SQL'
            CREATE INDEX publications_removed ON publications (review_id, id) WHERE removed_at IS NOT NULL;

            -- titles by themselves: a query for words of titles need not look at the weights of every row that has the word
            ALTER TABLE publications ADD COLUMN title_words tsvector GENERATED ALWAYS AS (ts_filter(words, '{a}')) STORED;
            CREATE INDEX publications_by_title_words ON publications USING gin (review_id, title_words);

            -- what people write, cut into words as the core cuts them: lower case, without accents, letters and digits only
            CREATE EXTENSION IF NOT EXISTS unaccent;
            CREATE OR REPLACE FUNCTION words_of(text) RETURNS tsvector LANGUAGE sql IMMUTABLE PARALLEL SAFE STRICT AS
                $$ SELECT to_tsvector('simple'::regconfig, regexp_replace(public.unaccent('public.unaccent'::regdictionary, lower($1)), '[^[:alnum:]]+', ' ', 'g')) $$;
            CREATE INDEX decisions_by_note ON decisions USING gin (review_id, words_of(note)) WHERE note <> '';
            CREATE INDEX settlements_by_note ON settlements USING gin (review_id, words_of(note)) WHERE note <> '';
            CREATE INDEX talk_by_words ON talk_messages USING gin (review_id, words_of(body));
            CREATE INDEX tags_by_words ON publication_tags USING gin (review_id, words_of(tag));
            SQL);
    }
};
