<?php

declare(strict_types=1);

namespace App\Queries\Searches\Heading;

use App\Queries\Searches\Headings;
use stdClass;
use WaryHeron\Core\Vocabulary\Concept;

/** One heading with everything around it. */
final readonly class HeadingPage
{
    /**
     * @param  list<string>  $changes  notes of what it was called, or held, before
     * @param  list<string>  $names  its other names
     * @param  list<string>  $qualifiers
     * @param  list<list<string>>  $paths  from the top to it
     * @param  list<string>  $related
     * @param  int  $below  headings of its branch
     * @param  list<NarrowerHeading>  $children
     */
    private function __construct(
        public string $label,
        public string $note,
        public string $definition,
        public array $changes,
        public array $names,
        public array $qualifiers,
        public array $paths,
        public array $related,
        public HeadingCounts $counts,
        public int $below,
        public array $children,
    ) {
    }

    /**
     * @param  list<stdClass>  $children
     * @param  array<string, HeadingCounts>  $counts  by heading
     */
    public static function of(Concept $concept, Headings $headings, array $children, array $counts): self
    {
        $none = new HeadingCounts();

        return new self(
            $concept->label,
            $concept->scopeNote,
            $concept->definition,
            $concept->changeNotes,
            $concept->alternatives,
            $concept->qualifiers,
            $headings->paths($concept->label),
            $headings->relatedTo($concept->label),
            $counts[$concept->label] ?? $none,
            count($headings->branch($concept->label)) - 1,
            array_map(fn (stdClass $row): NarrowerHeading => new NarrowerHeading(
                $row->label,
                $row->has_narrower,
                ($counts[$row->label] ?? $none)->own,
                ($counts[$row->label] ?? $none)->exploded,
            ), $children),
        );
    }
}
