<?php

declare(strict_types=1);

namespace App\Http\Controllers\Team;

use App\Access\Role;
use App\Actions\Team\ChangeTeam;
use App\Actions\Team\InvitePerson;
use App\Http\Controllers\Controller;
use App\Models\Invitation;
use App\Models\Membership;
use App\Models\Review;
use App\Queries\Screening\ShareOut\Shares;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

final class TeamController extends Controller
{
    public function show(Review $review): View
    {
        return view('team.members', [
            'review' => $review,
            'open' => Shares::open($review),
            'members' => $review->memberships()->with('user')->get()->sortBy('user.name'),
            'invitations' => $review
                ->invitations()
                ->with('inviter')
                ->whereNull('accepted_at')
                ->whereNull('withdrawn_at')
                ->get(),
        ]);
    }

    public function invite(Request $request, Review $review, InvitePerson $invite): RedirectResponse
    {
        $given = $request->validate([
            'email' => ['required', 'email', 'max:255'],
            'role' => ['required', Rule::enum(Role::class)],
        ]);
        $invite->execute($this->me($request), $review, $given['email'], Role::from($given['role']));

        return redirect()
            ->route('team', $review)
            ->with('notice', "An invitation is on its way to {$given['email']}.");
    }

    public function change(
        Request $request,
        Review $review,
        Membership $membership,
        ChangeTeam $change,
    ): RedirectResponse {
        $given = $request->validate(['role' => ['required', Rule::enum(Role::class)]]);
        $change->giveRole($this->me($request), $review, $membership, Role::from($given['role']));

        return redirect()->route('team', $review)->with('notice', 'The role is changed.');
    }

    public function remove(
        Request $request,
        Review $review,
        Membership $membership,
        ChangeTeam $change,
    ): RedirectResponse {
        $freed = $change->remove($this->me($request), $review, $membership);

        return redirect()
            ->route('team', $review)
            ->with(
                'notice',
                'Removed. What this person did is kept.'.
                    ($freed > 0
                        ? ' '.
                            number_format($freed).
                            ($freed === 1 ? ' item that was' : ' items that were').
                            ' shared out to them is in nobody’s share now; share it out anew.'
                        : ''),
            );
    }

    public function withdraw(
        Request $request,
        Review $review,
        Invitation $invitation,
        ChangeTeam $change,
    ): RedirectResponse {
        $change->withdraw($this->me($request), $review, $invitation);

        return redirect()->route('team', $review)->with('notice', 'The invitation is withdrawn.');
    }
}
