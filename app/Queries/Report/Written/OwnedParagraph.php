<?php

declare(strict_types=1);

namespace App\Queries\Report\Written;

/** A paragraph of a report, by who wrote what of it. */
final readonly class OwnedParagraph
{
    /** @param  list<OwnWords>  $runs */
    public function __construct(public bool $isHeading, public array $runs)
    {
    }
}
