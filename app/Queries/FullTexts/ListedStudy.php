<?php

declare(strict_types=1);

namespace App\Queries\FullTexts;

use stdClass;

/** A study with its included reports; without an id where one report is all there is of it. */
final readonly class ListedStudy
{
    public ?string $id;

    public string $name;

    /** @param  non-empty-list<stdClass>  $reports  rows with the study's id and name */
    public function __construct(public array $reports)
    {
        $this->id = $reports[0]->study_id;
        $this->name = $reports[0]->name ?? '';
    }
}
