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
 * A strategy seen as concept blocks that are ANDed one after another, then limits. What cannot be seen so is kept in
 * $rest.
 *
 * Board::of($s)->strategy() has the same meaning as $s, and Board::of of that is the same board.
 */
final readonly class Board
{
    /**
     * @param  list<Block>  $blocks
     * @param  list<StrategyLine>  $chain  the lines that AND the blocks, as they were
     * @param  list<BoardLimit>  $limits
     * @param  list<StrategyLine>  $rest  numbered as in the strategy that the board was made of
     */
    private function __construct(
        private Strategy $from,
        public array $blocks,
        public array $chain,
        public array $limits,
        public array $rest,
    ) {
    }

    public static function of(Strategy $strategy): self
    {
        $shapes = [];
        foreach ($strategy->lines as $i => $line) {
            $shapes[$i + 1] = $line->isBlank() ? null : ($line->parsed()->isComplete() ? $line->parsed()->root : false);
        }
        [$blocks, $blockAt, $taken] = self::blocks($strategy, $shapes);
        $chain = $limits = [];
        // one concept alone needs no AND: the only one with terms, or the one that was made the result
        $result = $strategy->resultNumber();
        $alone =
            count($blockAt) === 1
                ? array_key_first($blockAt)
                : ($result !== null && isset($blockAt[$result]) && $result < max(array_keys($blockAt))
                    ? $result
                    : null);
        $head = $alone;
        $covered = $alone === null ? [] : [$alone => true];
        foreach ($strategy->lines as $i => $line) {
            $number = $i + 1;
            $root = $shapes[$number];
            if (isset($taken[$number]) || ! ($root instanceof Node)) {
                continue;
            }
            $joined = $limits === [] ? self::anded($root) : null;
            if ($joined !== null && self::continues($joined, $head, $covered, $blockAt)) {
                foreach ($joined as $one) {
                    isset($blockAt[$one]) && ($covered[$one] = true);
                }
                $chain[] = $line;
                [$head, $taken[$number]] = [$number, true];
            } elseif (
                $head !== null &&
                ($limit = self::limit($root, $head, $line)) !== null &&
                ! self::isUsedElsewhere($strategy, $head, $number)
            ) {
                $limits[] = $limit;
                [$head, $taken[$number]] = [$number, true];
            }
        }
        foreach ($blocks as $at => $block) {
            if ($block->terms !== [] && ! isset($covered[$at])) {
                $blocks[$at] = new Block($block->id, $block->name, $block->terms, false);
            }
        }
        $rest = [];
        foreach ($strategy->lines as $i => $line) {
            isset($taken[$i + 1]) || ($rest[] = $line);
        }

        return new self($strategy, array_values($blocks), $chain, $limits, $rest);
    }

    /**
     * @param  array<int, Node|false|null>  $shapes
     * @return array{array<int, Block>, array<int, true>, array<int, true>} blocks and block lines by number, and the
     *     lines that they use up
     */
    private static function blocks(Strategy $strategy, array $shapes): array
    {
        $blocks = $blockAt = $taken = [];
        foreach ($strategy->lines as $i => $line) {
            $number = $i + 1;
            if ($shapes[$number] === null) {
                $blocks[$number] = new Block($line->id, $line->note, []);
                $taken[$number] = true;

                continue;
            }
            $terms = $shapes[$number] instanceof Node ? self::ored($shapes[$number]) : null;
            foreach ($terms ?? [] as $term) {
                $own = $strategy->line($term);
                if (
                    $own === null ||
                    isset($taken[$term]) ||
                    $own->isBlank() ||
                    $own->refersTo() !== [] ||
                    $strategy->usersOf($term) !== [$number]
                ) {
                    $terms = null;
                    break;
                }
            }
            if ($terms === null) {
                continue;
            }
            $blocks[$number] = new Block(
                $line->id,
                $line->note,
                array_map(fn (int $term): StrategyLine => $strategy->lines[$term - 1], $terms),
            );
            $blockAt[$number] = $taken[$number] = true;
            $taken += array_fill_keys($terms, true);
        }

        return [$blocks, $blockAt, $taken];
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

    /**
     * Whether the line goes on where the chain ended: from the head, or from the start, to blocks not yet in it.
     *
     * @param  non-empty-list<int>  $joined
     * @param  array<int, true>  $covered
     * @param  array<int, true>  $blockAt
     */
    private static function continues(array $joined, ?int $head, array $covered, array $blockAt): bool
    {
        $hasHead = $covered !== [] && in_array($head, $joined, true);
        if ($covered !== [] && ! $hasHead) {
            return false;
        }
        foreach ($joined as $one) {
            if (! ($hasHead && $one === $head) && (! isset($blockAt[$one]) || isset($covered[$one]))) {
                return false;
            }
        }

        return true;
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

    /** A limit on something that another line starts from as well would change that line's meaning when moved. */
    private static function isUsedElsewhere(Strategy $strategy, int $head, int $number): bool
    {
        return array_diff($strategy->usersOf($head), [$number]) !== [];
    }

    public function block(string $id): ?Block
    {
        foreach ($this->blocks as $block) {
            if ($block->id === $id) {
                return $block;
            }
        }

        return null;
    }

    /** @param  list<Block>  $blocks */
    public function withBlocks(array $blocks): self
    {
        return new self($this->from, $blocks, $this->chain, $this->limits, $this->rest);
    }

    /** @param  list<BoardLimit>  $limits */
    public function withLimits(array $limits): self
    {
        return new self($this->from, $this->blocks, $this->chain, $limits, $this->rest);
    }

    /**
     * The strategy in the board's order: each block's terms and the line that joins them, the blocks combined, limits,
     * the rest.
     */
    public function strategy(): Strategy
    {
        $lines = [];
        $add = function (StrategyLine $line) use (&$lines): int {
            $lines[] = $line;

            return count($lines);
        };
        $combined = [];
        foreach ($this->blocks as $block) {
            $numbers = array_map($add, $block->terms);
            if ($numbers === []) {
                $add(new StrategyLine($block->id, '', $block->name));

                continue;
            }
            $at = $add(new StrategyLine($block->id, 'any('.LineNumbers::ranges($numbers).')', $block->name));
            if ($block->isCombined) {
                $combined[] = $at;
            }
        }
        $final = array_map(fn (StrategyLine $line): string => $line->id, $lines);
        $head = $combined[0] ?? null;
        foreach (array_slice($combined, 1) as $i => $at) {
            $old = $this->chain[$i] ?? null;
            $line = new StrategyLine(
                $old === null ? $this->freshId("c{$at}", $lines) : $old->id,
                "#{$head} AND #{$at}",
                $old === null ? '' : $old->note,
            );
            $head = $add($line);
            $final[] = $line->id;
        }
        foreach ($this->limits as $limit) {
            if ($head !== null) {
                $text = str_contains($limit->text, ' OR ') ? "({$limit->text})" : $limit->text;
                $line = new StrategyLine(
                    $limit->id,
                    "#{$head} ".($limit->isExclusion ? 'NOT' : 'AND')." {$text}",
                    $limit->note,
                );
                $head = $add($line);
                $final[] = $line->id;
            }
        }
        foreach ($this->rest as $line) {
            $add($line);
        }
        $arranged = $this->from->rearranged($lines, $final);
        // what the rest says after a line that is gone would say something else now
        foreach ($this->rest as $line) {
            foreach ($line->refersTo() as $number) {
                $was = $this->from->line($number);
                if ($was !== null && $arranged->numberOf($was->id) === null) {
                    throw new BadStrategy(
                        'Line #'.$this->from->numberOf($line->id)." uses line #{$number}. Change that line first.",
                    );
                }
            }
        }
        if ($head !== null && $arranged->resultNumber() > $head && $this->resultIsHead()) {
            return $arranged->withResult($lines[$head - 1]->id);
        }

        return $arranged;
    }

    /** Whether what the blocks and limits find together was the result. */
    private function resultIsHead(): bool
    {
        $result = $this->from->resultNumber();
        $id = $result === null ? null : $this->from->lines[$result - 1]->id;

        return ! in_array($id, array_map(fn (StrategyLine $line): string => $line->id, $this->rest), true);
    }

    /** @param  list<StrategyLine>  $lines */
    private function freshId(string $wish, array $lines): string
    {
        $used = array_map(fn (StrategyLine $line): string => $line->id, [...$this->from->lines, ...$lines]);
        while (in_array($wish, $used, true)) {
            $wish .= 'x';
        }

        return $wish;
    }
}
