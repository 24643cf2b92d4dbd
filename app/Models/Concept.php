<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;

/**
 * @property string $id
 * @property string $review_id
 * @property string $kind
 * @property string $label of a concept that no frame names
 * @property string $text
 * @property int $position
 * @property Carbon $created_at
 * @property Carbon $updated_at
 */
final class Concept extends Model
{
    /** With a number after it, the kind of a concept that the team named itself. */
    public const OWN = 'own-';

    protected $table = 'concepts';

    public function isOwn(): bool
    {
        return str_starts_with($this->kind, self::OWN);
    }
}
