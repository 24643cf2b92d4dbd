<?php

declare(strict_types=1);

namespace App\Queries\Coding\Themes;

use App\Models\Passage;
use App\Models\Publication;
use App\Models\Review;
use App\Models\Theme;
use App\Queries\Coding\EvidenceView;

/** The passages marked in one study, and the names that there are, as the Coding Desk needs them. */
final class StudyPassages
{
    /** @return array{passages: list<array<string, mixed>>, themes: list<string>} */
    public static function of(Review $review, Publication $publication): array
    {
        $tree = ThemeTree::of($review);
        $view = EvidenceView::of($review, $publication);
        $passages = (new ThemePassages($review, $tree))->of($publication);

        return [
            'passages' => array_map(
                fn (Passage $one): array => [
                    'id' => $one->id,
                    'piece' => $view->shown($one->piece()),
                    'themes' => $one->themes->map(
                        fn (Theme $theme): string => $tree->pathOf($theme->id),
                    )->sort()->implode(', '),
                    'memo' => $one->memo,
                    'by' => $one->user->name,
                    'url' => route('passages.change', [$review, $one], false),
                ],
                $passages,
            ),
            'themes' => array_values(array_map(fn (object $one): string => $one->path, $tree->themes)),
        ];
    }
}
