<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Strategy;

use WaryHeron\Core\Search\Dialect\Dialects;
use WaryHeron\Core\Search\Dialect\Printer;
use WaryHeron\Core\Search\Query\Node\Limit;
use WaryHeron\Core\Search\Query\Node\LineReference;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Node\Operation;
use WaryHeron\Core\Search\Query\Operator;

/**
 * @internal Sees the lines of a strategy as the parts of a board, from the first to the last: blocks, what combines
 * them, limits on that; each line is of one part at most.
 */
final class BoardReader
{
    /** @var array<int, Block> by the number of the line that is the block's */
    private array $blocks = [];

    /** @var array<int, true> lines that join the terms of a block */
    private array $joins = [];

    /** @var array<int, true> lines that have their place on the board */
    private array $taken = [];

    /** @var list<StrategyLine> */
    public array $chain = [];

    /** @var list<BoardLimit> */
    public array $limits = [];

    /** @var ?int the line at which all that was combined and limited so far stands */
    private ?int $head;

    /** @var array<int, true> blocks that are combined there */
    private array $covered;

    public function __construct(private readonly Strategy $strategy)
    {
        foreach ($strategy->lines as $i => $line) {
            $this->block($i + 1, $line);
        }
        $this->head = $this->alone();
        $this->covered = $this->head === null ? [] : [$this->head => true];
        foreach ($strategy->lines as $i => $line) {
            $root = $line->isBlank() || ! $line->parsed()->isComplete() ? null : $line->parsed()->root;
            if ($root !== null && ! isset($this->taken[$i + 1])) {
                $this->combine($i + 1, $line, $root);
            }
        }
    }

    /** @return list<Block> */
    public function blocks(): array
    {
        $blocks = [];
        foreach ($this->blocks as $at => $block) {
            $isCombined = $block->terms === [] || isset($this->covered[$at]);
            $blocks[] = $isCombined ? $block : new Block($block->id, $block->name, $block->terms, false);
        }

        return $blocks;
    }

    /** @return list<StrategyLine> */
    public function rest(): array
    {
        $isLeft = fn (int $i): bool => ! isset($this->taken[$i + 1]);

        return array_values(array_filter($this->strategy->lines, $isLeft, ARRAY_FILTER_USE_KEY));
    }

    /** A line that joins terms of its own is a block; an empty one is a block that has none yet. */
    private function block(int $number, StrategyLine $line): void
    {
        if ($line->isBlank()) {
            $this->blocks[$number] = new Block($line->id, $line->note, []);
            $this->taken[$number] = true;

            return;
        }
        $terms = $line->parsed()->isComplete() ? self::ored($line->parsed()->root) ?? [] : [];
        if ($terms === [] || array_filter($terms, fn (int $term): bool => ! $this->isTermOf($term, $number)) !== []) {
            return;
        }
        $own = array_map(fn (int $term): StrategyLine => $this->strategy->lines[$term - 1], $terms);
        $this->blocks[$number] = new Block($line->id, $line->note, $own);
        $this->joins[$number] = true;
        $this->taken += array_fill_keys([...$terms, $number], true);
    }

    /** Whether a line is a term that nothing but this one uses. */
    private function isTermOf(int $term, int $number): bool
    {
        $line = $this->strategy->line($term);

        return $line !== null &&
            ! isset($this->taken[$term]) &&
            ! $line->isBlank() &&
            $line->refersTo() === [] &&
            $this->strategy->usersOf($term) === [$number];
    }

    /** One concept alone needs no AND: the only one with terms, or the one that was made the result. */
    private function alone(): ?int
    {
        if (count($this->joins) === 1) {
            return array_key_first($this->joins);
        }
        $result = $this->strategy->resultNumber();
        $isBlock = $result !== null && isset($this->joins[$result]) && $result < max(array_keys($this->joins));

        return $isBlock ? $result : null;
    }

    /** A line that goes on from the head: it combines further blocks, or limits what was combined. */
    private function combine(int $number, StrategyLine $line, Node $root): void
    {
        $joined = $this->limits === [] ? self::anded($root) : null;
        if ($joined !== null && $this->continues($joined)) {
            $this->covered += array_intersect_key(array_fill_keys($joined, true), $this->joins);
            $this->chain[] = $line;
        } else {
            $limit = $this->head === null ? null : self::limit($root, $this->head, $line);
            if ($limit === null || $this->isUsedElsewhere((int) $this->head, $number)) {
                return;
            }
            $this->limits[] = $limit;
        }
        $this->head = $number;
        $this->taken[$number] = true;
    }

    /**
     * Whether the line goes on where the chain ended: from the head, or from the start, to blocks not yet in it.
     *
     * @param  non-empty-list<int>  $joined
     */
    private function continues(array $joined): bool
    {
        $hasHead = $this->covered !== [] && in_array($this->head, $joined, true);
        if ($this->covered !== [] && ! $hasHead) {
            return false;
        }
        foreach ($joined as $one) {
            $isHead = $hasHead && $one === $this->head;
            if (! $isHead && (! isset($this->joins[$one]) || isset($this->covered[$one]))) {
                return false;
            }
        }

        return true;
    }

    /** A limit on something that another line starts from as well would change that line's meaning when moved. */
    private function isUsedElsewhere(int $head, int $number): bool
    {
        return array_diff($this->strategy->usersOf($head), [$number]) !== [];
    }

    /** @return ?non-empty-list<int> the lines of any(#1-#3) or #1 OR #2 */
    private static function ored(Node $root): ?array
    {
        if ($root instanceof LineReference) {
            return $root->join === Operator::And && count($root->lines()) > 1 ? null : ($root->lines() ?: null);
        }

        return $root instanceof Operation && $root->operator === Operator::Or ? self::single($root->operands) : null;
    }

    /** @return ?non-empty-list<int> the lines of all(#4,#7) or #4 AND #7 */
    private static function anded(Node $root): ?array
    {
        if ($root instanceof LineReference) {
            return $root->join === Operator::And && count($root->lines()) > 1 ? $root->lines() : null;
        }

        return $root instanceof Operation && $root->operator === Operator::And ? self::single($root->operands) : null;
    }

    /**
     * @param  non-empty-list<Node>  $operands
     * @return ?non-empty-list<int>
     */
    private static function single(array $operands): ?array
    {
        $numbers = [];
        foreach ($operands as $operand) {
            if (! ($operand instanceof LineReference) || count($operand->lines()) !== 1) {
                return null;
            }
            $numbers[] = $operand->lines()[0];
        }

        return $numbers;
    }

    private static function limit(Node $root, int $head, StrategyLine $line): ?BoardLimit
    {
        if (! ($root instanceof Operation) || count($root->operands) !== 2 || $root->operator === Operator::Or) {
            return null;
        }
        [$first, $second] = $root->operands;
        if (! ($first instanceof LineReference) || $first->lines() !== [$head] || ! self::isLimit($second)) {
            return null;
        }

        return new BoardLimit(
            $line->id,
            Printer::print($second, Dialects::heron())->text,
            $root->operator === Operator::Not,
            $line->note,
        );
    }

    private static function isLimit(Node $node): bool
    {
        return $node instanceof Limit ||
            ($node instanceof Operation &&
                $node->operator === Operator::Or &&
                array_filter($node->operands, fn (Node $one): bool => ! ($one instanceof Limit)) === []);
    }
}
