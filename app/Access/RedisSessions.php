<?php

declare(strict_types=1);

namespace App\Access;

use Illuminate\Contracts\Auth\Guard;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Http\Request;
use Illuminate\Redis\Connections\Connection;
use Illuminate\Support\Collection;
use SessionHandlerInterface;
use stdClass;

/**
 * Sessions in Redis, for copies on several machines. Beside each stands whose it is and where it was last used, and
 * beside each person which are theirs, so that all of them can be shown and ended.
 */
final class RedisSessions implements SessionHandlerInterface
{
    /** A signature of a browser may be of any length. */
    private const AGENT = 500;

    /** One that has not changed is written again after this, so that it goes on. */
    private const SECONDS = 60;

    private ?stdClass $read = null;

    public function __construct(
        private readonly Connection $redis,
        private readonly int $minutes,
        private readonly Application $app,
    ) {
    }

    public function open(string $path, string $name): bool
    {
        return true;
    }

    public function close(): bool
    {
        return true;
    }

    public function read(string $id): string
    {
        return ($this->read = $this->kept($id))->payload ?? '';
    }

    public function write(string $id, string $data): bool
    {
        $was = $this->read?->id === $id ? $this->read : null;
        if ($was?->payload === $data && now()->getTimestamp() - $was->last_activity < self::SECONDS) {
            return true;
        }
        $user = $this->app->make(Guard::class)->id();
        $request = $this->app->make(Request::class);
        $kept = [
            'id' => $id,
            'payload' => $data,
            'user_id' => $user,
            'ip_address' => $request->ip(),
            'user_agent' => mb_substr(mb_scrub((string) $request->userAgent()), 0, self::AGENT),
            'last_activity' => now()->getTimestamp(),
        ];
        // one that was ended while this request was under way stays ended
        $how = ['EX', $this->seconds(), ...$was === null ? [] : ['XX']];
        $isKept = $this->redis->command('set', [self::key($id), json_encode($kept, JSON_THROW_ON_ERROR), ...$how]);
        if ($isKept !== null && $user !== null) {
            $this->redis->command('sadd', [self::of((string) $user), [$id]]);
            $this->redis->command('expire', [self::of((string) $user), $this->seconds()]);
        }

        return true;
    }

    public function destroy(string $id): bool
    {
        $this->end([$id], (string) ($this->kept($id)->user_id ?? ''));

        return true;
    }

    /** Redis forgets them by itself. */
    public function gc(int $lifetime): int
    {
        return 0;
    }

    /** @return Collection<int, stdClass> with id, ip_address, user_agent and last_activity, the latest first */
    public function openOf(string $user): Collection
    {
        /** @var list<string> $ids */
        $ids = $this->redis->command('smembers', [self::of($user)]);
        $open = [];
        foreach ($ids as $id) {
            $one = $this->kept($id);
            if ($one !== null && $one->user_id === $user) {
                $open[] = $one;
            }
        }
        $gone = array_values(array_diff($ids, array_column($open, 'id')));
        if ($gone !== []) {
            $this->redis->command('srem', [self::of($user), $gone]);
        }

        return collect($open)->sortByDesc('last_activity')->values();
    }

    /** @param  list<string>  $ids */
    public function end(array $ids, string $user): void
    {
        if ($ids !== []) {
            $this->redis->command('del', [array_map(self::key(...), $ids)]);
            $this->redis->command('srem', [self::of($user), $ids]);
        }
    }

    private function kept(string $id): ?stdClass
    {
        $kept = $this->redis->command('get', [self::key($id)]);

        return is_string($kept) && ($one = json_decode($kept)) instanceof stdClass ? $one : null;
    }

    private function seconds(): int
    {
        return $this->minutes * 60;
    }

    private static function key(string $id): string
    {
        return "session:{$id}";
    }

    private static function of(string $user): string
    {
        return "sessions-of:{$user}";
    }
}
