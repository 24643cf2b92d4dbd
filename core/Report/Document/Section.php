<?php

declare(strict_types=1);

namespace WaryHeron\Core\Report\Document;

/** A section of a document: its heading and what stands under it before the next one. */
final readonly class Section
{
    /**
     * @param  list<int>  $items  of the reporting standard, that are answered here
     * @param  int  $words  written by people
     * @param  int  $blocks  live blocks and numbers
     */
    public function __construct(
        public string $key,
        public string $title,
        public int $level,
        public array $items,
        public int $words,
        public int $blocks,
    ) {
    }

    public function isEmpty(): bool
    {
        return $this->words === 0 && $this->blocks === 0;
    }

    /** @return list<self> in their order */
    public static function all(Node $document): array
    {
        $sections = [];
        foreach ($document->content as $node) {
            if ($node->type === Node::HEADING) {
                $items = array_map(intval(...), $node->list('items'));
                $sections[] = new self($node->said('section'), $node->words(), (int) $node->said('level'), $items, 0, 0);
            } elseif ($sections !== []) {
                $sections[] = array_pop($sections)->with($node);
            }
        }

        return $sections;
    }

    private function with(Node $node): self
    {
        $blocks = 0;
        foreach ($node->all() as $one) {
            $blocks += in_array($one->type, [Node::LIVE_BLOCK, Node::LIVE_NUMBER], true) ? 1 : 0;
        }
        $words = preg_match_all('/[\p{L}\p{N}]+/u', $node->words());

        return new self($this->key, $this->title, $this->level, $this->items, $this->words + (int) $words, $this->blocks + $blocks);
    }
}
