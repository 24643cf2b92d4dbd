<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Asked;

use WaryHeron\Core\Coding\Lead\Briefing;

/** An item of a codebook as the engine asks it. */
final readonly class AskedItem
{
    /** @var list<string> what it is called, and what plain words that it is asked in come to */
    public array $names;

    /**
     * @param  list<string>  $options
     */
    public function __construct(
        public string $id,
        public string $label,
        public ItemType $type,
        public array $options = [],
        public string $unit = '',
        public Briefing $briefing = new Briefing(),
    ) {
        $this->names = array_values(array_filter(
            [$label, strtr($id, '_', ' '), strtr(PlainItem::name($label), '_', ' ')],
            fn (string $name): bool => $name !== '',
        ));
    }

    /** @return list<string> its label and its synonyms, as people write them */
    public function called(): array
    {
        return [$this->label, ...$this->briefing->synonyms];
    }

    /** Whether its name or another word for it holds one of these stems. */
    public function isAbout(string $pattern): bool
    {
        return preg_match("/{$pattern}/iu", implode(' ', $this->names)) === 1;
    }
}
