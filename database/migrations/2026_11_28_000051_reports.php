<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- what a review reports: a Yjs document as its base and the updates since, in the order of seq
            CREATE TABLE reports (
                review_id char(26) NOT NULL REFERENCES reviews,
                id char(26) NOT NULL,
                seq bigint NOT NULL DEFAULT 0,
                base_seq bigint NOT NULL DEFAULT 0,
                base bytea NOT NULL,
                -- as it was last read, and up to which update
                said jsonb NOT NULL,
                said_seq bigint NOT NULL DEFAULT 0,
                style varchar(60) NOT NULL DEFAULT 'vancouver',
                created_at timestamptz(3) NOT NULL,
                updated_at timestamptz(3) NOT NULL,
                PRIMARY KEY (review_id, id)
            );
            CREATE UNIQUE INDEX reports_one_for_a_review ON reports (review_id);
            CREATE TABLE report_updates (
                review_id char(26) NOT NULL,
                report_id char(26) NOT NULL,
                seq bigint NOT NULL,
                data bytea NOT NULL,
                client bigint NOT NULL,
                user_id char(26) NOT NULL REFERENCES users,
                created_at timestamptz(3) NOT NULL,
                PRIMARY KEY (review_id, report_id, seq),
                FOREIGN KEY (review_id, report_id) REFERENCES reports (review_id, id)
            );
            -- who is there and where; gone with a crash, and nobody misses it
            CREATE UNLOGGED TABLE report_presence (
                review_id char(26) NOT NULL,
                report_id char(26) NOT NULL,
                client bigint NOT NULL,
                data text NOT NULL,
                at timestamptz(3) NOT NULL,
                PRIMARY KEY (review_id, report_id, client)
            );
            CREATE TABLE report_blocks (
                review_id char(26) NOT NULL,
                report_id char(26) NOT NULL,
                id char(26) NOT NULL,
                kind varchar(20) NOT NULL,
                source varchar(120) NOT NULL DEFAULT '',
                -- what it shows: title, html and facts
                shown jsonb NOT NULL,
                user_id char(26) NOT NULL REFERENCES users,
                taken_at timestamptz(3) NOT NULL,
                PRIMARY KEY (review_id, report_id, id),
                FOREIGN KEY (review_id, report_id) REFERENCES reports (review_id, id)
            );
            CREATE TABLE report_claims (
                review_id char(26) NOT NULL,
                report_id char(26) NOT NULL,
                id char(26) NOT NULL,
                -- what it rests on, each as it was when it was given
                evidence jsonb NOT NULL DEFAULT '[]',
                -- the authors' own, which rests on nothing but themselves
                own boolean NOT NULL DEFAULT false,
                user_id char(26) NOT NULL REFERENCES users,
                created_at timestamptz(3) NOT NULL,
                updated_at timestamptz(3) NOT NULL,
                PRIMARY KEY (review_id, report_id, id),
                FOREIGN KEY (review_id, report_id) REFERENCES reports (review_id, id)
            );
            CREATE TABLE report_versions (
                review_id char(26) NOT NULL,
                report_id char(26) NOT NULL,
                id char(26) NOT NULL,
                name varchar(200) NOT NULL,
                seq bigint NOT NULL,
                said jsonb NOT NULL,
                -- blocks and claims as they were
                kept jsonb NOT NULL,
                user_id char(26) NOT NULL REFERENCES users,
                created_at timestamptz(3) NOT NULL,
                PRIMARY KEY (review_id, id),
                FOREIGN KEY (review_id, report_id) REFERENCES reports (review_id, id)
            );
            SQL);
    }

    public function down(): void
    {
        DB::unprepared(
            'DROP TABLE report_versions, report_claims, report_blocks, report_presence, report_updates, reports;',
        );
    }
};
