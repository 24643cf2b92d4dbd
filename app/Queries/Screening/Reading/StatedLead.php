<?php

declare(strict_types=1);

namespace App\Queries\Screening\Reading;

use WaryHeron\Core\Screening\Lead\TextLead;

/** A sentence that states what a criterion asks about, or one of the team's lists of words is rich in. */
final readonly class StatedLead
{
    private function __construct(
        public string $about,
        public string $sentence,
        public string $confidence,
        public string $because,
        public ?string $criterion,
    ) {
    }

    public static function of(TextLead $lead, ?string $criterion = null): self
    {
        return new self($lead->about, $lead->sentence, $lead->confidence, $lead->because, $criterion);
    }
}
