<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Something more that is asked of all papers that a plain question brought.
 *
 * @property string $id
 * @property string $review_id
 * @property string $scouting_id
 * @property string $label
 * @property ?string $code_id
 * @property ?list<string> $only_of papers of which it is asked; null: of all that answer
 * @property string $asked_by
 * @property Carbon $created_at
 * @property Scouting $scouting
 */
final class FurtherQuestion extends Model
{
    protected $table = 'further_questions';

    /** @return BelongsTo<Scouting, $this> */
    public function scouting(): BelongsTo
    {
        return $this->belongsTo(Scouting::class);
    }

    protected function casts(): array
    {
        return ['only_of' => 'array'];
    }
}
