<?php

declare(strict_types=1);

namespace WaryHeron\Core\Question;

/** A part of a question, as a frame asks for it. */
final readonly class ConceptPart
{
    /**
     * @param  string  $key  what it is called in stored data
     * @param  string  $asks  what it stands for, in few words
     * @param  bool  $isForSearch  false where a block for it would lose what screening should see
     */
    public function __construct(
        public string $key,
        public string $label,
        public string $asks,
        public bool $isForSearch = true,
    ) {
    }
}
