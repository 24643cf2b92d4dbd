<?php

declare(strict_types=1);

namespace WaryHeron\Core\Drafting\Text;

/** A criterion of a draft: what it asks, papers left out by it, papers of which it is not to be told, answers that people changed. */
final readonly class CriterionTold
{
    public function __construct(
        public string $asks,
        public int $no,
        public int $unclear,
        public int $people,
    ) {
    }
}
