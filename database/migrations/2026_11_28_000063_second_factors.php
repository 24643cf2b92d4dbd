<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class() extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE TABLE second_factors (
                id char(26) PRIMARY KEY,
                user_id char(26) NOT NULL UNIQUE REFERENCES users ON DELETE CASCADE,
                key text NOT NULL,
                last_step bigint NOT NULL DEFAULT 0,
                recovery jsonb NOT NULL DEFAULT '[]',
                confirmed_at timestamptz(3),
                created_at timestamptz(3) NOT NULL,
                updated_at timestamptz(3) NOT NULL
            );
            -- who a person is at the sign-in of an institution: its name for them never changes, their address may
            CREATE TABLE institution_accounts (
                id char(26) PRIMARY KEY,
                user_id char(26) NOT NULL REFERENCES users ON DELETE CASCADE,
                issuer text NOT NULL,
                subject text NOT NULL,
                created_at timestamptz(3) NOT NULL,
                updated_at timestamptz(3) NOT NULL,
                UNIQUE (issuer, subject)
            );
            CREATE INDEX institution_accounts_of ON institution_accounts (user_id);
            SQL);
    }

    public function down(): void
    {
        DB::unprepared('DROP TABLE second_factors; DROP TABLE institution_accounts;');
    }
};
