<?php

declare(strict_types=1);

namespace App\Http\Controllers\Synthesis;

use App\Actions\Synthesis\JudgeCertainty;
use App\Files\Out\TableDownload;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Models\KeptAnalysis;
use App\Models\Review;
use App\Queries\Synthesis\CertaintyTable;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use WaryHeron\Core\Synthesis\Certainty\Certainty;
use WaryHeron\Core\Synthesis\Certainty\CertaintyDomain;
use WaryHeron\Core\Synthesis\Certainty\CertaintyLevel;

/** How sure the team is of what its analyses find. */
final class CertaintyController extends Controller
{
    public function show(Review $review): View
    {
        return view('synthesis.certainty', ['review' => $review, 'rows' => CertaintyTable::of($review)]);
    }

    public function update(Request $request, Review $review, KeptAnalysis $analysis, JudgeCertainty $judge): RedirectResponse
    {
        $domains = array_column(CertaintyDomain::cases(), 'value');
        $given = $request->validate([
            'start' => ['required', 'in:'.implode(',', array_column(CertaintyLevel::cases(), 'value'))],
            'baseline' => ['nullable', 'integer', 'between:1,999'],
            'reasons' => ['array:'.implode(',', $domains)],
            'reasons.*.steps' => ['nullable', 'integer', 'between:0,'.Certainty::MOST_STEPS],
            'reasons.*.why' => ['nullable', 'string', 'max:500'],
        ]);
        $baseline = isset($given['baseline']) ? (int) $given['baseline'] : null;
        $judge->execute($this->me($request), $analysis, Certainty::fromArray($given), $baseline, Input::shown($request));

        return redirect()->route('certainty', $review)->with('notice', "The certainty of “{$analysis->title}” is kept.");
    }

    public function download(Review $review, string $format): Response
    {
        return TableDownload::make("{$review->title} certainty", $format, CertaintyTable::cells(CertaintyTable::of($review)));
    }
}
