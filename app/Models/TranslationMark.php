<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Somebody looked at a line as it stands in one database, and found it right.
 *
 * @property string $id
 * @property string $review_id
 * @property string $strategy_id
 * @property string $line_id
 * @property string $database
 * @property string $text_hash
 * @property string $marked_by
 * @property Carbon $marked_at
 * @property User $marker
 */
final class TranslationMark extends Model
{
    protected $table = 'translation_marks';

    public $timestamps = false;

    /** @return BelongsTo<User, $this> */
    public function marker(): BelongsTo
    {
        return $this->belongsTo(User::class, 'marked_by');
    }

    protected function casts(): array
    {
        return ['marked_at' => 'immutable_datetime'];
    }
}
