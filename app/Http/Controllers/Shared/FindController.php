<?php

declare(strict_types=1);

namespace App\Http\Controllers\Shared;

use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Models\Publication;
use App\Models\Review;
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
        $query = implode(
            ' & ',
            array_map(
                fn (string $word, int $i): string => "'{$word}':".($i === $last ? '*' : '').'AD',
                $words,
                array_keys($words),
            ),
        );
        $found = Publication::query()
            ->where('review_id', $review->id)
            ->whereNull('merged_into')
            ->whereRaw('words @@ ?::tsquery', [$query])
            ->limit(8)
            ->get(['id', 'title', 'authors', 'year']);

        return response()->json([
            'found' => $found->map(
                fn (Publication $one): array => [
                    'title' => $one->title,
                    'about' => $one->called(),
                    'url' => route('publications.show', [$review, $one->id], false),
                ],
            ),
        ]);
    }
}
