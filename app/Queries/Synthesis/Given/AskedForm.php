<?php

declare(strict_types=1);

namespace App\Queries\Synthesis\Given;

use WaryHeron\Core\Synthesis\Report\ReportForm;
use WaryHeron\Core\Synthesis\Report\StudyDesign;

/** A form in which papers report, or a design, with the numbers that it asks for. */
final readonly class AskedForm
{
    /**
     * @param  ?string  $kind  of outcomes that the form is for; null for a design
     * @param  list<AskedNumber>  $fields
     */
    private function __construct(
        public string $id,
        public string $label,
        public ?string $kind,
        public array $fields,
    ) {
    }

    public static function of(ReportForm $one): self
    {
        return new self($one->value, $one->label(), $one->kind()->value, array_map(AskedNumber::of(...), $one->fields()));
    }

    public static function ofDesign(StudyDesign $one): self
    {
        return new self($one->value, $one->label(), null, array_map(AskedNumber::of(...), $one->fields()));
    }
}
