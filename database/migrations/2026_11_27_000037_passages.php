<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- a tree of names that grows while people read
            CREATE TABLE themes (
                id char(26) NOT NULL PRIMARY KEY,
                review_id char(26) NOT NULL REFERENCES reviews,
                parent_id char(26),
                name varchar(120) NOT NULL,
                created_at timestamptz(3) NOT NULL,
                updated_at timestamptz(3) NOT NULL,
                UNIQUE (review_id, id),
                FOREIGN KEY (review_id, parent_id) REFERENCES themes (review_id, id)
            );
            CREATE UNIQUE INDEX themes_by_name ON themes (review_id, coalesce(parent_id, ''), lower(name));

            CREATE TABLE passages (
                id char(26) NOT NULL PRIMARY KEY,
                review_id char(26) NOT NULL REFERENCES reviews,
                publication_id char(26) NOT NULL,
                -- as evidence is kept: quote, page, boxes, copy
                evidence jsonb NOT NULL,
                memo text NOT NULL DEFAULT '',
                user_id char(26) NOT NULL REFERENCES users,
                removed_at timestamptz(3),
                created_at timestamptz(3) NOT NULL,
                updated_at timestamptz(3) NOT NULL,
                UNIQUE (review_id, id),
                FOREIGN KEY (review_id, publication_id) REFERENCES publications (review_id, id)
            );
            CREATE INDEX passages_of_publication ON passages (review_id, publication_id) WHERE removed_at IS NULL;

            CREATE TABLE passage_themes (
                review_id char(26) NOT NULL,
                passage_id char(26) NOT NULL,
                theme_id char(26) NOT NULL,
                user_id char(26) NOT NULL REFERENCES users,
                created_at timestamptz(3) NOT NULL,
                PRIMARY KEY (review_id, passage_id, theme_id),
                FOREIGN KEY (review_id, passage_id) REFERENCES passages (review_id, id) ON DELETE CASCADE,
                FOREIGN KEY (review_id, theme_id) REFERENCES themes (review_id, id)
            );
            CREATE INDEX passage_themes_of_theme ON passage_themes (review_id, theme_id);
            SQL);
    }

    public function down(): void
    {
        DB::unprepared('DROP TABLE passage_themes, passages, themes;');
    }
};
