<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Bibtex;

/** Title of a work, what it stands in, and the title of its part where that is in several volumes. */
final readonly class BibtexTitles
{
    public function __construct(public string $title, public string $within = '', public string $part = '')
    {
    }
}
