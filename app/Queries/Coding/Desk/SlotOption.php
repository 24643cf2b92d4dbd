<?php

declare(strict_types=1);

namespace App\Queries\Coding\Desk;

use WaryHeron\Core\Coding\Code;

/** An option that may be chosen: indented where it is narrower than another. */
final readonly class SlotOption
{
    private function __construct(public string $value, public string $label, public int $depth)
    {
    }

    public static function of(string $option): self
    {
        $parts = explode(Code::NARROWER, $option);

        return new self($option, $parts[count($parts) - 1], count($parts) - 1);
    }
}
