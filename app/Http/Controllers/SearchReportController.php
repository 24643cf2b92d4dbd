<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Review;
use App\Queries\SearchReport;
use App\Support\TextDownload;
use Illuminate\Contracts\View\View;
use Symfony\Component\HttpFoundation\Response;

final class SearchReportController extends Controller
{
    public function show(Review $review, SearchReport $report): View
    {
        return view('searches.report', ['review' => $review, ...$report->of($review)]);
    }

    public function download(Review $review, string $format, SearchReport $report): Response
    {
        $data = ['review' => $review, ...$report->of($review)];

        return $format === 'docx'
            ? TextDownload::docx("search report {$review->title}", view('searches.report-print', $data)->render())
            : TextDownload::text("search report {$review->title}", view('searches.report-text', $data)->render());
    }
}
