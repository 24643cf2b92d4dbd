<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What words of a report that say something rest on.
 *
 * @property string $id
 * @property string $review_id
 * @property string $report_id
 * @property list<array<string, string>> $evidence as it was when it was put to the claim
 * @property bool $own the authors' own
 * @property string $user_id
 * @property Carbon $created_at
 * @property Carbon $updated_at
 * @property User $user
 */
final class ReportClaim extends Model
{
    protected $table = 'report_claims';

    protected $attributes = ['evidence' => '[]', 'own' => false];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    protected function casts(): array
    {
        return ['evidence' => 'array', 'own' => 'boolean'];
    }
}
