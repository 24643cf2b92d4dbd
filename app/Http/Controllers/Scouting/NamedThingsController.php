<?php

declare(strict_types=1);

namespace App\Http\Controllers\Scouting;

use App\Actions\Scouting\IntoBoard;
use App\Files\Out\TableDownload;
use App\Http\Controllers\Controller;
use App\Http\Requests\Scouting\ScoutingRequest;
use App\Models\Review;
use App\Models\Scouting;
use App\Models\Strategy;
use App\Queries\Scouting\BoardConcepts;
use App\Queries\Scouting\FoundPapers;
use App\Queries\Scouting\NamedThings;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use WaryHeron\Core\Scouting\Named\NameKind;

/** The things of one kind that papers name, and their way into a strategy. */
final class NamedThingsController extends Controller
{
    private const NAMES = [
        'names' => ['required', 'array', 'max:100'],
        'names.*' => ['string', 'max:200'],
        'concept' => ['required', 'string', 'max:60'],
    ];

    private const UNNAMED = ['names.required' => 'Tick first what is to go into the strategy.'];

    public function show(ScoutingRequest $request, Review $review, Scouting $scouting, NameKind $kind): View
    {
        return view('scouting.named', [
            'review' => $review,
            'scouting' => $scouting,
            'kind' => $kind,
            'things' => NamedThings::of($scouting, new FoundPapers($scouting, $request->terms($scouting)), $kind),
            'concepts' => BoardConcepts::of($review),
        ]);
    }

    public function download(
        ScoutingRequest $request,
        Review $review,
        Scouting $scouting,
        NameKind $kind,
        string $format,
    ): BinaryFileResponse {
        $things = NamedThings::of($scouting, new FoundPapers($scouting, $request->terms($scouting)), $kind);

        return TableDownload::make("{$kind->label()} {$scouting->question}", $format, NamedThings::rows($things));
    }

    /** The names ticked, as terms of a concept of a strategy. */
    public function board(
        Request $request,
        Review $review,
        Scouting $scouting,
        NameKind $kind,
        IntoBoard $into,
    ): RedirectResponse {
        $given = $request->validate(self::NAMES, self::UNNAMED);
        [$strategy, $block] = [...explode('/', $given['concept'], 2), ''];
        $strategy = Strategy::query()->where('review_id', $review->id)->whereNull('archived_at')->findOrFail($strategy);
        $names = array_values($given['names']);
        $concept = $into->execute($this->me($request), $strategy, $block, Str::ucfirst($kind->label()), $names);
        $taken = count($names).' '.Str::plural('name', count($names))." taken into “{$concept}”. Undo takes them off.";

        return redirect()->route('strategies.show', [$review, $strategy])->with('notice', $taken);
    }
}
