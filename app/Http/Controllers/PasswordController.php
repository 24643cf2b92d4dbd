<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Mail\PlainLetter;
use App\Models\User;
use App\Support\Input;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\Password;
use Illuminate\Support\Str;
use Illuminate\Validation\Rules\Password as Strength;
use Illuminate\Validation\ValidationException;

final class PasswordController extends Controller
{
    public function forgotten(): View
    {
        return view('people.forgot-password');
    }

    public function sendLink(Request $request): RedirectResponse
    {
        $given = $request->validate(['email' => ['required', 'email', 'max:255']]);
        $user = User::query()->whereRaw('lower(email) = ?', [mb_strtolower($given['email'])])->first();
        if ($user !== null) {
            $token = Password::createToken($user);
            Mail::to($user->email)->send(new PlainLetter('A new password for Wary Heron', [
                "Hello {$user->name},", 'Somebody, we hope you, asked for a new password. To choose one, open this address within an hour:',
                route('password.reset', ['token' => $token, 'email' => $user->email]), 'If it was not you, leave this unanswered; your password stays as it is.',
            ]));
        }

        // the same words whether or not the address is known
        return redirect()->route('sign-in')->with('notice', 'If that address is known here, a letter with a link is on its way.');
    }

    public function edit(Request $request, string $token): View
    {
        return view('people.reset-password', ['token' => $token, 'email' => Input::text($request, 'email')]);
    }

    public function update(Request $request): RedirectResponse
    {
        $given = $request->validate([
            'token' => ['required', 'string'], 'email' => ['required', 'email'], 'password' => ['required', 'confirmed', 'max:200', Strength::min(12)],
        ]);
        $status = Password::broker()->reset($given, fn (User $user, string $password) => $this->give($user, $password));
        if ($status !== Password::PASSWORD_RESET) {
            throw ValidationException::withMessages(['email' => 'This link can no longer be used. Ask for a new one.']);
        }

        return redirect()->route('sign-in')->with('notice', 'Your new password is set. Sign in with it.');
    }

    public function account(Request $request): View
    {
        return view('people.account', ['user' => $this->me($request)]);
    }

    public function change(Request $request): RedirectResponse
    {
        $given = $request->validate([
            'name' => ['required', 'string', 'max:120'],
            'current_password' => ['required_with:password', 'nullable', 'current_password'],
            'password' => ['nullable', 'confirmed', 'max:200', Strength::min(12)],
        ]);
        $user = $this->me($request);
        $user->update(['name' => $given['name']]);
        if (($given['password'] ?? null) !== null) {
            $this->give($user, $given['password']);
            Auth::login($user);
            $request->session()->regenerate();
        }

        return redirect()->route('account')->with('notice', 'Saved.');
    }

    /** Sessions that were open with the old password end. */
    private function give(User $user, string $password): void
    {
        $user->forceFill(['password' => Hash::make($password), 'remember_token' => Str::random(60)])->save();
        DB::table('sessions')->where('user_id', $user->id)->delete();
    }
}
