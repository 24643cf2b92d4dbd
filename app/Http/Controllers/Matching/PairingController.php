<?php

declare(strict_types=1);

namespace App\Http\Controllers\Matching;

use App\Actions\Matching\ClaimGroup;
use App\Actions\Matching\RuleOnGroup;
use App\Actions\Shared\Refused;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Models\Matching;
use App\Models\Review;
use App\Models\User;
use App\Queries\Matching\PairingDesk;
use App\Queries\Matching\PairingGroup;
use App\Queries\Matching\PairingQueue;
use App\Queries\Matching\WaitingGroup;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class PairingController extends Controller
{
    private const RULING = [
        'parts' => ['required', 'array', 'min:1', 'max:30'],
        'parts.*' => ['array', 'min:1', 'max:60'],
        'parts.*.*' => ['string', 'size:26'],
        'later' => ['boolean'],
    ];

    public function show(Request $request, Review $review, ClaimGroup $claim): View
    {
        $key = Input::text($request, 'group');

        return view('matching.pairing', [
            'review' => $review,
            ...get_object_vars(
                $this->group($request, $review->latestMatching(), $key === '' ? null : $key, '', $claim),
            ),
        ]);
    }

    /** The next group as a piece of page, to have it there when this one is ruled on. */
    public function ahead(Request $request, Review $review, ClaimGroup $claim): View
    {
        $key = Input::text($request, 'group');

        return view('matching.pairing-group', [
            'review' => $review,
            ...get_object_vars($this->group(
                $request,
                $review->latestMatching(),
                $key === '' ? null : $key,
                Input::text($request, 'skip'),
                $claim,
            )),
        ]);
    }

    private static function left(Review $review, User $for): int
    {
        $matching = $review->latestMatching();

        return $matching === null ? 0 : count(PairingQueue::of($matching, $for)->groups);
    }

    public function rule(Request $request, Review $review, RuleOnGroup $rule): JsonResponse
    {
        $given = $request->validate(self::RULING);
        /** @var list<list<string>> $parts */
        $parts = array_map(array_values(...), array_values($given['parts']));
        $me = $this->me($request);
        try {
            $stroke = $given['later'] ?? false
                ? $rule->later($me, $review, array_merge(...$parts))
                : $rule->execute($me, $review, $parts);
        } catch (Refused $refused) {
            return response()->json(['message' => $refused->getMessage()], 409);
        }

        return response()->json(['stroke' => $stroke, 'left' => self::left($review, $me)]);
    }

    public function undo(Request $request, Review $review, RuleOnGroup $rule): JsonResponse
    {
        try {
            $rule->undo($this->me($request), $review, Input::text($request, 'stroke'));
        } catch (Refused $refused) {
            return response()->json(['message' => $refused->getMessage()], 409);
        }

        $matching = $review->latestMatching();

        return response()->json([
            'undone' => true,
            'left' => $matching === null ? 0 : count(PairingQueue::of($matching, $this->me($request))->groups),
        ]);
    }

    private function group(Request $request, ?Matching $matching, ?string $key, string $skip, ClaimGroup $claim): PairingDesk
    {
        if ($matching === null) {
            return new PairingDesk();
        }
        $queue = PairingQueue::of($matching, $this->me($request));
        $picked = $queue->pick($key, $skip);
        if ($picked !== null) {
            $claim->execute($this->me($request), $matching->review_id, $picked->publications);
        }

        return new PairingDesk(
            $picked === null ? null : PairingGroup::of($matching, $picked),
            count($queue->groups),
            $queue->claimed,
            count(array_filter($queue->groups, fn (WaitingGroup $group): bool => $group->later)),
        );
    }
}
