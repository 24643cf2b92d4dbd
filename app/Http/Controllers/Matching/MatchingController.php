<?php

declare(strict_types=1);

namespace App\Http\Controllers\Matching;

use App\Actions\Matching\JoinPublications;
use App\Actions\Matching\SaveMatchSettings;
use App\Actions\Matching\StartJoining;
use App\Actions\Matching\StartMatching;
use App\Actions\Matching\UndoJoins;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Http\Requests\Matching\TriedSettings;
use App\Models\Join;
use App\Models\Matching;
use App\Models\Review;
use App\Queries\Matching\CertainGroup;
use App\Queries\Matching\CertainGroups;
use App\Queries\Matching\GroupTitles;
use App\Queries\Matching\JoinedPublications;
use App\Queries\Matching\PairingQueue;
use App\Queries\Matching\ScoreHistogram;
use App\Tasks\TaskState;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final class MatchingController extends Controller
{
    public function show(Request $request, Review $review): View
    {
        $matching = $review->latestMatching();
        $settings = TriedSettings::of($request, $review);
        $groups = $matching === null ? [] : CertainGroups::shown($matching);

        return view('matching.index', [
            'review' => $review,
            'matching' => $matching,
            'running' => $review
                ->matchings()
                ->whereIn('state', TaskState::underWay())
                ->exists(),
            'settings' => $settings,
            'kept' => $review->matchSettings(),
            'picture' => $matching === null ? null : ScoreHistogram::of($matching, $settings),
            'groups' => count($groups),
            'groupRecords' => array_sum(array_map(fn (CertainGroup $group): int => count($group->publications), $groups)),
            'asked' => $matching === null ? 0 : count(PairingQueue::of($matching, $this->me($request))->groups),
            'stale' => $matching !== null &&
                $review->deliveries()->where('updated_at', '>', $matching->created_at)->where('kept', '>', 0)->exists(),
        ]);
    }

    public function start(Request $request, Review $review, StartMatching $start): RedirectResponse
    {
        $start->execute($this->me($request), $review);

        return redirect()
            ->route('matching', $review)
            ->with('notice', 'Comparing all records. Nothing is joined by that.');
    }

    public function save(Request $request, Review $review, SaveMatchSettings $save): RedirectResponse
    {
        $again = $save->execute($this->me($request), $review, TriedSettings::of($request, $review));

        return redirect()
            ->route('matching', $review)
            ->with(
                'notice',
                $again
                    ? 'Kept. The records are being compared again, since fields count differently now.'
                    : 'Kept. Rulings that people made stand as they are.',
            );
    }

    public function certain(Request $request, Review $review): View
    {
        $matching = $review->latestMatching();
        $groups = $matching === null ? [] : CertainGroups::shown($matching);
        $sample = $request->boolean('sample');
        if ($sample) {
            $groups = $this->someOf($groups, 20, Input::whole($request, 'seed', 1, 2_147_483_647));
        }
        $page = Input::page($request);

        return view('matching.certain', [
            'review' => $review,
            'count' => count($groups),
            'page' => $page,
            'sample' => $sample,
            'seed' => Input::whole($request, 'seed', 1, 2_147_483_647),
            'groups' => GroupTitles::of($review, array_slice($groups, 50 * ($page - 1), 50)),
        ]);
    }

    public function join(Request $request, Review $review, StartJoining $start): RedirectResponse
    {
        $start->execute($this->me($request), $review, $review->latestMatching() ?? abort(404));

        return redirect()
            ->route('matching.joined', $review)
            ->with('notice', 'Joining the certain ones. Look at some of them when it is done.');
    }

    public function joined(Request $request, Review $review): View
    {
        return view('matching.joined', [
            'review' => $review,
            'joined' => JoinedPublications::of($review, Input::page($request), $request->boolean('sample')),
        ]);
    }

    public function undo(Request $request, Review $review, Join $join, JoinPublications $publications): RedirectResponse
    {
        $publications->undo($this->me($request), $join);

        return back()->with(
            'notice',
            'Taken apart again; it is not joined again by itself as long as you rule it different at the Pairing Desk.',
        );
    }

    public function undoAll(Request $request, Review $review, Matching $matching, UndoJoins $undo): RedirectResponse
    {
        $count = $undo->execute($this->me($request), $matching);

        return redirect()
            ->route('matching.joined', $review)
            ->with('notice', number_format($count).' joined publications were taken apart again.');
    }

    /**
     * @template T
     *
     * @param  list<T>  $of
     * @return list<T>
     */
    private function someOf(array $of, int $count, int $seed): array
    {
        return array_slice((new \Random\Randomizer(new \Random\Engine\Mt19937($seed)))->shuffleArray($of), 0, $count);
    }
}
