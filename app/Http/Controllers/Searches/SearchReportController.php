<?php

declare(strict_types=1);

namespace App\Http\Controllers\Searches;

use App\Actions\Searches\DescribeSearch;
use App\Files\Out\TextDownload;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Models\Review;
use App\Queries\Searches\SearchReport;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

final class SearchReportController extends Controller
{
    public function show(Review $review): View
    {
        return view('searches.report', ['review' => $review, 'report' => SearchReport::of($review)]);
    }

    public function update(Request $request, Review $review, DescribeSearch $describe): RedirectResponse
    {
        $given = $request->validate(array_map(fn (): array => ['nullable', 'string', 'max:4000'], SearchReport::TYPED));
        $describe->execute(
            $this->me($request),
            $review,
            array_map(fn (?string $note): string => trim((string) $note), $given),
            Input::shown($request),
        );

        return redirect()->route('searches.report', $review)->with('notice', 'The report says so from now on.');
    }

    public function download(Review $review, string $format): Response
    {
        $data = ['review' => $review, 'report' => SearchReport::of($review)];

        return $format === 'docx'
            ? TextDownload::docx("search report {$review->title}", view('searches.report-print', $data)->render())
            : TextDownload::text("search report {$review->title}", view('searches.report-text', $data)->render());
    }
}
