<?php

declare(strict_types=1);

namespace App\Http\Controllers\Report;

use App\Files\Out\TableDownload;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Models\Review;
use App\Queries\Report\LogFilters;
use App\Queries\Report\LogRows;
use App\Queries\Shared\Visibility;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

final class LogController extends Controller
{
    private const ON_A_PAGE = 60;

    public function show(Request $request, Review $review): View
    {
        $this->forgetForeignCursor($request);
        $filters = LogFilters::of($review, $this->me($request), Input::asked($request));
        $entries = $filters->query()->cursorPaginate(self::ON_A_PAGE)->appends($filters->kept);
        Visibility::withoutNames($entries->items(), $this->me($request));

        return view('report.log', [
            'review' => $review,
            'entries' => $entries,
            'kept' => $filters->kept,
            'groups' => $filters->groups(),
            'people' => $filters->people(),
        ]);
    }

    public function export(Request $request, Review $review, string $format): BinaryFileResponse
    {
        $me = $this->me($request);

        return TableDownload::make(
            "{$review->title} log",
            $format,
            LogRows::of(LogFilters::of($review, $me, Input::asked($request)), $me),
        );
    }

    /** A place in the log that was not given out by this page is as if none were asked for. */
    private function forgetForeignCursor(Request $request): void
    {
        $cursor = json_decode((string) base64_decode(strtr(Input::text($request, 'cursor'), '-_', '+/'), true), true);
        $at = is_array($cursor) ? $cursor['log_entries.id'] ?? ($cursor['id'] ?? null) : null;
        if (! is_string($at) || ! Str::isUlid($at) || ! isset($cursor['_pointsToNextItems'])) {
            $request->query->remove('cursor');
        }
    }
}
