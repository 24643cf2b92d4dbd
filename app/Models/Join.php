<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;

/**
 * A publication that went into another, with the records that were its own.
 *
 * @property string $id
 * @property string $review_id
 * @property ?string $matching_id
 * @property ?string $user_id
 * @property string $stroke
 * @property string $kept
 * @property string $gone
 * @property list<string> $records
 * @property bool $folded
 * @property array<string, array{field: string, value: string, by: string, at: string}> $chosen
 * @property ?string $study_id the study that what went was a report of
 * @property bool $study_taken whether what is kept became a report of it by the join
 * @property Carbon $created_at
 * @property ?Carbon $undone_at
 */
final class Join extends Model
{
    protected $table = 'joins';

    public const UPDATED_AT = null;

    protected function casts(): array
    {
        return [
            'records' => 'array',
            'chosen' => 'array',
            'folded' => 'boolean',
            'study_taken' => 'boolean',
            'undone_at' => 'immutable_datetime',
        ];
    }
}
