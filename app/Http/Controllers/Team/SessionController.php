<?php

declare(strict_types=1);

namespace App\Http\Controllers\Team;

use App\Access\OpenSessions;
use App\Access\SecurityLog;
use App\Access\SignIn;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Models\SecondFactor;
use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

final class SessionController extends Controller
{
    /** What nobody's password is; made with the costs of the day when it is first needed. */
    private static ?string $nobodys = null;

    public function __construct(private readonly SecurityLog $security, private readonly SignIn $signIn)
    {
    }

    public function create(): View
    {
        return view('team.sign-in');
    }

    public function store(Request $request): RedirectResponse
    {
        $given = $request->validate([
            'email' => ['required', 'string', 'email', 'max:255'],
            'password' => ['required', 'string', 'max:200'],
        ]);
        $user = $this->known($given['email'], $given['password']);
        if (Hash::needsRehash($user->password)) {
            $user->update(['password' => $given['password']]);
        }
        if (SecondFactor::of($user) !== null) {
            $this->signIn->halfway($user, $request);

            return redirect()->route('sign-in.second');
        }
        $this->signIn->as($user, $request, 'password');

        return redirect()->intended(route('home'));
    }

    /** @throws ValidationException */
    private function known(string $address, string $password): User
    {
        $user = User::withAddress($address);
        // as much work for an address that nobody has, so that the time does not tell who has an account
        $right = Hash::check(
            $password,
            $user === null ? (self::$nobodys ??= Hash::make(Str::random(40))) : $user->password,
        );
        if ($user === null || ! $right) {
            $this->security->write('sign-in failed', ['address' => hash('sha256', mb_strtolower($address))]);
            throw ValidationException::withMessages([
                'email' => 'No person with this address and password is known here.',
            ]);
        }

        return $user;
    }

    public function destroy(Request $request): RedirectResponse
    {
        $this->security->write('signed out');
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        // from an invitation that is for somebody else back to it
        $then = Input::text($request, 'then');

        return (preg_match('/^\w{48}$/', $then) === 1
            ? redirect()->route('invitations.show', $then)
            : redirect()->route('sign-in')
        )->with('notice', 'You are signed out.');
    }

    /** Ends one of one's other sessions, or all of them. */
    public function end(Request $request): RedirectResponse
    {
        $which = $request->validate(['session' => ['nullable', 'string', 'size:64']])['session'] ?? null;
        $ended = OpenSessions::endOthers($this->me($request), $request->session()->getId(), $which);
        $this->security->write('sessions ended', ['count' => $ended]);

        return redirect()
            ->to(route('account').'#sessions')
            ->with('notice', $ended === 1 ? 'That sign-in has ended.' : "{$ended} sign-ins have ended.");
    }
}
