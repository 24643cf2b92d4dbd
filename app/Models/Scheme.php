<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;

/**
 * A thesaurus: published by a source, or added by a team.
 *
 * @property string $id
 * @property ?string $review_id
 * @property ?string $source
 * @property string $title
 * @property int $size
 * @property string $content_hash
 * @property ?string $added_by
 * @property Carbon $added_at
 */
final class Scheme extends Model
{
    protected $table = 'schemes';

    public $timestamps = false;

    protected function casts(): array
    {
        return ['added_at' => 'immutable_datetime'];
    }
}
