<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;

/**
 * @property string $id
 * @property string $review_id
 * @property string $delivery_id
 * @property int $position
 * @property int $line
 * @property string $message
 * @property string $text
 */
final class Rejection extends Model
{
    use HasUlids;

    public $timestamps = false;
}
