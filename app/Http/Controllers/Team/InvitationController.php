<?php

declare(strict_types=1);

namespace App\Http\Controllers\Team;

use App\Access\Passwords;
use App\Access\SecurityLog;
use App\Access\SignIn;
use App\Actions\Team\AcceptInvitation;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Models\Invitation;
use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;

/** The link in an invitation: its holder signs in, or sets up an account, and is in. */
final class InvitationController extends Controller
{
    public function show(Request $request, string $token): View
    {
        $invitation = $this->find($token);

        return view('team.invitation', [
            'invitation' => $invitation,
            'token' => $token,
            'known' => $this->holder($invitation) !== null,
            'user' => $request->user(),
            'theirs' => $request->user() !== null && strcasecmp($request->user()->email, $invitation->email) === 0,
        ]);
    }

    public function accept(
        Request $request,
        string $token,
        AcceptInvitation $accept,
        SecurityLog $security,
        SignIn $signIn,
    ): RedirectResponse {
        $invitation = $this->find($token);
        $user = $request->user();
        if ($user === null && $this->holder($invitation) !== null) {
            $request->session()->put('url.intended', route('invitations.show', $token));

            return redirect()->route('sign-in')->with('notice', 'Sign in first; then accept the invitation.');
        }
        $user = $user === null ? self::newcomer($request, $invitation, $accept) : $accept->execute($user, $invitation);
        if (! Auth::check()) {
            $signIn->as($user, $request, 'invitation');
        }
        $security->write('invitation accepted', ['review' => $invitation->review_id]);

        return redirect()->route('question', $invitation->review_id)->with('notice', 'Welcome to the team.');
    }

    private function find(string $token): Invitation
    {
        return Invitation::query()
            ->where('token_hash', hash('sha256', $token))
            ->with('review', 'inviter')
            ->firstOrFail();
    }

    private function holder(Invitation $invitation): ?User
    {
        return User::withAddress($invitation->email);
    }

    private static function newcomer(Request $request, Invitation $invitation, AcceptInvitation $accept): User
    {
        $given = $request->validate([
            'name' => ['required', 'string', 'max:120'],
            'password' => ['required', ...Passwords::rules($invitation->email, Input::text($request, 'name'))],
        ]);

        return $accept->asNew($invitation, $given['name'], $given['password']);
    }
}
