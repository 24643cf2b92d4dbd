<?php

declare(strict_types=1);

namespace App\Http\Controllers\Drafting;

use App\Actions\Drafting\RunDraft;
use App\Actions\Drafting\StartDraft;
use App\Actions\Scouting\AskPlainly;
use App\Files\Out\TableDownload;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Models\Draft;
use App\Models\Report;
use App\Models\Review;
use App\Models\Scouting;
use App\Queries\Drafting\DraftPage;
use App\Queries\Drafting\DraftRows;
use App\Sources\Sources;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** Whole reviews drafted by machine from a plain question, each step to be looked at and changed. */
final class DraftController extends Controller
{
    public const STEPS = ['papers', 'criteria', 'items', 'report'];

    public function start(Request $request, Review $review, Scouting $scouting, StartDraft $start): RedirectResponse
    {
        $given = $request->validate([
            'depth' => ['required', 'integer', Rule::in(StartDraft::DEPTHS)],
            'in_full' => ['required', 'integer', Rule::in(StartDraft::IN_FULL)],
        ]);
        $draft = $start->execute($this->me($request), $scouting, (int) $given['depth'], (int) $given['in_full']);

        return redirect()->route('drafts.show', [$review, $draft]);
    }

    public function show(Request $request, Review $review, Draft $draft, Sources $sources): View
    {
        $step = Input::text($request, 'step');
        $step = in_array($step, self::STEPS, true) ? $step : 'report';
        $page = new DraftPage($draft, $sources);

        return view('drafting.show', [
            'review' => $review,
            'draft' => $draft,
            'step' => $step,
            'page' => $page,
            'sources' => $sources,
            'criterion' => Input::text($request, 'criterion'),
            'answer' => Input::text($request, 'answer'),
            'only' => Input::text($request, 'only'),
            'shown' => Input::whole($request, 'shown', DraftPage::SHOWN, 1000),
            'isWaiting' => AskPlainly::isUnderWay($draft->scouting),
            'isUnderWay' => RunDraft::isUnderWay($draft),
            'hasReport' => Report::of($review)->exists(),
        ]);
    }

    /** One step as a table, with the answers and their reasons. */
    public function download(
        Review $review,
        Draft $draft,
        string $step,
        string $format,
        Sources $sources,
    ): BinaryFileResponse {
        return TableDownload::make("draft-{$step}", $format, DraftRows::of(new DraftPage($draft, $sources), $step));
    }
}
