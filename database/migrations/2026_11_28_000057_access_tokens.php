<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- by which programs work in a review for a person; of a token itself only its hash is kept
            CREATE TABLE access_tokens (
                id char(26) NOT NULL UNIQUE,
                review_id char(26) NOT NULL REFERENCES reviews ON DELETE CASCADE,
                tokenable_type varchar(60) NOT NULL,
                tokenable_id char(26) NOT NULL REFERENCES users,
                name varchar(120) NOT NULL,
                token char(64) NOT NULL UNIQUE,
                abilities jsonb NOT NULL,
                last_used_at timestamptz(3),
                expires_at timestamptz(3) NOT NULL,
                created_at timestamptz(3) NOT NULL,
                updated_at timestamptz(3) NOT NULL,
                PRIMARY KEY (review_id, id)
            );
            CREATE INDEX access_tokens_of ON access_tokens (tokenable_id, review_id);

            -- what was answered to a request that changed something, so that the same request again changes nothing
            CREATE TABLE kept_replies (
                review_id char(26) NOT NULL,
                token_id char(26) NOT NULL,
                key varchar(200) NOT NULL,
                request char(64) NOT NULL,
                -- null while it is being done
                status smallint,
                body text NOT NULL DEFAULT '',
                location text NOT NULL DEFAULT '',
                created_at timestamptz(3) NOT NULL,
                PRIMARY KEY (review_id, token_id, key),
                FOREIGN KEY (review_id, token_id) REFERENCES access_tokens (review_id, id) ON DELETE CASCADE
            );
            CREATE INDEX kept_replies_old ON kept_replies (created_at);
            SQL);
    }

    public function down(): void
    {
        DB::unprepared('DROP TABLE kept_replies, access_tokens;');
    }
};
