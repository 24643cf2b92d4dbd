<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Access\TokenAbility;
use App\Actions\Api\GiveToken;
use App\Http\Controllers\Controller;
use App\Models\AccessToken;
use App\Models\Review;
use App\Queries\Api\Listings;
use App\View\Api\OpenApi;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;

/** The programming interface as people read it, and their tokens for it. */
final class TokenController extends Controller
{
    public const DAYS = [30, 90, 365];

    /** One's own tokens; whoever manages the review sees all of them. */
    public function index(Request $request, Review $review): View
    {
        $tokens = AccessToken::query()->where('review_id', $review->id)->with('owner')->orderByDesc('id');
        if (! Gate::allows('manage', $review)) {
            $tokens->where('tokenable_id', $this->me($request)->id);
        }

        return view('api.show', [
            'review' => $review,
            'tokens' => $tokens->get(),
            'me' => $this->me($request)->id,
            'abilities' => TokenAbility::cases(),
            'days' => self::DAYS,
            'lists' => Listings::all(),
            'address' => rtrim(url('/api/v1'), '/'),
            'paths' => OpenApi::paths(),
        ]);
    }

    public function store(Request $request, Review $review, GiveToken $give): RedirectResponse
    {
        $given = $request->validate([
            'name' => ['required', 'string', 'max:120'],
            'abilities' => ['required', 'array', 'min:1'],
            'abilities.*' => [Rule::enum(TokenAbility::class)],
            'days' => ['required', 'integer', Rule::in(self::DAYS)],
        ], ['abilities.required' => 'Say what the program may do.']);
        $may = array_map(TokenAbility::from(...), array_values(array_unique($given['abilities'])));
        $until = now()->addDays((int) $given['days']);
        $token = $give->execute($this->me($request), $review, trim(mb_scrub($given['name'])), $may, $until);

        return redirect()->route('interface', $review)->with('token', $token);
    }

    public function destroy(Request $request, Review $review, string $token, GiveToken $give): RedirectResponse
    {
        $kept = AccessToken::query()->where('review_id', $review->id)->findOrFail($token);
        abort_unless($kept->tokenable_id === $this->me($request)->id || Gate::allows('manage', $review), 404);
        $give->takeBack($this->me($request), $kept);

        return redirect()->route('interface', $review)->with('notice', "“{$kept->name}” opens nothing any more.");
    }
}
