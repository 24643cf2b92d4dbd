<?php

declare(strict_types=1);

namespace App\Queries\Matching;

use stdClass;

/** Publications of one group, as a list shows them. */
final readonly class TitledGroup
{
    /** @param  list<stdClass>  $publications */
    public function __construct(public float $score, public array $publications)
    {
    }
}
