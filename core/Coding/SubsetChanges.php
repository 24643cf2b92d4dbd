<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding;

/** What a rule would change of a list of studies that does not follow it. */
final readonly class SubsetChanges
{
    /**
     * @param  list<string>  $join  studies
     * @param  list<string>  $leave  studies
     */
    public function __construct(public array $join = [], public array $leave = [])
    {
    }
}
