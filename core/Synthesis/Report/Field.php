<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Report;

/** One number that a form of reporting asks for. */
final readonly class Field
{
    /**
     * @param  string  $key  unique within the form
     * @param  int  $arm  1 for the intervention, 2 for the comparator, 0 for both together
     * @param  bool  $isNeeded  whether nothing can be reckoned without it
     */
    public function __construct(public string $key, public string $label, public int $arm = 0, public bool $isNeeded = true)
    {
    }
}
