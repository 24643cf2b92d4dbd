<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Validation\ValidationException;

final class SessionController extends Controller
{
    public function create(): View
    {
        return view('people.sign-in');
    }

    public function store(Request $request): RedirectResponse
    {
        $given = $request->validate(['email' => ['required', 'email', 'max:255'], 'password' => ['required', 'string', 'max:200']]);
        $matches = ['email' => fn ($users) => $users->whereRaw('lower(email) = ?', [mb_strtolower($given['email'])]), 'password' => $given['password']];
        if (! Auth::attempt($matches, $request->boolean('remember'))) {
            throw ValidationException::withMessages(['email' => 'No person with this address and password is known here.']);
        }
        $request->session()->regenerate();

        return redirect()->intended(route('home'));
    }

    public function destroy(Request $request): RedirectResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return redirect()->route('sign-in')->with('notice', 'You are signed out.');
    }
}
