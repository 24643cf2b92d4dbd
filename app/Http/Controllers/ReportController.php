<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Review;
use App\Queries\FlowQuery;
use Illuminate\Contracts\View\View;

final class ReportController extends Controller
{
    public function show(Review $review): View
    {
        return view('report.show', ['review' => $review, 'flow' => FlowQuery::of($review), 'reasons' => FlowQuery::reasons($review), 'sources' => FlowQuery::sources($review)]);
    }
}
