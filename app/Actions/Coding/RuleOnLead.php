<?php

declare(strict_types=1);

namespace App\Actions\Coding;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\CodebookItem;
use App\Models\CodingLead;
use App\Models\Publication;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\Lead\LeadRuling;

/** Takes a proposed answer as one's own, with its evidence, or turns it down. */
final readonly class RuleOnLead
{
    public function __construct(private SaveAnswer $save, private WriteLog $log)
    {
    }

    /** @throws Refused If it is there no more, or somebody has answered meanwhile. */
    public function accept(User $by, Publication $publication, CodebookItem $code): void
    {
        $lead = $this->waiting($publication, $code);
        $this->save->execute($by, $publication, $code, $lead->value, $lead->quote, $lead->place(), '');
    }

    /** @throws Refused If it is there no more. */
    public function reject(User $by, Publication $publication, CodebookItem $code): void
    {
        DB::transaction(function () use ($by, $publication, $code): void {
            $this->waiting($publication, $code)->ruled($by, null);
            ($this->log)(
                $publication->review_id,
                $by,
                'lead.rejected',
                "Turned down what was proposed for “{$code->label}” of “{$publication->title}”",
                $publication,
            );
        });
    }

    private function waiting(Publication $publication, CodebookItem $code): CodingLead
    {
        return CodingLead::query()
            ->where('review_id', $publication->review_id)
            ->where('publication_id', $publication->id)
            ->where('code_id', $code->id)
            ->where('ruling', LeadRuling::Waiting)
            ->first() ?? throw new Refused('This was ruled on meanwhile.');
    }
}
