<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\Lead;

/** A pattern that tells what a criterion asks about, how surely, and why. */
final readonly class LeadPattern
{
    /** @param  'firm'|'fair'|'check'  $confidence */
    public function __construct(
        public string $pattern,
        public string $confidence,
        public string $because,
    ) {
    }
}
