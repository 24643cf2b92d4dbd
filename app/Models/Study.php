<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A study that several reports tell of. A publication without one is the only report of its study.
 *
 * @property string $id
 * @property string $review_id
 * @property string $name
 * @property ?string $carried_by the publication with which it is coded
 * @property string $created_by
 */
final class Study extends Model
{
    protected $table = 'studies';

    /** @return HasMany<Publication, $this> */
    public function publications(): HasMany
    {
        return $this->hasMany(Publication::class);
    }
}
