<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\User;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Where a person is signed in. */
final class OpenSessions
{
    /** @return Collection<int, stdClass> with id, ip_address, user_agent and last_activity, the latest first */
    public static function of(User $user): Collection
    {
        return DB::table('sessions')
            ->where('user_id', $user->id)
            ->orderByDesc('last_activity')
            ->get(['id', 'ip_address', 'user_agent', 'last_activity']);
    }

    public static function endAll(User $user): void
    {
        DB::table('sessions')->where('user_id', $user->id)->delete();
    }

    /**
     * @param  string  $here  the session that goes on
     * @param  ?string  $which  SHA-256 of the one to end; null for all others
     * @return int how many ended
     */
    public static function endOthers(User $user, string $here, ?string $which): int
    {
        $others = self::of($user)->pluck('id')->filter(
            fn (string $id): bool => $id !== $here && ($which === null || hash('sha256', $id) === $which),
        );

        return DB::table('sessions')->whereIn('id', $others)->delete();
    }
}
