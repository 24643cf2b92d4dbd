<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Book;

use WaryHeron\Core\Coding\AskedWhen;
use WaryHeron\Core\Coding\Code;
use WaryHeron\Core\Coding\Pass;

/** An item of a codebook with all that is said about it. */
final readonly class Entry
{
    /**
     * @param  string  $id  by which conditions of the same codebook name it
     * @param  list<string>  $synonyms  other words for what is asked, by which leads are found
     * @param  string  $per  what of a study it is asked of, each: arm, site; empty for the study once
     */
    public function __construct(
        public string $id,
        public string $label,
        public Code $code,
        public string $guidance = '',
        public string $examples = '',
        public array $synonyms = [],
        public string $section = '',
        public Pass $pass = Pass::Mapping,
        public bool $isRequired = false,
        public ?AskedWhen $when = null,
        public string $per = '',
    ) {
    }

    /** The same with its condition on another item; with no condition where that is not known. */
    public function askedWhen(string $item): self
    {
        $when = $item === '' || $this->when === null ? null : new AskedWhen($item, $this->when->answers);

        return new self(
            $this->id,
            $this->label,
            $this->code,
            $this->guidance,
            $this->examples,
            $this->synonyms,
            $this->section,
            $this->pass,
            $this->isRequired,
            $when,
            $this->per,
        );
    }
}
