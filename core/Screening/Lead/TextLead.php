<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\Lead;

/** Where a text states something that a criterion asks about: a pointer to its sentence, not an answer. */
final readonly class TextLead
{
    /** @param  'firm'|'fair'|'check'  $confidence */
    public function __construct(
        public string $about,
        public string $sentence,
        public string $confidence,
        public string $because,
    ) {
    }
}
