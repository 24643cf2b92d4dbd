<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;

/**
 * What a person shows beside the password: a code of their own device, or one of those kept for when it is lost.
 *
 * @property string $id
 * @property string $user_id
 * @property string $key in base 32, encrypted where it is kept
 * @property int $last_step whose code was taken last
 * @property list<string> $recovery hashes of codes that were not used yet
 * @property ?Carbon $confirmed_at null until a code of the device was shown once
 */
final class SecondFactor extends Model
{
    protected $table = 'second_factors';

    protected $attributes = ['last_step' => 0, 'recovery' => '[]'];

    /** The one that is asked for at sign-in. */
    public static function of(User $user): ?self
    {
        return self::query()->where('user_id', $user->id)->whereNotNull('confirmed_at')->first();
    }

    protected function casts(): array
    {
        return ['key' => 'encrypted', 'recovery' => 'array', 'confirmed_at' => 'immutable_datetime'];
    }
}
