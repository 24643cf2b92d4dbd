<?php

declare(strict_types=1);

namespace App\Queries\Coding\Themes;

use App\Models\Review;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\Evidence;
use WaryHeron\Core\Coding\MarkedPassage;
use WaryHeron\Core\Coding\ThemeAgreement;

/** How far two people's themes agree, theme by theme. */
final class ThemeComparison
{
    /** @return array<string, string> those who put passages under themes, by name */
    public static function people(Review $review): array
    {
        /** @var array<string, string> */
        return DB::table('users')
            ->whereIn('id', DB::table('passage_themes')->where('review_id', $review->id)->select('user_id'))
            ->orderBy('name')
            ->pluck('name', 'id')
            ->all();
    }

    /** @return array<string, ThemeAgreement> by theme, of those that either used, with what is below it */
    public static function of(Review $review, ThemeTree $tree, string $first, string $second): array
    {
        $marks = self::marks($review, [$first, $second]);
        $agreements = [];
        foreach ($tree->themes as $theme) {
            $agreement = ThemeAgreement::of($marks, $first, $second, $tree->below($theme->id));
            if ($agreement->passages > 0) {
                $agreements[$theme->id] = $agreement;
            }
        }

        return $agreements;
    }

    /**
     * @param  list<string>  $people
     * @return list<MarkedPassage>
     */
    private static function marks(Review $review, array $people): array
    {
        return array_values(DB::table('passage_themes')
            ->join('passages', fn ($join) => $join
                ->on('passages.review_id', '=', 'passage_themes.review_id')
                ->on('passages.id', '=', 'passage_themes.passage_id'))
            ->join('publications', fn ($join) => $join
                ->on('publications.review_id', '=', 'passages.review_id')
                ->on('publications.id', '=', 'passages.publication_id'))
            ->where('passage_themes.review_id', $review->id)
            ->whereIn('passage_themes.user_id', $people)
            ->whereNull('passages.removed_at')
            ->selectRaw(
                'coalesce(publications.study_id, publications.id) AS study, passage_themes.user_id, theme_id, evidence',
            )
            ->get()
            ->map(fn (object $row): MarkedPassage => new MarkedPassage(
                (string) $row->study,
                (string) $row->user_id,
                (string) $row->theme_id,
                Evidence::fromArray(json_decode($row->evidence, true, 16, JSON_THROW_ON_ERROR)),
            ))
            ->all());
    }
}
