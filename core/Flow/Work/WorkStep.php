<?php

declare(strict_types=1);

namespace WaryHeron\Core\Flow\Work;

/** A step of a review: by which rules, by whom, and how far it is. */
final readonly class WorkStep
{
    /**
     * @param  string  $key  names it where it is worded
     * @param  list<string>  $rules  in words
     * @param  list<string>  $people  "Anna Kolbe, 40 of 120"
     * @param  list<WorkFact>  $facts
     */
    public function __construct(
        public string $key,
        public string $title,
        public array $rules,
        public array $people,
        public array $facts,
    ) {
    }

    /** The same in people's own words. */
    public function called(string $title): self
    {
        return $title === '' ? $this : new self($this->key, $title, $this->rules, $this->people, $this->facts);
    }
}
