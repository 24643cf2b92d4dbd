<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;

/**
 * @property string $id
 * @property string $recipient
 * @property string $subject
 * @property string $body
 * @property Carbon $created_at
 */
final class Letter extends Model
{
    protected $table = 'letters';

    public const UPDATED_AT = null;

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['body' => 'encrypted'];
    }
}
