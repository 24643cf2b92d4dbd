<?php

declare(strict_types=1);

namespace App\Queries\Coding\Reconcile;

use App\Models\CodebookItem;

/** How far coders agree on one item, before anything was settled. */
final readonly class ItemAgreement
{
    /**
     * @param  int  $both  studies, or parts of them, for which two have answered it
     * @param  ?float  $alpha  Krippendorff's, nominal; null where it is not defined
     */
    public function __construct(
        public CodebookItem $code,
        public int $both,
        public int $alike,
        public ?float $alpha,
    ) {
    }
}
