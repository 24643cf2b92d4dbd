<?php

declare(strict_types=1);

namespace App\Queries\Report\Composed;

/** Remarks on one place, in their order. */
final readonly class RemarkThread
{
    /** @param  list<Remark>  $said */
    public function __construct(
        public bool $ended,
        public array $said,
    ) {
    }
}
