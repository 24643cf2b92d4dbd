<?php

declare(strict_types=1);

namespace App\Queries\Synthesis\Tables;

use stdClass;

/** A study in a table. */
final readonly class StudyRow
{
    /** @param  array<string, StudyCell>  $cells  by column; those that say nothing are missing */
    public function __construct(public stdClass $study, public array $cells)
    {
    }
}
