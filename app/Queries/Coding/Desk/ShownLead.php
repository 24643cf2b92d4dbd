<?php

declare(strict_types=1);

namespace App\Queries\Coding\Desk;

use App\Models\CodingLead;
use App\Queries\Coding\AnswerSlot;
use App\Queries\Coding\ShownEvidence;

/** A lead that waits for a person, with the place of its words. */
final readonly class ShownLead
{
    /**
     * @param  ?ShownEvidence  $evidence  null where it quotes nothing
     * @param  mixed  $value  as the item's type keeps it
     * @param  string  $shown  the value in words
     */
    private function __construct(
        public string $slot,
        public ?ShownEvidence $evidence,
        public string $kind,
        public mixed $value,
        public string $shown,
        public string $confidence,
        public string $reason,
    ) {
    }

    public static function of(AnswerSlot $slot, CodingLead $lead, ?ShownEvidence $evidence): self
    {
        return new self(
            $slot->key(),
            $evidence,
            $lead->kind->value,
            $lead->value,
            $lead->shown($slot->code->code()),
            $lead->confidence->value,
            $lead->reason,
        );
    }
}
