<?php

declare(strict_types=1);

namespace App\Http\Controllers\Team;

use App\Access\Institution;
use App\Access\InstitutionFailed;
use App\Access\SecurityLog;
use App\Access\SignIn;
use App\Actions\Team\PersonOfInstitution;
use App\Http\Controllers\Controller;
use App\Models\SecondFactor;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Sign-in at the institution that this copy is set up with. */
final class InstitutionController extends Controller
{
    public function __construct(private readonly SecurityLog $security)
    {
    }

    public function begin(Request $request): RedirectResponse
    {
        abort_unless(Institution::isThere(), 404);
        try {
            return redirect()->away(app(Institution::class)->begin($request));
        } catch (InstitutionFailed $failed) {
            return $this->refused($failed);
        }
    }

    public function back(Request $request, PersonOfInstitution $people, SignIn $signIn): RedirectResponse
    {
        abort_unless(Institution::isThere(), 404);
        try {
            $user = $people->find(app(Institution::class)->complete($request));
        } catch (InstitutionFailed $failed) {
            return $this->refused($failed);
        }
        $here = $request->user();
        if ($here instanceof User && ! $here->is($user)) {
            return redirect()->route('who-again')->with('problem', 'You signed in there as somebody else.');
        }
        if (! $here instanceof User && SecondFactor::of($user) !== null) {
            $signIn->halfway($user, $request);

            return redirect()->route('sign-in.second');
        }
        $signIn->as($user, $request, 'institution');

        return redirect()->intended(route('home'));
    }

    private function refused(InstitutionFailed $failed): RedirectResponse
    {
        $why = $failed->getPrevious()?->getMessage() ?? $failed->getMessage();
        $this->security->write('institution refused', ['why' => mb_substr($why, 0, 200)]);

        return redirect()->route('sign-in')->with('problem', $failed->getMessage());
    }
}
