<?php

declare(strict_types=1);

namespace App\Queries\Coding\Themes;

use App\Models\Review;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The themes of a review as a tree, each with how many passages and studies stand under it and what is below it. */
final readonly class ThemeTree
{
    /** @param  array<string, stdClass>  $themes  id, parent_id, name, path, depth, passages, studies; in the order of the tree */
    private function __construct(public array $themes)
    {
    }

    public static function of(Review $review): self
    {
        $rows = DB::select(
            <<<'SQL'
            WITH RECURSIVE tree AS (
                SELECT id, parent_id, name, name::text AS path, 0 AS depth, ARRAY[lower(name)::text] AS sorted, ARRAY[id::text] AS above
                FROM themes WHERE review_id = ? AND parent_id IS NULL
                UNION ALL
                SELECT t.id, t.parent_id, t.name, tree.path || ' › ' || t.name, tree.depth + 1, tree.sorted || lower(t.name)::text, tree.above || t.id::text
                FROM themes t JOIN tree ON t.parent_id = tree.id WHERE t.review_id = ?
            ), counted AS (
                SELECT broader AS id, count(DISTINCT p.id) AS passages, count(DISTINCT coalesce(b.study_id, b.id)) AS studies
                FROM tree CROSS JOIN LATERAL unnest(tree.above) AS broader
                JOIN passage_themes pt ON pt.review_id = ? AND pt.theme_id = tree.id
                JOIN passages p ON p.review_id = pt.review_id AND p.id = pt.passage_id AND p.removed_at IS NULL
                JOIN publications b ON b.review_id = p.review_id AND b.id = p.publication_id
                GROUP BY 1
            )
            SELECT tree.id, tree.parent_id, tree.name, tree.path, tree.depth, coalesce(counted.passages, 0) AS passages,
                coalesce(counted.studies, 0) AS studies
            FROM tree LEFT JOIN counted ON counted.id = tree.id ORDER BY tree.sorted
            SQL,
            [$review->id, $review->id, $review->id],
        );

        return new self(array_column($rows, null, 'id'));
    }

    /** @return list<string> a theme and all below it */
    public function below(string $id): array
    {
        $below = [$id];
        foreach ($this->themes as $theme) {
            if (in_array($theme->parent_id, $below, true)) {
                $below[] = $theme->id;
            }
        }

        return $below;
    }

    public function pathOf(string $id): string
    {
        return $this->themes[$id]->path ?? '';
    }
}
