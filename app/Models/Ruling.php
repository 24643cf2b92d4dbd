<?php

declare(strict_types=1);

namespace App\Models;

/**
 * What a person said of two records: same, different or later.
 *
 * @property string $id
 * @property string $review_id
 * @property string $record_a
 * @property string $record_b
 * @property string $ruling
 * @property string $user_id
 * @property string $stroke
 */
final class Ruling extends Model
{
    protected $table = 'rulings';

    public const UPDATED_AT = null;
}
