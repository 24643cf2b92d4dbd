<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\LogEntry;
use App\Models\Review;
use App\Queries\Visibility;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

final class LogController extends Controller
{
    public function __invoke(Request $request, Review $review): View
    {
        $query = LogEntry::query()->where('log_entries.review_id', $review->id)->with('user')->orderByDesc('log_entries.id');
        Visibility::log($query->getQuery(), $this->me($request));
        $entries = $query->cursorPaginate(60)->withQueryString();
        Visibility::withoutNames($entries->items(), $this->me($request));

        return view('report.log', ['review' => $review, 'entries' => $entries]);
    }
}
