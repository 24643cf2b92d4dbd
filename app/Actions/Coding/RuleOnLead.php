<?php

declare(strict_types=1);

namespace App\Actions\Coding;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\Answer;
use App\Models\CodebookItem;
use App\Models\CodingLead;
use App\Models\Publication;
use App\Models\Review;
use App\Models\User;
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
    public function accept(User $by, Publication $publication, CodebookItem $code): ?Answer
    {
        $lead = $this->waiting($by, $publication, $code);

        return $this->save->execute($by, $publication, $code, $lead->given(), '');
    }

    /** @throws Refused If it is there no more. */
    public function reject(User $by, Publication $publication, CodebookItem $code): void
    {
        DB::transaction(function () use ($by, $publication, $code): void {
            $lead = $this->waiting($by, $publication, $code);
            if ($lead->ruling !== LeadRuling::Waiting) {
                return; // the other of two coders ruled first, which stays
            }
            $lead->ruled($by, null);
            ($this->log)(
                $publication->review_id,
                $by,
                'lead.rejected',
                "Turned down what was proposed for “{$code->label}” of “{$publication->title}”",
                $publication,
            );
        });
    }

    private function waiting(User $by, Publication $publication, CodebookItem $code): CodingLead
    {
        $review = Review::query()->findOrFail($publication->review_id);

        return Leads::waitingFor($review, $publication->id, $by)[$code->id] ??
            throw new Refused('This was ruled on meanwhile.');
    }
}
