<?php

declare(strict_types=1);

namespace App\Http\Controllers\Team;

use App\Access\SecurityLog;
use App\Access\SignIn;
use App\Http\Controllers\Controller;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** The password once more, before what cannot be taken back or lets others in. */
final class WhoAgainController extends Controller
{
    public function ask(): View
    {
        return view('team.who-again');
    }

    public function answer(Request $request, SecurityLog $security): RedirectResponse
    {
        $request->validate(['password' => ['required', 'string', 'max:200', 'current_password']]);
        $request->session()->put(SignIn::SHOWN, now()->getTimestamp());
        $security->write('showed who again');

        return redirect()->intended(route('home'))->with('notice', 'Thank you. Now press it once more.');
    }
}
