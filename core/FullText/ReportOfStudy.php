<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText;

/** What of a report helps to tell which study it is about. */
final readonly class ReportOfStudy
{
    /** @param  list<string>  $authors  "Family, Given" or "Family GI" */
    public function __construct(
        public string $id,
        public string $title,
        public array $authors,
        public int $year,
        public string $abstract,
    ) {
    }
}
