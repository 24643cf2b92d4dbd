<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Check;

use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Strategy\BadStrategy;
use WaryHeron\Core\Search\Strategy\Block;
use WaryHeron\Core\Search\Strategy\Board;
use WaryHeron\Core\Search\Strategy\Strategy;
use WaryHeron\Core\Search\Strategy\StrategyLine;

/** A term of a concept with what is known of it. */
final readonly class CheckedTerm
{
    public Node $root;

    public function __construct(public Block $block, public StrategyLine $line, public ?Node $concept)
    {
        $this->root = $line->parsed()->root;
    }

    public function text(): string
    {
        return $this->line->text;
    }

    public function quoted(): string
    {
        return str_contains($this->line->text, '"') ? $this->line->text : "“{$this->line->text}”";
    }

    /** A finding whose remedy adds a term to the concept. */
    public function adding(string $key, string $kind, string $text, string $term, Node $more, string $label): Finding
    {
        $remedy = Remedy::addTerm($this->block->id, $term, $label);

        return new Finding($key, $kind, $text, $this->line->id, $remedy, Gain::of($more, $this->concept));
    }

    /** A finding whose remedy writes the term otherwise. */
    public function rewriting(string $key, string $kind, string $text, string $term, Node $more, string $label): Finding
    {
        $remedy = Remedy::write($this->line->id, $term, $label);

        return new Finding($key, $kind, $text, $this->line->id, $remedy, Gain::of($more, $this->concept));
    }

    /** @return list<self> */
    public static function all(Strategy $strategy): array
    {
        $terms = [];
        foreach (Board::of($strategy)->blocks as $block) {
            $concept = self::concept($strategy, $block);
            foreach ($block->terms as $line) {
                $terms[] = new self($block, $line, $concept);
            }
        }

        return $terms;
    }

    private static function concept(Strategy $strategy, Block $block): ?Node
    {
        try {
            return $block->terms === [] ? null : $strategy->writtenOut((int) $strategy->numberOf($block->id));
        } catch (BadStrategy) {
            return null;
        }
    }
}
