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
use App\Queries\Screening\ShareOut\Shares;
use Illuminate\Support\Facades\DB;

final readonly class ChangeTeam
{
    public function __construct(private WriteLog $log)
    {
    }

    public function giveRole(User $by, Review $review, Membership $membership, Role $role): void
    {
        DB::transaction(function () use ($by, $review, $membership, $role): void {
            $this->keepALead($review, $membership, $role);
            $membership->update(['role' => $role]);
            ($this->log)(
                $review,
                $by,
                'team.role',
                "Made {$membership->user->name} {$role->label()}",
                $membership->user,
            );
        });
    }

    /**
     * Their decisions and answers stay; they no longer see the review. What was shared out to them and is not judged is
     * free again.
     *
     * @return int how many items are in nobody's share now
     */
    public function remove(User $by, Review $review, Membership $membership): int
    {
        return DB::transaction(function () use ($by, $review, $membership): int {
            $this->keepALead($review, $membership, null);
            $freed = 0;
            foreach ($review->stages as $stage) {
                $freed += Shares::unjudged($stage)->where('assignments.user_id', $membership->user_id)->delete();
            }
            DB::table('notifications')
                ->where('notifiable_id', $membership->user_id)
                ->where('data->review_id', $review->id)
                ->delete();
            $membership->delete();
            ($this->log)(
                $review,
                $by,
                'team.removed',
                "Removed {$membership->user->name} from the review",
                $membership->user,
                ['freed' => $freed],
            );

            return $freed;
        });
    }

    public function withdraw(User $by, Review $review, Invitation $invitation): void
    {
        DB::transaction(function () use ($by, $review, $invitation): void {
            $invitation->update(['withdrawn_at' => now()]);
            ($this->log)(
                $review,
                $by,
                'team.invitation-withdrawn',
                "Withdrew the invitation to {$invitation->email}",
                $invitation,
            );
        });
    }

    private function keepALead(Review $review, Membership $membership, ?Role $role): void
    {
        $leads = Membership::query()
            ->where('review_id', $review->id)
            ->where('role', Role::Lead)
            ->lockForUpdate()
            ->pluck('id');
        if ($role !== Role::Lead && $leads->all() === [$membership->id]) {
            throw new Refused('A review needs a lead. Make somebody else lead first.');
        }
    }
}
