<?php

declare(strict_types=1);

namespace App\Actions\Team;

use App\Access\InstitutionFailed;
use App\Access\InstitutionPerson;
use App\Access\SecurityLog;
use App\Models\InstitutionAccount;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Finds who somebody is here whom an institution has named, and remembers it by the institution's own name for them. */
final readonly class PersonOfInstitution
{
    public function __construct(private SecurityLog $security)
    {
    }

    /** @throws InstitutionFailed If nobody here has that address, and newcomers are not let in by themselves. */
    public function find(InstitutionPerson $person): User
    {
        $known = InstitutionAccount::query()
            ->with('user')
            ->where('issuer', $person->issuer)
            ->where('subject', $person->subject)
            ->first();
        if ($known !== null) {
            return $known->user;
        }
        if (! $person->isVerified || filter_var($person->email, FILTER_VALIDATE_EMAIL) === false) {
            throw new InstitutionFailed('Your institution did not say by which address you are known here.');
        }

        return DB::transaction(function () use ($person): User {
            $user = User::withAddress($person->email) ?? $this->newcomer($person);
            InstitutionAccount::query()->create([
                'user_id' => $user->id,
                'issuer' => $person->issuer,
                'subject' => $person->subject,
            ]);
            $this->security->write('account joined with institution', ['of' => $user->id]);

            return $user;
        });
    }

    /** @throws InstitutionFailed */
    private function newcomer(InstitutionPerson $person): User
    {
        if (config('heron.institution.newcomers') !== true) {
            throw new InstitutionFailed(
                "Nobody here has the address {$person->email}. Ask whoever leads your review to invite it.",
            );
        }

        return User::query()->create([
            'name' => $person->name === '' ? Str::before($person->email, '@') : mb_substr($person->name, 0, 120),
            'email' => $person->email,
            'password' => Str::random(60),
        ]);
    }
}
