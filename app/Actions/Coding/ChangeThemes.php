<?php

declare(strict_types=1);

namespace App\Actions\Coding;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\Passage;
use App\Models\Review;
use App\Models\Theme;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** The tree of themes: grown by names, and put in order. What stands under a theme goes with it and is never lost. */
final readonly class ChangeThemes
{
    public function __construct(private WriteLog $log)
    {
    }

    /**
     * The theme at the end of a path; what is missing on the way is made.
     *
     * @param  non-empty-list<string>  $path  from the broadest
     */
    public function at(User $by, Review $review, array $path): Theme
    {
        return $review->whileLocked(function () use ($by, $review, $path): Theme {
            $theme = null;
            foreach ($path as $name) {
                $theme = $this->child($by, $review, $theme, $name);
            }

            return $theme;
        });
    }

    public function rename(User $by, Review $review, Theme $theme, string $name): void
    {
        $review->whileLocked(function () use ($by, $review, $theme, $name): void {
            self::refuseTwice($review, $theme->parent_id, $name, $theme);
            $before = $theme->name;
            $theme->update(['name' => $name]);
            ($this->log)($review, $by, 'theme.changed', "Renamed the theme “{$before}” to “{$name}”", $theme);
        });
    }

    /** @throws Refused If that one is below it. */
    public function move(User $by, Review $review, Theme $theme, ?Theme $under): void
    {
        $review->whileLocked(function () use ($by, $review, $theme, $under): void {
            if ($under !== null && in_array($under->id, self::below($review, $theme), true)) {
                throw new Refused("“{$under->name}” stands below “{$theme->name}”, so it cannot hold it.");
            }
            self::refuseTwice($review, $under?->id, $theme->name, $theme);
            $theme->update(['parent_id' => $under?->id]);
            $words = $under === null ? 'to the top' : "under “{$under->name}”";
            ($this->log)($review, $by, 'theme.changed', "Moved the theme “{$theme->name}” {$words}", $theme);
        });
    }

    /** Its passages and what is below it go over; the theme is gone. */
    public function merge(User $by, Review $review, Theme $theme, Theme $into): void
    {
        $review->whileLocked(function () use ($by, $review, $theme, $into): void {
            if (in_array($into->id, self::below($review, $theme), true)) {
                throw new Refused("“{$into->name}” stands below “{$theme->name}”. Merge the other way round.");
            }
            self::takePassages($theme, $into);
            foreach (Theme::query()->where('review_id', $review->id)->where('parent_id', $theme->id)->get() as $child) {
                $twin = self::named($review, $into->id, $child->name);
                $twin === null || $twin->id === $child->id
                    ? $child->update(['parent_id' => $into->id])
                    : $this->merge($by, $review, $child, $twin);
            }
            ($this->log)($review, $by, 'theme.merged', "Merged the theme “{$theme->name}” into “{$into->name}”", $into);
            $theme->delete();
        });
    }

    private static function takePassages(Theme $theme, Theme $into): void
    {
        DB::insert(
            'INSERT INTO passage_themes (review_id, passage_id, theme_id, user_id, created_at)
                SELECT review_id, passage_id, ?, user_id, created_at FROM passage_themes WHERE review_id = ? AND theme_id = ?
                ON CONFLICT DO NOTHING',
            [$into->id, $theme->review_id, $theme->id],
        );
        DB::table('passage_themes')->where('review_id', $theme->review_id)->where('theme_id', $theme->id)->delete();
    }

    /**
     * Some of its passages go under another name beside it.
     *
     * @param  list<string>  $passages
     *
     * @throws Refused If none of these stands under it.
     */
    public function split(User $by, Review $review, Theme $theme, array $passages, string $name): Theme
    {
        return $review->whileLocked(function () use ($by, $review, $theme, $passages, $name): Theme {
            $moved = self::under($theme, $passages);
            if ($moved === []) {
                throw new Refused('Tick the passages that go under the new name.');
            }
            $parent = Theme::query()->find($theme->parent_id);
            $new = $this->child($by, $review, $parent, $name);
            foreach (Passage::query()->where('review_id', $review->id)->whereIn('id', $moved)->get() as $passage) {
                $passage->themes()->detach($theme->id);
                $passage->themes()->syncWithoutDetaching([
                    $new->id => ['review_id' => $review->id, 'user_id' => $by->id, 'created_at' => now()],
                ]);
            }
            $count = count($moved);
            ($this->log)($review, $by, 'theme.split', "Split {$count} passages of “{$theme->name}” off as “{$name}”", $new);

            return $new;
        });
    }

    /**
     * @param  list<string>  $passages
     * @return array<string> those of them that stand under the theme
     */
    private static function under(Theme $theme, array $passages): array
    {
        return DB::table('passage_themes')
            ->where('review_id', $theme->review_id)
            ->where('theme_id', $theme->id)
            ->whereIn('passage_id', $passages)
            ->pluck('passage_id')
            ->all();
    }

    private function child(User $by, Review $review, ?Theme $parent, string $name): Theme
    {
        $there = self::named($review, $parent?->id, $name);
        if ($there !== null) {
            return $there;
        }
        $theme = Theme::query()->create(['review_id' => $review->id, 'parent_id' => $parent?->id, 'name' => $name]);
        ($this->log)($review, $by, 'theme.added', "Added the theme “{$name}”", $theme);

        return $theme;
    }

    private static function named(Review $review, ?string $parent, string $name): ?Theme
    {
        return Theme::query()
            ->where('review_id', $review->id)
            ->where('parent_id', $parent)
            ->whereRaw('lower(name) = lower(?)', [$name])
            ->first();
    }

    private static function refuseTwice(Review $review, ?string $parent, string $name, Theme $but): void
    {
        $there = self::named($review, $parent, $name);
        if ($there !== null && $there->id !== $but->id) {
            throw new Refused("There is a theme “{$there->name}” there. Merge the two if they are one.");
        }
    }

    /** @return list<string> the theme and all below it */
    private static function below(Review $review, Theme $theme): array
    {
        return array_column(
            DB::select(
                'WITH RECURSIVE below AS (
                    SELECT id FROM themes WHERE review_id = ? AND id = ?
                    UNION SELECT themes.id FROM themes JOIN below ON themes.parent_id = below.id WHERE themes.review_id = ?
                ) SELECT id FROM below',
                [$review->id, $theme->id, $review->id],
            ),
            'id',
        );
    }
}
