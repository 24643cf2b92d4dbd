<?php

declare(strict_types=1);

namespace WaryHeron\Core\Drafting;

use WaryHeron\Core\Coding\Code;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Briefing;

/** Something to ask of each paper, with the instructions by which it is answered. */
final readonly class ProposedItem
{
    /**
     * @param  string  $name  by which the readers of papers know it
     * @param  list<string>  $options
     * @param  list<string>  $synonyms
     */
    public function __construct(
        public string $name,
        public string $label,
        public ItemType $type,
        public string $instructions,
        public array $options = [],
        public string $unit = '',
        public array $synonyms = [],
    ) {
    }

    public function asked(): AskedItem
    {
        return new AskedItem(
            $this->name,
            $this->label,
            $this->type,
            $this->options,
            $this->unit,
            new Briefing($this->instructions, $this->synonyms),
        );
    }

    /** As an item of a codebook. */
    public function code(): Code
    {
        $type = match ($this->type) {
            ItemType::Choice => CodeType::Choice,
            ItemType::Number => CodeType::Number,
            default => CodeType::Text,
        };

        return new Code($type, $type === CodeType::Choice ? $this->options : [], $this->unit);
    }
}
