<?php

declare(strict_types=1);

namespace WaryHeron\Core\Drafting\Text;

/** What a criterion of a draft asks, papers left out by it, papers that do not tell, answers that people changed. */
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
