<?php

declare(strict_types=1);

namespace App\Actions\Coding;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\Answer;
use App\Models\CodingLead;
use App\Models\Review;
use App\Models\User;
use App\Queries\Coding\AnswerSlot;
use App\Queries\Coding\Leads;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\Lead\LeadRuling;

/** Takes a proposed answer as one's own, with its evidence, or turns it down. */
final readonly class RuleOnLead
{
    public function __construct(private SaveAnswer $save, private WriteLog $log)
    {
    }

    /** @throws Refused If it is there no more, or somebody has answered meanwhile. */
    public function accept(User $by, AnswerSlot $slot): ?Answer
    {
        $lead = $this->waiting($by, $slot);

        return $this->save->execute($by, $slot, $lead->given(), '');
    }

    /** @throws Refused If it is there no more. */
    public function reject(User $by, AnswerSlot $slot): void
    {
        DB::transaction(function () use ($by, $slot): void {
            $lead = $this->waiting($by, $slot);
            if ($lead->ruling !== LeadRuling::Waiting) {
                return; // the other of two coders ruled first, which stays
            }
            $lead->ruled($by, null);
            ($this->log)(
                $slot->publication->review_id,
                $by,
                'lead.rejected',
                "Turned down what was proposed for {$slot->words()}",
                $slot->publication,
            );
        });
    }

    private function waiting(User $by, AnswerSlot $slot): CodingLead
    {
        $review = Review::query()->findOrFail($slot->publication->review_id);

        return Leads::waitingFor($review, $slot->publication->id, $by)[$slot->key()] ??
            throw new Refused('This was ruled on meanwhile.');
    }
}
