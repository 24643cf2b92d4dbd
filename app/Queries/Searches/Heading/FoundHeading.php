<?php

declare(strict_types=1);

namespace App\Queries\Searches\Heading;

use WaryHeron\Core\Vocabulary\Concept;

/** A heading that is offered for a typed word. */
final readonly class FoundHeading
{
    /**
     * @param  string  $reason  why it is offered, for people
     * @param  list<string>  $names  its other names
     */
    private function __construct(
        public string $label,
        public string $reason,
        public string $note,
        public array $names,
        public ?int $own = null,
        public ?int $exploded = null,
    ) {
    }

    public static function of(Concept $concept, string $reason): self
    {
        return new self($concept->label, $reason, $concept->scopeNote, $concept->alternatives);
    }

    /** Offered for one more reason. */
    public function also(string $reason): self
    {
        return new self($this->label, "{$this->reason}; {$reason}", $this->note, $this->names);
    }

    public function counted(HeadingCounts $counts): self
    {
        return new self($this->label, $this->reason, $this->note, $this->names, $counts->own, $counts->exploded);
    }
}
