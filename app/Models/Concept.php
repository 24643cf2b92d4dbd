<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;

/**
 * @property string $id
 * @property string $review_id
 * @property string $kind
 * @property string $text
 * @property Carbon $created_at
 * @property Carbon $updated_at
 */
final class Concept extends Model
{
    use HasUlids;
}
