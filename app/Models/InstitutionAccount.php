<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property string $id
 * @property string $user_id
 * @property string $issuer
 * @property string $subject the issuer's own name for them
 * @property User $user
 */
final class InstitutionAccount extends Model
{
    protected $table = 'institution_accounts';

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
