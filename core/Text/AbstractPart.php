<?php

declare(strict_types=1);

namespace WaryHeron\Core\Text;

/** A paragraph of an abstract; the label is empty where it has none. */
final readonly class AbstractPart
{
    public function __construct(public string $label, public string $text)
    {
    }
}
