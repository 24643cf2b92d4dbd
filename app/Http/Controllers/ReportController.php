<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Review;
use App\Queries\FlowQuery;
use App\Support\SvgPicture;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use WaryHeron\Core\Bibliography\Format\Csv\CsvLine;

final class ReportController extends Controller
{
    public function show(Review $review): View
    {
        return view('report.show', ['review' => $review, 'flow' => FlowQuery::of($review), 'reasons' => FlowQuery::reasons($review), 'fullReasons' => FlowQuery::reasons($review, $review->lastStage()), 'sources' => FlowQuery::sources($review)]);
    }

    public function flow(Review $review, string $format): Response
    {
        $diagram = FlowQuery::diagram($review);
        $name = Str::limit(Str::slug($review->title), 40, '')."-flow.{$format}";
        [$type, $content] = match ($format) {
            'csv' => ['text/csv; charset=utf-8', CsvLine::BEGINNING.CsvLine::of(['phase', 'box', 'n']).implode('', array_map(CsvLine::of(...), $diagram->numbers()))],
            'svg' => ['image/svg+xml', $diagram->svg($review->title)],
            'png' => ['image/png', SvgPicture::of($diagram->svg($review->title), 'png')],
            default => ['application/pdf', SvgPicture::of($diagram->svg($review->title), 'pdf')],
        };

        return response($content, 200, ['Content-Type' => $type, 'Content-Disposition' => "attachment; filename=\"{$name}\""]);
    }
}
