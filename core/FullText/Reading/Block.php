<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText\Reading;

/** A heading, a paragraph or a row of a table, as one reads it. */
final readonly class Block
{
    /** @param  list<string>  $cells  of a row; empty otherwise */
    public function __construct(
        public BlockKind $kind,
        public string $text,
        public int $page,
        public string $heading = '',
        public SectionKind $section = SectionKind::Title,
        public array $cells = [],
    ) {
    }
}
