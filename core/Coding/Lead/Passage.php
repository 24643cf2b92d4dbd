<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead;

use WaryHeron\Core\FullText\Reading\BlockKind;
use WaryHeron\Core\FullText\Reading\SectionKind;

/** A sentence, a row of a table, a heading: what an answer is quoted from. */
final readonly class Passage
{
    /**
     * @param  int  $number  its place in the paper
     * @param  list<string>  $cells  of a row
     * @param  list<string>  $heads  of the columns of a row, as far as they can be told
     */
    public function __construct(
        public int $number,
        public string $text,
        public int $page,
        public SectionKind $section,
        public string $heading = '',
        public BlockKind $kind = BlockKind::Paragraph,
        public array $cells = [],
        public array $heads = [],
    ) {
    }

    public function isRow(): bool
    {
        return $this->kind === BlockKind::Row;
    }

    public function has(string $pattern): bool
    {
        return preg_match("/{$pattern}/iu", $this->text) === 1;
    }
}
