<?php

declare(strict_types=1);

namespace App\Queries\Coding;

use Illuminate\Support\Collection;
use stdClass;

/** Studies that are in the in-depth subset, and those that are not. */
final readonly class PartedStudies
{
    /**
     * @param  Collection<int, stdClass>  $in
     * @param  Collection<int, stdClass>  $out
     */
    public function __construct(
        public Collection $in,
        public Collection $out,
    ) {
    }
}
