<?php

declare(strict_types=1);

namespace App\Actions\Team;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\Invitation;
use App\Models\Membership;
use App\Models\User;
use Illuminate\Support\Facades\DB;

final readonly class AcceptInvitation
{
    public function __construct(private WriteLog $log)
    {
    }

    /** Somebody who has no account yet gets one with it. */
    public function asNew(Invitation $invitation, string $name, string $password): User
    {
        return DB::transaction(function () use ($invitation, $name, $password): User {
            $values = ['name' => $name, 'email' => $invitation->email, 'password' => $password];

            return $this->execute(User::query()->create($values), $invitation);
        });
    }

    public function execute(User $user, Invitation $invitation): User
    {
        return DB::transaction(function () use ($user, $invitation): User {
            $invitation = $invitation->locked('review');
            if (strcasecmp($user->email, $invitation->email) !== 0) {
                throw new Refused(
                    "This invitation was sent to {$invitation->email}. Sign in with that address to accept it.",
                );
            }
            if (
                $invitation->accepted_at !== null ||
                $invitation->withdrawn_at !== null ||
                $invitation->expires_at->isPast()
            ) {
                throw new Refused('This invitation can no longer be used. Ask the review lead for a new one.');
            }
            $invitation->update(['accepted_at' => now()]);
            Membership::query()->firstOrCreate(
                ['review_id' => $invitation->review_id, 'user_id' => $user->id],
                ['role' => $invitation->role],
            );
            ($this->log)($invitation->review, $user, 'team.joined', "Joined as {$invitation->role->label()}", $user);

            return $user;
        });
    }
}
