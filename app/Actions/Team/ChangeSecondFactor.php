<?php

declare(strict_types=1);

namespace App\Actions\Team;

use App\Access\SecurityLog;
use App\Access\Totp;
use App\Models\SecondFactor;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** A person's second factor: begun, confirmed by a code of the device, asked for, and taken off. */
final readonly class ChangeSecondFactor
{
    private const RECOVERY = 10;

    /** Letters of a recovery code: 60 bits. */
    private const LETTERS = 12;

    public function __construct(private SecurityLog $security)
    {
    }

    /** A key that is asked for nowhere until it is confirmed; one that was not confirmed is replaced. */
    public function begin(User $user): SecondFactor
    {
        return SecondFactor::of($user) ?? SecondFactor::query()->updateOrCreate(
            ['user_id' => $user->id],
            ['key' => Totp::newKey(), 'last_step' => 0, 'recovery' => []],
        );
    }

    /** @return ?list<string> codes for when the device is lost, to be shown once; null if the code was wrong */
    public function confirm(User $user, string $code): ?array
    {
        return DB::transaction(function () use ($user, $code): ?array {
            $factor = SecondFactor::query()->where('user_id', $user->id)->whereNull('confirmed_at')->lockForUpdate()->first();
            $step = $factor === null ? null : Totp::stepOf($factor->key, self::plain($code), now()->getTimestamp(), 0);
            if ($factor === null || $step === null) {
                return null;
            }
            $codes = self::codes();
            $factor->update([
                'confirmed_at' => now(),
                'last_step' => $step,
                'recovery' => array_map(self::hash(...), $codes),
            ]);
            $this->security->write('second factor set', ['of' => $user->id]);

            return $codes;
        });
    }

    /** @return list<string> new ones; those given before open nothing any more */
    public function renew(SecondFactor $factor): array
    {
        $factor->update(['recovery' => array_map(self::hash(...), $codes = self::codes())]);
        $this->security->write('recovery codes renewed', ['of' => $factor->user_id]);

        return $codes;
    }

    public function remove(User $user): void
    {
        SecondFactor::query()->where('user_id', $user->id)->delete();
        $this->security->write('second factor taken off', ['of' => $user->id]);
    }

    /** Whether it is a code of theirs; each is taken once, on however many machines it is tried. */
    public function takes(User $user, string $code): bool
    {
        return DB::transaction(function () use ($user, $code): bool {
            $factor = SecondFactor::query()->where('user_id', $user->id)->whereNotNull('confirmed_at')->lockForUpdate()->first();
            if ($factor === null) {
                return false;
            }
            $code = self::plain($code);
            $step = Totp::stepOf($factor->key, $code, now()->getTimestamp(), $factor->last_step);
            if ($step !== null) {
                return $factor->update(['last_step' => $step]);
            }
            $left = array_values(array_diff($factor->recovery, self::hashes($code)));
            if (count($left) === count($factor->recovery)) {
                return false;
            }
            $this->security->write('recovery code used', ['of' => $user->id, 'left' => count($left)]);

            return $factor->update(['recovery' => $left]);
        });
    }

    /** As it is compared: without the signs that make it readable. */
    private static function plain(string $code): string
    {
        return mb_strtoupper((string) preg_replace('/[\s-]+/', '', $code));
    }

    /** @return list<string> */
    private static function codes(): array
    {
        return array_map(
            fn (): string => implode('-', str_split(substr(Totp::newKey(), 0, self::LETTERS), 4)),
            range(1, self::RECOVERY),
        );
    }

    private static function hash(string $code): string
    {
        return self::hashes($code)[0];
    }

    /** @return non-empty-list<string> by the key of the day first, then by those of before */
    private static function hashes(string $code): array
    {
        $by = fn (string $key): string => hash_hmac('sha256', self::plain($code), $key);

        return [$by((string) config('app.key')), ...array_map($by, array_values((array) config('app.previous_keys')))];
    }
}
