<?php

declare(strict_types=1);

namespace App\Http\Controllers\FullTexts;

use App\Actions\Coding\CarryCoding;
use App\Actions\FullTexts\LinkReports;
use App\Http\Controllers\Controller;
use App\Models\Publication;
use App\Models\Review;
use App\Models\Study;
use App\Queries\FullTexts\ListedStudy;
use App\Queries\FullTexts\Studies;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final class StudyController extends Controller
{
    public function index(Review $review): View
    {
        $studies = Studies::list($review);

        return view('full-texts.studies', [
            'review' => $review,
            'studies' => $studies,
            'reports' => array_sum(array_map(fn (ListedStudy $one): int => count($one->reports), $studies)),
            'leads' => Studies::leads($review),
        ]);
    }

    public function link(Request $request, Review $review, LinkReports $link): RedirectResponse
    {
        $given = $request->validate(
            [
                'reports' => ['required', 'array', 'max:200'],
                'reports.*' => ['string'],
                'name' => ['nullable', 'string', 'max:200'],
            ],
            ['reports.required' => 'Choose two reports or more of one study.'],
        );
        $study = $link->execute(
            $this->me($request),
            $review,
            array_values($given['reports']),
            trim($given['name'] ?? ''),
        );

        return redirect()
            ->route('studies', $review)
            ->with('notice', "They are reports of the study “{$study->name}” now.");
    }

    public function rename(Request $request, Review $review, Study $study, LinkReports $link): RedirectResponse
    {
        $link->rename(
            $this->me($request),
            $study,
            $request->validate(['name' => ['required', 'string', 'max:200']])['name'],
        );

        return redirect()->route('studies', $review);
    }

    /** Which of its reports a study is coded with. */
    public function carry(
        Request $request,
        Review $review,
        Publication $publication,
        CarryCoding $carry,
    ): RedirectResponse {
        $study = Study::query()->where('review_id', $review->id)->findOrFail($publication->study_id ?? '');
        $carry->execute($this->me($request), $study, $publication);

        return back()->with(
            'notice',
            'The study is coded with this report now. What others were answered and this one was not went along.',
        );
    }

    public function takeOut(
        Request $request,
        Review $review,
        Publication $publication,
        LinkReports $link,
    ): RedirectResponse {
        $link->takeOut($this->me($request), $publication);

        return redirect()->route('studies', $review)->with('notice', 'It stands for a study of its own again.');
    }
}
