<?php

declare(strict_types=1);

namespace App\Access;

use App\Http\Middleware\EndOldSessions;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;

/** Lets a person in who has shown who they are, and remembers since when. */
final readonly class SignIn
{
    /** Who has said their password, and has to show their second factor yet. */
    private const HALFWAY = 'half signed in';

    private const HALFWAY_SECONDS = 600;

    /** When a password, a second factor or an institution said last that it is they. */
    public const SHOWN = 'shown who at';

    public function __construct(private SecurityLog $security)
    {
    }

    public function as(User $user, Request $request, string $how): void
    {
        Auth::login($user);
        $request->session()->regenerate();
        $request->session()->forget(self::HALFWAY);
        $request->session()->put([EndOldSessions::KEY => now()->getTimestamp(), self::SHOWN => now()->getTimestamp()]);
        $this->security->write('signed in', ['by' => $how]);
    }

    public function halfway(User $user, Request $request): void
    {
        $request->session()->regenerate();
        $request->session()->put(self::HALFWAY, ['user' => $user->id, 'at' => now()->getTimestamp()]);
    }

    public static function waiting(Request $request): ?User
    {
        $half = $request->session()->get(self::HALFWAY);

        return is_array($half) && now()->getTimestamp() - (int) $half['at'] < self::HALFWAY_SECONDS
            ? User::query()->whereKey($half['user'])->first()
            : null;
    }
}
