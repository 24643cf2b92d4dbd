<?php

declare(strict_types=1);

namespace WaryHeron\Core\Drafting\Text;

/** A section of a drafted report. */
final readonly class Section
{
    /**
     * @param  string  $place  the section of the report's template that it goes to
     * @param  list<Paragraph>  $paragraphs
     */
    public function __construct(
        public string $key,
        public string $title,
        public string $place,
        public array $paragraphs,
    ) {
    }

    /** @return list<string> papers that it rests on */
    public function papers(): array
    {
        $papers = [];
        foreach ($this->paragraphs as $paragraph) {
            foreach ($paragraph->pieces as $piece) {
                array_push($papers, ...$piece->papers);
            }
        }

        return array_values(array_unique($papers));
    }
}
