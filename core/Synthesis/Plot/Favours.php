<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Plot;

/** In words, what lies to the left and to the right of where nothing differs. */
final readonly class Favours
{
    public function __construct(public string $left = '', public string $right = '')
    {
    }
}
