<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE reviews
                -- which studies the in-depth pass goes to: items and answers, all of which have to hold; null for all
                ADD COLUMN depth_rule jsonb,
                -- whether studies join and leave by the rule as they are coded, or after somebody has looked
                ADD COLUMN depth_follows boolean NOT NULL DEFAULT true;
            UPDATE reviews SET depth_rule = jsonb_build_array(jsonb_build_object('item', btrim(depth_code_id), 'answers', depth_answers))
                WHERE depth_code_id IS NOT NULL AND depth_answers <> '[]';
            ALTER TABLE reviews DROP COLUMN depth_code_id, DROP COLUMN depth_answers;

            -- the list: by rule, put there by hand, or left out by hand
            CREATE TABLE depth_studies (
                review_id char(26) NOT NULL REFERENCES reviews,
                publication_id char(26) NOT NULL,
                how varchar(4) NOT NULL CHECK (how IN ('rule', 'hand', 'out')),
                user_id char(26) NOT NULL REFERENCES users,
                created_at timestamptz(3) NOT NULL,
                PRIMARY KEY (review_id, publication_id),
                FOREIGN KEY (review_id, publication_id) REFERENCES publications (review_id, id) ON DELETE CASCADE
            );
            SQL);
    }

    public function down(): void
    {
        DB::unprepared(<<<'SQL'
            DROP TABLE depth_studies;
            ALTER TABLE reviews ADD COLUMN depth_code_id char(26), ADD COLUMN depth_answers jsonb NOT NULL DEFAULT '[]';
            UPDATE reviews SET depth_code_id = depth_rule -> 0 ->> 'item', depth_answers = depth_rule -> 0 -> 'answers'
                WHERE jsonb_array_length(depth_rule) > 0;
            ALTER TABLE reviews ADD FOREIGN KEY (id, depth_code_id) REFERENCES codes (review_id, id),
                DROP COLUMN depth_rule, DROP COLUMN depth_follows;
            SQL);
    }
};
