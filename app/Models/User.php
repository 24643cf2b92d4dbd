<?php

declare(strict_types=1);

namespace App\Models;

use App\Access\Role;
use App\Notices\NoticeKind;
use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Illuminate\Notifications\Notifiable;

/**
 * @property string $id
 * @property string $name
 * @property string $email
 * @property string $password
 * @property array<string, list<string>> $unwanted_notices kinds by way
 * @property Carbon $created_at
 * @property Carbon $updated_at
 */
final class User extends Authenticatable
{
    use HasUlids, Notifiable;

    protected $attributes = ['remember_token' => null, 'unwanted_notices' => '{}'];

    protected $hidden = ['password', 'remember_token'];

    /** @var array<string, ?Role> */
    private array $roles = [];

    /** @return HasMany<Membership, $this> */
    public function memberships(): HasMany
    {
        return $this->hasMany(Membership::class);
    }

    public function roleIn(Review $review): ?Role
    {
        return $this->roles[$review->id] ??= Membership::query()->where('review_id', $review->id)->where('user_id', $this->id)->first()?->role;
    }

    public function wants(NoticeKind $kind, string $way): bool
    {
        return ! in_array($kind->value, $this->unwanted_notices[$way] ?? [], true);
    }

    protected function casts(): array
    {
        return ['password' => 'hashed', 'unwanted_notices' => 'array'];
    }
}
