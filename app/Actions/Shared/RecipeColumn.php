<?php

declare(strict_types=1);

namespace App\Actions\Shared;

/** A column of a recipe: which field, under which heading, written as what. */
final readonly class RecipeColumn
{
    /** @param  string  $kind  text, number, date or link; '' for what the field usually is */
    public function __construct(public string $field, public string $heading, public string $kind = '')
    {
    }
}
