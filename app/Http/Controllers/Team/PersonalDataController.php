<?php

declare(strict_types=1);

namespace App\Http\Controllers\Team;

use App\Actions\Team\RemoveMyself;
use App\Http\Controllers\Controller;
use App\Queries\Team\PersonalData;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** What is kept about oneself: told, and removed. */
final class PersonalDataController extends Controller
{
    public function download(Request $request): StreamedResponse
    {
        $me = $this->me($request);

        return response()->streamDownload(function () use ($me): void {
            foreach (PersonalData::json($me) as $piece) {
                echo $piece;
            }
        }, 'what-is-kept-about-me.json', ['Content-Type' => 'application/json']);
    }

    public function remove(Request $request, RemoveMyself $remove): RedirectResponse
    {
        $request->validate(
            ['removing_password' => ['required', 'string', 'max:200', 'current_password'], 'sure' => ['accepted']],
            ['sure.accepted' => 'Say that you are sure.'],
        );
        $instead = $remove->execute($this->me($request));
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return redirect()
            ->route('sign-in')
            ->with('notice', "Your account is removed. What you did in reviews stays there, by “{$instead}”.");
    }
}
