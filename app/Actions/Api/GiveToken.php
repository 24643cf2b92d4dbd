<?php

declare(strict_types=1);

namespace App\Actions\Api;

use App\Access\TokenAbility;
use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\AccessToken;
use App\Models\Review;
use App\Models\User;
use Carbon\CarbonInterface;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Gives a person a token for a program of theirs. It is shown once; what is kept is its hash. */
final readonly class GiveToken
{
    /** So that a token that is found somewhere says what it is. */
    public const PREFIX = 'heron_';

    private const LENGTH = 48;

    private const MOST = 20;

    public function __construct(private WriteLog $log)
    {
    }

    /**
     * @param  list<TokenAbility>  $abilities
     * @return string the token
     *
     * @throws Refused If they have too many.
     */
    public function execute(User $by, Review $review, string $name, array $abilities, CarbonInterface $expires): string
    {
        return $by->whileLocked(function () use ($by, $review, $name, $abilities, $expires): string {
            $has = AccessToken::query()->where('review_id', $review->id)->where('tokenable_id', $by->id)->count();
            if ($has >= self::MOST) {
                throw new Refused('No more than '.self::MOST.' tokens of one person in a review. Take one back first.');
            }
            $plain = self::PREFIX.Str::random(self::LENGTH);
            $may = array_map(fn (TokenAbility $one): string => $one->value, $abilities);
            AccessToken::query()->create([
                'review_id' => $review->id,
                'tokenable_type' => $by->getMorphClass(),
                'tokenable_id' => $by->id,
                'name' => $name,
                'token' => hash('sha256', $plain),
                'abilities' => $may,
                'expires_at' => $expires,
            ]);
            $told = ['abilities' => $may, 'until' => $expires->toIso8601String()];
            ($this->log)($review, $by, 'token.given', "Made a token for a program: {$name}", null, $told);

            return $plain;
        });
    }

    public function takeBack(User $by, AccessToken $token): void
    {
        DB::transaction(function () use ($by, $token): void {
            $token->delete();
            ($this->log)($token->review_id, $by, 'token.taken-back', "Took back the token “{$token->name}”");
        });
    }
}
