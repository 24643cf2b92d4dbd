<?php

declare(strict_types=1);

namespace App\Actions\Matching;

use App\Actions\Shared\Refused;
use App\Models\Join;
use App\Models\Matching;
use App\Models\User;

/** Takes apart again what one comparison had joined by machine. */
final readonly class UndoJoins
{
    public function __construct(private JoinPublications $join)
    {
    }

    /** @return int how many; what has been moved since stays */
    public function execute(User $by, Matching $matching): int
    {
        $undone = 0;
        foreach (
            Join::query()
                ->where('review_id', $matching->review_id)
                ->where('matching_id', $matching->id)
                ->whereNull('undone_at')
                ->orderByDesc('id')
                ->get() as $join
        ) {
            try {
                $this->join->undo($by, $join);
                $undone++;
            } catch (Refused) {
                continue;
            }
        }

        return $undone;
    }
}
