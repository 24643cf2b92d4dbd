<?php

declare(strict_types=1);

namespace App\Queries\Synthesis\Given;

/** How a result was reckoned, in words. */
final readonly class ReckonedParts
{
    /**
     * @param  list<ReckonedStep>  $steps
     * @param  array{string, string}  $groups  what is used of each
     * @param  list<ShownEffect>  $effects
     * @param  list<string>  $checks  what looks wrong with it
     */
    public function __construct(
        public array $steps,
        public array $groups,
        public array $effects,
        public array $checks,
    ) {
    }
}
