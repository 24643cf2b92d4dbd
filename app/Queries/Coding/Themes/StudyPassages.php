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
    public static function of(Review $review, Publication $publication): PassageSheet
    {
        $tree = ThemeTree::of($review);
        $view = EvidenceView::of($review, $publication);
        $shown = fn (Passage $one): MarkedPassage => new MarkedPassage(
            $one->id,
            $view->shown($one->piece()),
            $one->themes->map(fn (Theme $theme): string => $tree->pathOf($theme->id))->sort()->implode(', '),
            $one->memo,
            $one->user->name,
            route('passages.change', [$review, $one], false),
        );

        return new PassageSheet(
            array_map($shown, (new ThemePassages($review, $tree))->of($publication)),
            array_values(array_map(fn (object $one): string => $one->path, $tree->themes)),
        );
    }
}
