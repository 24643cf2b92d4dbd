<?php

declare(strict_types=1);

namespace App\Queries\Drafting;

/** A section of a draft as it was composed. */
final readonly class ComposedSection
{
    /**
     * @param  string  $place  the section of the report that it goes to
     * @param  ?string  $taken  when it was taken over
     * @param  list<array<string, mixed>>  $paragraphs  as they are kept: heading, and pieces with the papers they rest on
     * @param  string  $before  its words before the last run; empty where that changed nothing of it
     */
    public function __construct(
        public string $key,
        public string $title,
        public string $place,
        public ?string $taken,
        public array $paragraphs,
        public string $before,
    ) {
    }
}
