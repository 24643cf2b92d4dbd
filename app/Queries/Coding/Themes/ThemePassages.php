<?php

declare(strict_types=1);

namespace App\Queries\Coding\Themes;

use App\Models\CodebookItem;
use App\Models\Passage;
use App\Models\Publication;
use App\Models\Review;
use App\Queries\Coding\Table\ItemFilter;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Query\Builder as QueryBuilder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Passages across studies: those under a theme, in its context, of studies that the codebook says something of. */
final readonly class ThemePassages
{
    public const MOST = 400;

    public function __construct(private Review $review, private ThemeTree $tree)
    {
    }

    /** @return list<Passage> those under a theme and what is below it; of all where none is named */
    public function under(string $theme, ?ItemFilter $filter = null): array
    {
        $passages = $this->standing()
            ->with(['user', 'publication', 'themes'])
            ->when($theme !== '', fn (Builder $some) => $some->whereIn('id', $this->idsUnder($theme)))
            ->orderBy('publication_id')
            ->orderBy('created_at')
            ->limit(self::MOST);
        if ($filter !== null) {
            $passages->whereIn('publication_id', $this->studies($filter));
        }

        return array_values($passages->get()->all());
    }

    /** @return list<Passage> in one publication */
    public function of(Publication $publication): array
    {
        return array_values($this->standing()->where('publication_id', $publication->id)->with(['user', 'themes'])->orderBy('created_at')->get()->all());
    }

    /** @return list<stdClass> how many studies have a theme, by what an item says of them: theme, said, studies */
    public function byItem(CodebookItem $code): array
    {
        return array_values(DB::select(
            <<<'SQL'
            SELECT pt.theme_id AS theme, said.v AS said, count(DISTINCT coalesce(b.study_id, b.id)) AS studies
            FROM passage_themes pt
            JOIN passages p ON p.review_id = pt.review_id AND p.id = pt.passage_id AND p.removed_at IS NULL
            JOIN publications b ON b.review_id = p.review_id AND b.id = p.publication_id
            JOIN standing_answers a ON a.review_id = p.review_id AND a.publication_id = p.publication_id AND a.code_id = ?
            CROSS JOIN LATERAL (
                SELECT jsonb_array_elements_text(CASE jsonb_typeof(a.value) WHEN 'array' THEN a.value ELSE jsonb_build_array(a.value) END) AS v
                WHERE a.kind = 'value'
            ) AS said
            WHERE pt.review_id = ? GROUP BY 1, 2
            SQL,
            [$code->id, $this->review->id],
        ));
    }

    /** @return list<stdClass> who marked how many passages of how many publications under each theme: theme, name, passages, studies */
    public function byPerson(): array
    {
        return array_values(DB::select(
            <<<'SQL'
            SELECT pt.theme_id AS theme, users.name, count(DISTINCT p.id) AS passages, count(DISTINCT p.publication_id) AS studies
            FROM passage_themes pt
            JOIN passages p ON p.review_id = pt.review_id AND p.id = pt.passage_id AND p.removed_at IS NULL
            JOIN users ON users.id = pt.user_id
            WHERE pt.review_id = ? GROUP BY 1, 2 ORDER BY 2
            SQL,
            [$this->review->id],
        ));
    }

    /** @return Builder<Passage> */
    private function standing(): Builder
    {
        return Passage::query()->where('review_id', $this->review->id)->whereNull('removed_at');
    }

    private function idsUnder(string $theme): QueryBuilder
    {
        return DB::table('passage_themes')
            ->where('review_id', $this->review->id)
            ->whereIn('theme_id', $this->tree->below($theme))
            ->select('passage_id');
    }

    private function studies(ItemFilter $filter): QueryBuilder
    {
        $studies = DB::table('publications')->where('publications.review_id', $this->review->id)->select('publications.id');
        $filter->narrow($studies);

        return $studies;
    }
}
