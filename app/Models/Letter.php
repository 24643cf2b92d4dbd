<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;

/**
 * @property string $id
 * @property string $recipient
 * @property string $subject
 * @property string $body
 * @property Carbon $created_at
 */
final class Letter extends Model
{
    use HasUlids;

    public const UPDATED_AT = null;
}
