<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What the flow diagram and the search report say that no machine can know, or word otherwise. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- database, register, website, organisation, citation or other
            ALTER TABLE deliveries ALTER COLUMN source_kind TYPE varchar(14);
            -- captions of the flow diagram by their key; studies and reports of the version that a review updates
            ALTER TABLE reviews ADD COLUMN flow_captions jsonb NOT NULL DEFAULT '{}', ADD COLUMN previous_studies integer, ADD COLUMN previous_reports integer;
            -- typed answers to items of the reporting standard for searches, by item
            ALTER TABLE reviews ADD COLUMN search_notes jsonb NOT NULL DEFAULT '{}';
            -- a strategy that is no longer worked on is put away, not lost
            ALTER TABLE strategies ADD COLUMN archived_at timestamptz;
            SQL);
    }
};
