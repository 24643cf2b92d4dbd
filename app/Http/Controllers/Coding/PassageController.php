<?php

declare(strict_types=1);

namespace App\Http\Controllers\Coding;

use App\Actions\Coding\ChangeThemes;
use App\Actions\Coding\MarkPassage;
use App\Files\Out\TableDownload;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Http\Requests\Coding\PassageRequest;
use App\Http\Requests\Coding\TableRequest;
use App\Models\Passage;
use App\Models\Publication;
use App\Models\Review;
use App\Models\Theme;
use App\Queries\Coding\Themes\PassageFile;
use App\Queries\Coding\Themes\PeopleCompared;
use App\Queries\Coding\Themes\StudyPassages;
use App\Queries\Coding\Themes\ThemePassages;
use App\Queries\Coding\Themes\ThemeTree;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\Response;
use WaryHeron\Core\Coding\ThemePath;

/** Passages of papers under themes: marked at the Coding Desk, read across studies here. */
final class PassageController extends Controller
{
    public function index(TableRequest $request, Review $review): View
    {
        $tree = ThemeTree::of($review);
        $passages = new ThemePassages($review, $tree);
        $theme = Input::text($request, 'theme');
        $theme = isset($tree->themes[$theme]) ? $theme : '';
        $terms = $request->terms($review);
        $filter = $terms->filters[0] ?? null;
        $item = $terms->codes->get(Input::text($request, 'by'));

        $people = PeopleCompared::of($review, $tree, Input::text($request, 'one'), Input::text($request, 'other'));

        return view('coding.passages', [
            'review' => $review,
            'tree' => $tree,
            'theme' => $theme,
            'passages' => $passages->under($theme, $filter),
            'codes' => $terms->codes,
            'filter' => $filter,
            'item' => $item,
            'byItem' => $item === null ? [] : $passages->byItem($item),
            'byPerson' => $passages->byPerson(),
            ...get_object_vars($people),
        ]);
    }

    /** Those of one study, for the Coding Desk. */
    public function of(Review $review, Publication $publication): JsonResponse
    {
        return response()->json(StudyPassages::of($review, $publication));
    }

    public function store(
        PassageRequest $request,
        Review $review,
        Publication $publication,
        MarkPassage $mark,
    ): JsonResponse {
        $mark->mark($this->me($request), $publication, $request->piece(), $request->paths(), $request->memo());

        return response()->json(StudyPassages::of($review, $publication));
    }

    public function change(PassageRequest $request, Review $review, Passage $passage, MarkPassage $mark): JsonResponse
    {
        $mark->change($this->me($request), $passage, $request->paths(), $request->memo());

        return response()->json(StudyPassages::of($review, $passage->publication));
    }

    public function remove(Request $request, Review $review, Passage $passage, MarkPassage $mark): JsonResponse
    {
        $mark->remove($this->me($request), $passage);

        return response()->json(StudyPassages::of($review, $passage->publication));
    }

    /** Renames a theme, moves it, merges it, or splits ticked passages off. */
    public function theme(Request $request, Review $review, Theme $theme, ChangeThemes $change): RedirectResponse
    {
        $me = $this->me($request);
        $name = ThemePath::all(Input::text($request, 'name'))[0][0] ?? '';
        $other = Theme::query()->where('review_id', $review->id)->find(Input::text($request, 'other'));
        $ticked = array_values(array_filter((array) $request->input('passages'), is_string(...)));
        $do = Input::text($request, 'do');
        match (true) {
            $do === 'rename' && $name !== '' => $change->rename($me, $review, $theme, $name),
            $do === 'move' => $change->move($me, $review, $theme, $other),
            $do === 'merge' && $other !== null => $change->merge($me, $review, $theme, $other),
            $do === 'split' && $name !== '' => $change->split($me, $review, $theme, $ticked, $name),
            default => abort(422, 'Say what becomes of the theme.'),
        };

        return redirect()->route('passages', [$review, 'theme' => $do === 'merge' ? $other?->id : $theme->id]);
    }

    public function export(Review $review, string $format): Response
    {
        if ($format !== 'jsonld') {
            return TableDownload::make("{$review->title} passages", $format, PassageFile::rows($review));
        }
        $name = Str::limit(Str::slug($review->title), 40, '').'-passages.jsonld';

        return response(PassageFile::annotations($review), 200, [
            'Content-Type' => 'application/ld+json; profile="http://www.w3.org/ns/anno.jsonld"',
            'Content-Disposition' => "attachment; filename=\"{$name}\"",
        ]);
    }
}
