<?php

declare(strict_types=1);

namespace App\Models;

use App\Access\Role;
use App\Notices\NoticeKind;
use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Illuminate\Notifications\Notifiable;
use Laravel\Sanctum\HasApiTokens;

/**
 * @property string $id
 * @property string $name
 * @property string $email
 * @property string $password
 * @property array<string, list<string>> $unwanted_notices kinds by way
 * @property Carbon $created_at
 * @property Carbon $updated_at
 * @property ?Carbon $removed_at since when the name stands for nobody
 */
final class User extends Authenticatable
{
    /** @use HasApiTokens<AccessToken> */
    use BootsByName, CanBeLocked, HasApiTokens, HasUlids, Notifiable;

    protected $table = 'users';

    protected $attributes = ['remember_token' => null, 'unwanted_notices' => '{}'];

    protected $hidden = ['password', 'remember_token'];

    /** @var array<string, ?Role> */
    private array $roles = [];

    /** @return HasMany<Membership, $this> */
    public function memberships(): HasMany
    {
        return $this->hasMany(Membership::class);
    }

    public static function withAddress(string $email): ?self
    {
        return self::query()
            ->whereRaw('lower(email) = ?', [mb_strtolower($email)])
            ->first();
    }

    public function roleIn(Review $review): ?Role
    {
        if (! array_key_exists($review->id, $this->roles)) {
            $this->roles[$review->id] = Membership::query()
                ->where('review_id', $review->id)
                ->where('user_id', $this->id)
                ->first()?->role;
        }

        return $this->roles[$review->id];
    }

    /**
     * A review with what this person is in it, in one query: every page of a review asks for both.
     *
     * @throws \Illuminate\Database\Eloquent\ModelNotFoundException<Review>
     */
    public function opens(string $reviewId): Review
    {
        /** @var Review $review */
        $review = Review::query()
            ->select(['reviews.*', 'memberships.role AS role_of_reader'])
            ->where('reviews.id', $reviewId)
            ->leftJoin(
                'memberships',
                fn (JoinClause $mine) => $mine
                    ->on('memberships.review_id', '=', 'reviews.id')
                    ->where('memberships.user_id', $this->id),
            )
            ->firstOrFail();
        $role = $review->getAttribute('role_of_reader');
        $this->roles[$review->id] = $role === null ? null : Role::from($role);
        $review->offsetUnset('role_of_reader');

        return $review->syncOriginal();
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
