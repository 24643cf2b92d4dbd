<?php

declare(strict_types=1);

namespace App\Actions\Team;

use App\Access\Role;
use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\Invitation;
use App\Models\Membership;
use App\Models\Review;
use App\Models\User;
use App\Notices\PlainLetter;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Str;

final readonly class InvitePerson
{
    public function __construct(private WriteLog $log)
    {
    }

    public function execute(User $by, Review $review, string $email, Role $role): Invitation
    {
        $email = mb_strtolower(trim($email));
        $token = Str::random(48);
        $invitation = DB::transaction(function () use ($by, $review, $email, $role, $token): Invitation {
            self::refuseMember($review, $email);
            self::withdrawEarlier($review, $email);
            $invitation = Invitation::query()->create([
                'review_id' => $review->id,
                'email' => $email,
                'role' => $role,
                'token_hash' => hash('sha256', $token),
                'invited_by' => $by->id,
                'expires_at' => now()->addDays(14),
            ]);
            ($this->log)($review, $by, 'team.invited', "Invited {$email} as {$role->label()}", $invitation);

            return $invitation;
        });
        Mail::to($email)->send(
            new PlainLetter("Invitation to the review “{$review->title}”", [
                'Hello,',
                "{$by->name} invites you to the review “{$review->title}” as {$role->label()} ({$role->purpose()}).",
                'To accept, open this address within 14 days:',
                route('invitations.show', $token),
                'If you did not expect this, leave it unanswered; nothing happens then.',
            ]),
        );

        return $invitation;
    }

    private static function refuseMember(Review $review, string $email): void
    {
        $member = Membership::query()
            ->where('review_id', $review->id)
            ->whereHas('user', fn ($user) => $user->whereRaw('lower(email) = ?', [$email]))
            ->exists();
        if ($member) {
            throw new Refused("{$email} is in this review already. Change the role in the list of people instead.");
        }
    }

    private static function withdrawEarlier(Review $review, string $email): void
    {
        Invitation::query()
            ->where('review_id', $review->id)
            ->where('email', $email)
            ->whereNull('accepted_at')
            ->whereNull('withdrawn_at')
            ->update(['withdrawn_at' => now()]);
    }
}
