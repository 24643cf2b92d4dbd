<?php

declare(strict_types=1);

namespace App\Queries\Screening;

use stdClass;

/** What was said on an item, and what one person's deciding has to reckon with. */
final readonly class SaidOnItem
{
    /**
     * @param  list<stdClass>  $said  decisions and settlements that stand
     * @param  ?stdClass  $mine  the person's decision that stands, a taken back one too
     * @param  ?string  $before  the decision that came with this key before
     * @param  bool  $isShared  whether the item is in a share of theirs
     */
    public function __construct(
        public array $said,
        public ?stdClass $mine,
        public ?string $before,
        public bool $isShared,
    ) {
    }
}
