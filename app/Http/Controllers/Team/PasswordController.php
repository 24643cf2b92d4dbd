<?php

declare(strict_types=1);

namespace App\Http\Controllers\Team;

use App\Access\OpenSessions;
use App\Access\Passwords;
use App\Access\SecurityLog;
use App\Access\Totp;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Http\Middleware\EndOldSessions;
use App\Jobs\Team\SendResetLink;
use App\Models\SecondFactor;
use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Password;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

final class PasswordController extends Controller
{
    public function __construct(private readonly SecurityLog $security)
    {
    }

    public function forgotten(): View
    {
        return view('team.forgot-password');
    }

    public function sendLink(Request $request): RedirectResponse
    {
        $given = $request->validate(['email' => ['required', 'string', 'email', 'max:255']]);
        SendResetLink::dispatch($given['email']);
        $this->security->write('new password asked for', ['address' => hash('sha256', mb_strtolower($given['email']))]);

        // the same words whether or not the address is known
        return redirect()
            ->route('sign-in')
            ->with('notice', 'If that address is known here, a letter with a link is on its way.');
    }

    public function edit(Request $request, string $token): View
    {
        return view('team.reset-password', ['token' => $token, 'email' => Input::text($request, 'email')]);
    }

    public function update(Request $request): RedirectResponse
    {
        $given = $request->validate([
            'token' => ['required', 'string', 'max:255'],
            'email' => ['required', 'string', 'email', 'max:255'],
            'password' => ['required', ...Passwords::rules(Input::text($request, 'email'))],
        ]);
        $status = Password::broker()->reset($given, fn (User $user, string $password) => $this->give($user, $password));
        if ($status !== Password::PASSWORD_RESET) {
            throw ValidationException::withMessages(['email' => 'This link can no longer be used. Ask for a new one.']);
        }

        return redirect()->route('sign-in')->with('notice', 'Your new password is set. Sign in with it.');
    }

    public function account(Request $request): View
    {
        $me = $this->me($request);
        $factor = SecondFactor::query()->where('user_id', $me->id)->first();

        return view('team.account', [
            'user' => $me,
            'factor' => $factor,
            'factorAddress' => $factor === null ? '' : Totp::address(self::title(), $me->email, $factor->key),
            'sessions' => OpenSessions::of($me),
            'here' => $request->session()->getId(),
        ]);
    }

    /** How this copy is told from others on a device. */
    private static function title(): string
    {
        return config('app.name').' '.parse_url((string) config('app.url'), PHP_URL_HOST);
    }

    public function change(Request $request): RedirectResponse
    {
        $user = $this->me($request);
        $given = $request->validate([
            'name' => ['required', 'string', 'max:120'],
            'current_password' => ['required_with:password', 'nullable', 'string', 'max:200', 'current_password'],
            'password' => ['nullable', ...Passwords::rules($user->email, $user->name, Input::text($request, 'name'))],
        ]);
        $user->update(['name' => $given['name']]);
        if (($given['password'] ?? null) !== null) {
            $this->give($user, $given['password']);
            self::stay($request, $user);
        }

        return redirect()->route('account')->with('notice', 'Saved.');
    }

    /** All sessions end with the old password, but for this one. */
    private static function stay(Request $request, User $user): void
    {
        Auth::login($user);
        $request->session()->regenerate();
        $request->session()->put(EndOldSessions::KEY, now()->getTimestamp());
    }

    /** Sessions that were open with the old password end, and so do links that were sent for a new one. */
    private function give(User $user, string $password): void
    {
        $this->security->write('password changed', ['of' => $user->id]);
        Password::deleteToken($user);
        $user->forceFill(['password' => Hash::make($password), 'remember_token' => Str::random(60)])->save();
        OpenSessions::endAll($user);
    }
}
