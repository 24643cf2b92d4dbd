<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\User;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Session;
use stdClass;

/** Where a person is signed in, wherever this copy keeps its sessions. */
final class OpenSessions
{
    /** @return Collection<int, stdClass> with id, ip_address, user_agent and last_activity, the latest first */
    public static function of(User $user): Collection
    {
        return self::inRedis()?->openOf($user->id) ??
            DB::table('sessions')
                ->where('user_id', $user->id)
                ->orderByDesc('last_activity')
                ->get(['id', 'ip_address', 'user_agent', 'last_activity']);
    }

    public static function endAll(User $user): void
    {
        self::end($user, self::of($user)->pluck('id'));
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
        self::end($user, $others);

        return $others->count();
    }

    /** @param  Collection<int, string>  $ids */
    private static function end(User $user, Collection $ids): void
    {
        $redis = self::inRedis();
        $redis === null
            ? DB::table('sessions')->where('user_id', $user->id)->whereIn('id', $ids)->delete()
            : $redis->end(array_values($ids->all()), $user->id);
    }

    private static function inRedis(): ?RedisSessions
    {
        $handler = Session::driver()->getHandler();

        return $handler instanceof RedisSessions ? $handler : null;
    }
}
