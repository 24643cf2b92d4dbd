<?php

declare(strict_types=1);

namespace App\Http\Controllers\Drafting;

use App\Actions\Drafting\TakeOver;
use App\Actions\Drafting\TakeSection;
use App\Http\Controllers\Controller;
use App\Models\Draft;
use App\Models\DraftCriterion;
use App\Models\DraftItem;
use App\Models\Review;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Takes a draft over into the review, step by step. */
final class DraftTakingController extends Controller
{
    private const PAPERS = 10;

    public function criterion(
        Request $request,
        Review $review,
        Draft $draft,
        DraftCriterion $draftCriterion,
        TakeOver $take,
    ): RedirectResponse {
        $take->criterion($this->me($request), $draftCriterion);

        return redirect()
            ->route('drafts.show', [$review, $draft, 'step' => 'criteria'])
            ->with('notice', 'It is a criterion of the review now. Its wording can be changed under Question.');
    }

    public function item(
        Request $request,
        Review $review,
        Draft $draft,
        DraftItem $draftItem,
        TakeOver $take,
    ): RedirectResponse {
        $take->item($this->me($request), $draftItem);

        return redirect()
            ->route('drafts.show', [$review, $draft, 'step' => 'items'])
            ->with('notice', 'It is an item of the codebook now. Leads to its answers can be read under Coding.');
    }

    public function papers(Request $request, Review $review, Draft $draft, TakeOver $take): RedirectResponse
    {
        $delivery = $take->papers($this->me($request), $draft, self::PAPERS);

        return $delivery === null
            ? redirect()->route('drafts.show', [$review, $draft, 'step' => 'papers'])->with(
                'notice',
                'All of them are in the library already.',
            )
            : redirect()->route('deliveries.show', [$review, $delivery]);
    }

    /** The section as paragraphs of the report; the composer puts them in. */
    public function section(
        Request $request,
        Review $review,
        Draft $draft,
        string $section,
        TakeSection $take,
    ): JsonResponse {
        return response()->json($take->execute($this->me($request), $draft, $section));
    }
}
