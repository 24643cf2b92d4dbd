<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText;

/** Two reports that share an author or a registration. */
final readonly class ReportPair
{
    public function __construct(public ReportOfStudy $one, public ReportOfStudy $other)
    {
    }
}
