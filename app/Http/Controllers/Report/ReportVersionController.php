<?php

declare(strict_types=1);

namespace App\Http\Controllers\Report;

use App\Actions\Report\KeepVersion;
use App\Actions\Report\ReadReport;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Models\Report;
use App\Models\ReportVersion;
use App\Models\Review;
use App\Queries\Report\Composed\ComparedVersions;
use App\Queries\Report\Written\WrittenBy;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** States of a report that somebody gave a name. */
final class ReportVersionController extends Controller
{
    public function store(Request $request, Review $review, KeepVersion $keep): RedirectResponse
    {
        $given = $request->validate(['name' => ['required', 'string', 'max:200']]);
        $keep->execute($this->me($request), Report::of($review)->firstOrFail(), trim($given['name']));

        return redirect()->route('report.text', $review)->with('notice', "The report is kept as “{$given['name']}”.");
    }

    /** Two of them, or one and the report as it is. */
    public function compare(Request $request, Review $review, ReadReport $read): View
    {
        $report = $read->execute(Report::of($review)->firstOrFail());
        $versions = self::of($report)->orderByDesc('id')->limit(200)->get(['id', 'name', 'created_at']);
        $from = self::version($report, Input::text($request, 'from') ?: (string) $versions->first()?->id);
        $to = self::version($report, Input::text($request, 'to'));

        return view('report.compare', [
            'review' => $review,
            'versions' => $versions,
            'from' => $from,
            'to' => $to,
            'compared' => $from === null ? null : ComparedVersions::of($report, $from, $to),
        ]);
    }

    /** Who wrote which of the words that stand now. */
    public function written(Request $request, Review $review, ReadReport $read): View
    {
        $report = $read->execute(Report::of($review)->firstOrFail());

        return view('report.written', [
            'review' => $review,
            'written' => WrittenBy::of($report),
            'who' => Input::text($request, 'who'),
        ]);
    }

    /** @return Builder<ReportVersion> */
    private static function of(Report $report): Builder
    {
        return ReportVersion::query()->where('review_id', $report->review_id)->where('report_id', $report->id);
    }

    private static function version(Report $report, string $id): ?ReportVersion
    {
        return $id === '' ? null : self::of($report)->findOrFail($id);
    }
}
