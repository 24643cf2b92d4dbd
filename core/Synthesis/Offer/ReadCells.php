<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Offer;

use WaryHeron\Core\Synthesis\Report\ReportForm;

/** Numbers of both groups as the lines of a table give them. */
final readonly class ReadCells
{
    /** @param  array<string, OfferedNumber>  $numbers  by the fields of the form, in the order of their cells */
    public function __construct(public ReportForm $form, public array $numbers)
    {
    }
}
