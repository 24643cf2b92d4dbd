<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText;

/** A publication whose text is sought: what its copies are known by. */
final readonly class WantedCopy
{
    public function __construct(public string $title, public string $doi)
    {
    }
}
