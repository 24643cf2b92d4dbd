<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening;

/** Where an item stands. The criterion is given when it is out, the kind when its people disagree. */
final readonly class Outcome
{
    public function __construct(
        public ItemState $state,
        public ?int $criterion = null,
        public ?DisagreementKind $kind = null,
        public bool $settled = false,
    ) {
    }
}
