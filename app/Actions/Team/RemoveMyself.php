<?php

declare(strict_types=1);

namespace App\Actions\Team;

use App\Access\OpenSessions;
use App\Access\Role;
use App\Access\SecurityLog;
use App\Actions\Shared\Refused;
use App\Models\AccessToken;
use App\Models\Membership;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Password;
use Illuminate\Support\Str;

/**
 * Removes what tells who a person is. What they decided, answered and wrote stays, under a name that stands for nobody:
 * a review without its decisions could not be followed any more.
 */
final readonly class RemoveMyself
{
    /** What is a person's own and nobody else's: table, column. */
    private const OWN = [
        'asked_questions' => 'user_id',
        'claims' => 'user_id',
        'item_claims' => 'user_id',
        'notifications' => 'notifiable_id',
        'second_factors' => 'user_id',
        'institution_accounts' => 'user_id',
    ];

    public function __construct(private ChangeTeam $team, private SecurityLog $security)
    {
    }

    /**
     * @return string the name that stands instead
     *
     * @throws Refused If a review would be without a lead.
     */
    public function execute(User $person): string
    {
        $alone = self::leadsAlone($person);
        if ($alone !== []) {
            throw new Refused(
                'You lead alone: '.implode(', ', $alone).'. Make somebody else its lead first, or close or delete it.',
            );
        }
        $instead = 'Former member '.Str::upper(substr($person->id, -4));
        DB::transaction(function () use ($person, $instead): void {
            foreach (Membership::query()->where('user_id', $person->id)->with('review')->get() as $membership) {
                $this->team->remove($person, $membership->review, $membership);
            }
            [$name, $address] = [$person->name, $person->email];
            self::forgetWhatIsTheirs($person);
            self::rename($person, $instead);
            DB::statement('SELECT forget_person(?, ?, ?, ?)', [$person->id, $name, $address, $instead]);
        });
        $this->security->write('person removed', ['person' => $person->id]);

        return $instead;
    }

    private static function forgetWhatIsTheirs(User $person): void
    {
        $address = mb_strtolower($person->email);
        foreach (self::OWN as $table => $column) {
            DB::table($table)->where($column, $person->id)->delete();
        }
        AccessToken::query()->where('tokenable_id', $person->id)->delete();
        DB::table('invitations')->whereRaw('lower(email) = ?', [$address])->delete();
        DB::table('letters')->whereRaw('lower(recipient) = ?', [$address])->delete();
        DB::table('standing_searches')->where('set_by', $person->id)->update(['ended_at' => now()]);
        Password::deleteToken($person);
        OpenSessions::endAll($person);
    }

    private static function rename(User $person, string $instead): void
    {
        $person->forceFill([
            'name' => $instead,
            'email' => "{$person->id}@removed.invalid",
            'password' => Hash::make(Str::random(60)),
            'remember_token' => null,
            'unwanted_notices' => [],
            'removed_at' => now(),
        ])->save();
    }

    /** @return list<string> titles of reviews of which they are the only lead */
    private static function leadsAlone(User $person): array
    {
        return array_values(DB::table('memberships AS mine')
            ->join('reviews', 'reviews.id', '=', 'mine.review_id')
            ->where('mine.user_id', $person->id)
            ->where('mine.role', Role::Lead->value)
            ->whereNotExists(fn ($other) => $other
                ->selectRaw('1')
                ->from('memberships AS other')
                ->whereColumn('other.review_id', 'mine.review_id')
                ->where('other.role', Role::Lead->value)
                ->where('other.user_id', '<>', $person->id))
            ->orderBy('reviews.title')
            ->pluck('reviews.title')
            ->all());
    }
}
