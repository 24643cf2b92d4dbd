<?php

declare(strict_types=1);

namespace App\Http\Controllers\Shared;

use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Models\Publication;
use App\Models\Review;
use App\View\Way\Screen;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use WaryHeron\Core\Text\Words;

/** What Ctrl-K finds beyond the screens: publications of this review by the words of their titles. */
final class FindController extends Controller
{
    public function __invoke(Request $request, Review $review): JsonResponse
    {
        $words = array_slice(Words::of(mb_substr(Input::text($request, 'q'), 0, 200)), 0, 8);
        $last = array_key_last($words);
        if ($last === null || mb_strlen($words[$last]) < 2) {
            return response()->json(['found' => []]);
        }
        $asked = array_map(fn (string $word): string => "'{$word}':AD", $words);
        $asked[$last] = "'{$words[$last]}':*AD"; // it is still being typed
        $found = Publication::query()
            ->where('review_id', $review->id)
            ->whereNull('merged_into')
            ->whereRaw('words @@ ?::tsquery', [implode(' & ', $asked)])
            ->limit(8)
            ->get(['id', 'review_id', 'title', 'authors', 'year']);

        return response()->json(['found' => $found->map(self::shown(...))]);
    }

    private static function shown(Publication $one): Screen
    {
        $url = route('publications.show', [$one->review_id, $one->id], false);

        return new Screen($one->title, $one->called(), $url);
    }
}
