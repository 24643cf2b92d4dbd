<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Offer;

use WaryHeron\Core\Synthesis\Report\ReportForm;

/** A result that a table of the paper seems to give, to be taken by a person or left. */
final readonly class OfferedResult
{
    /**
     * @param  array<string, OfferedNumber>  $numbers  by the fields of the form
     * @param  string  $label  how the table calls it
     * @param  float  $share  how much of the outcome's name the label holds, 0 to 1
     */
    public function __construct(public ReportForm $form, public array $numbers, public string $label, public float $share)
    {
    }

    /** @return array<string, string> by field */
    public function given(): array
    {
        return array_map(fn (OfferedNumber $one): string => $one->value, $this->numbers);
    }
}
