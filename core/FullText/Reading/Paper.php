<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText\Reading;

/** The text of a paper in reading order. */
final readonly class Paper
{
    /** @param  list<Block>  $blocks */
    public function __construct(public array $blocks, public int $pages = 0)
    {
    }

    /** @param  iterable<Page>  $pages */
    public static function ofPages(iterable $pages): self
    {
        $lines = $heights = [];
        foreach ($pages as $page) {
            $lines[] = Lines::of($page);
            $heights[] = $page->height;
        }

        return new self(Blocks::of(array_merge(...Furniture::without($lines, $heights))), count($heights));
    }

    /** The abstract and the first pages. */
    public function beginning(int $pages): self
    {
        $is = fn (Block $block): bool => $block->section === SectionKind::Abstract || $block->page <= $pages;

        return new self(array_values(array_filter($this->blocks, $is)), $this->pages);
    }

    /** As plain text: headings marked, rows with tabs between their cells, a blank line between paragraphs. */
    public function plain(): string
    {
        $text = '';
        $before = null;
        foreach ($this->blocks as $block) {
            $isTable = $block->kind === BlockKind::Row && $before === BlockKind::Row;
            $text .= $text === '' || $isTable ? '' : "\n";
            $text .= match ($block->kind) {
                BlockKind::Heading => "# {$block->text}\n",
                BlockKind::Row => implode("\t", $block->cells)."\n",
                BlockKind::Paragraph => "{$block->text}\n",
            };
            $before = $block->kind;
        }

        return $text;
    }
}
