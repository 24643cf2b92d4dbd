<?php

declare(strict_types=1);

namespace App\Http\Controllers\Team;

use App\Access\SecurityLog;
use App\Access\SignIn;
use App\Actions\Team\ChangeSecondFactor;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Models\SecondFactor;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** A code beside the password: asked for at sign-in, and set up by each person for themselves. */
final class SecondFactorController extends Controller
{
    public function __construct(private readonly ChangeSecondFactor $change)
    {
    }

    public function ask(Request $request): View|RedirectResponse
    {
        return SignIn::waiting($request) === null ? redirect()->route('sign-in') : view('team.second-factor-asked');
    }

    public function answer(Request $request, SignIn $signIn, SecurityLog $security): RedirectResponse
    {
        $user = SignIn::waiting($request);
        if ($user === null) {
            return redirect()->route('sign-in')->with('notice', 'That took too long. Sign in again.');
        }
        if (! $this->change->takes($user, $this->code($request))) {
            $security->write('second factor failed', ['of' => $user->id]);
            throw ValidationException::withMessages(['code' => 'That is no code of yours, or it was used already.']);
        }
        $signIn->as($user, $request, 'password and second factor');

        return redirect()->intended(route('home'));
    }

    public function begin(Request $request): RedirectResponse
    {
        $this->change->begin($this->me($request));

        return redirect()->to(route('account').'#second-factor');
    }

    public function confirm(Request $request): RedirectResponse
    {
        $codes = $this->change->confirm($this->me($request), $this->code($request));
        if ($codes === null) {
            throw ValidationException::withMessages([
                'code' => 'That is not what the device should show. Is its clock right?',
            ])->redirectTo(route('account').'#second-factor');
        }

        return redirect()->to(route('account').'#second-factor')->with('recovery', $codes);
    }

    public function renew(Request $request): RedirectResponse
    {
        $factor = SecondFactor::of($this->me($request)) ?? abort(404);

        return redirect()->to(route('account').'#second-factor')->with('recovery', $this->change->renew($factor));
    }

    public function remove(Request $request): RedirectResponse
    {
        $this->change->remove($this->me($request));

        return redirect()->to(route('account').'#second-factor')->with('notice', 'Your password alone signs you in now.');
    }

    private function code(Request $request): string
    {
        $request->validate(['code' => ['required', 'string', 'max:40']]);

        return Input::text($request, 'code');
    }
}
