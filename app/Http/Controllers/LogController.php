<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\LogEntry;
use App\Models\Review;
use App\Queries\Visibility;
use App\Support\Input;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Str;

final class LogController extends Controller
{
    public function __invoke(Request $request, Review $review): View
    {
        $query = LogEntry::query()->where('log_entries.review_id', $review->id)->with('user')->orderByDesc('log_entries.id');
        Visibility::log($query->getQuery(), $this->me($request));
        $this->forgetForeignCursor($request);
        $entries = $query->cursorPaginate(60)->withQueryString();
        Visibility::withoutNames($entries->items(), $this->me($request));

        return view('report.log', ['review' => $review, 'entries' => $entries]);
    }

    /** A place in the log that was not given out by this page is as if none were asked for. */
    private function forgetForeignCursor(Request $request): void
    {
        $cursor = json_decode((string) base64_decode(strtr(Input::text($request, 'cursor'), '-_', '+/'), true), true);
        $at = is_array($cursor) ? $cursor['log_entries.id'] ?? $cursor['id'] ?? null : null;
        if (! is_string($at) || ! Str::isUlid($at) || ! isset($cursor['_pointsToNextItems'])) {
            $request->query->remove('cursor');
        }
    }
}
