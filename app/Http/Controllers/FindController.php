<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Review;
use App\Support\Input;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Search\Text\Words;

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
        $query = implode(' & ', array_map(fn (string $word, int $i): string => "'{$word}':".($i === $last ? '*' : '').'AD', $words, array_keys($words)));
        $rows = DB::table('publications')->where('review_id', $review->id)->whereNull('merged_into')->whereRaw('words @@ ?::tsquery', [$query])->limit(8)->get(['id', 'title', 'first_author', 'year']);

        return response()->json(['found' => $rows->map(fn ($row): array => ['title' => $row->title, 'about' => trim(ucfirst($row->first_author).' '.$row->year), 'url' => route('publications.show', [$review, $row->id], false)])]);
    }
}
