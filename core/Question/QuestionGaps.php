<?php

declare(strict_types=1);

namespace WaryHeron\Core\Question;

use WaryHeron\Core\Search\Strategy\Block;

/** What a question, and the blocks made of it, leave open for a search. */
final readonly class QuestionGaps
{
    /** A concept that finds so many times what the narrowest one does bounds nothing. */
    private const UNBOUNDED = 8;

    /**
     * @param  list<ConceptPart>  $missing  parts for the search that the question does not name
     * @param  list<ConceptPart>  $leftOpen  parts that are unnamed and usually stay so in a search
     * @param  list<UnboundedBlock>  $unbounded
     * @param  list<Block>  $empty  blocks without a term
     */
    private function __construct(
        public array $missing,
        public array $leftOpen,
        public array $unbounded,
        public array $empty,
    ) {
    }

    /**
     * @param  array<string, string>  $texts  of the question, by the key of the part
     * @param  list<Block>  $blocks
     * @param  array<string, int>  $counts  what each block finds by itself, by its id, as far as known
     */
    public static function of(ConceptFrame $frame, array $texts, array $blocks, array $counts): self
    {
        $unnamed = array_filter($frame->parts(), fn (ConceptPart $part): bool => trim($texts[$part->key] ?? '') === '');
        $found = array_filter(
            array_intersect_key($counts, array_flip(array_map(fn (Block $block): string => $block->id, $blocks))),
            fn (int $count): bool => $count > 0,
        );
        $narrowest = $found === [] || count($blocks) < 2 ? 0 : min($found);
        $unbounded = [];
        foreach ($blocks as $block) {
            $count = $found[$block->id] ?? 0;
            if ($narrowest > 0 && $block->terms !== [] && $count > self::UNBOUNDED * $narrowest) {
                $unbounded[] = new UnboundedBlock($block, $count, $narrowest);
            }
        }

        return new self(
            array_values(array_filter($unnamed, fn (ConceptPart $part): bool => $part->isForSearch)),
            array_values(array_filter($unnamed, fn (ConceptPart $part): bool => ! $part->isForSearch)),
            $unbounded,
            array_values(array_filter($blocks, fn (Block $block): bool => $block->terms === [])),
        );
    }
}
