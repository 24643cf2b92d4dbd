<?php

declare(strict_types=1);

namespace App\Queries\Synthesis\Given;

use WaryHeron\Core\Synthesis\Report\Step;

/** One step from what was given to what is used. */
final readonly class ReckonedStep
{
    private function __construct(
        public string $what,
        public string $formula,
        public string $result,
        public string $source,
    ) {
    }

    public static function of(Step $one): self
    {
        return new self($one->what, $one->formula, $one->result === null ? '' : Step::shown($one->result), $one->source);
    }
}
