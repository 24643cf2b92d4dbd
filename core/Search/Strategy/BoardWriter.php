<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Strategy;

/** @internal Writes a board as lines: each block's terms and what joins them, the blocks combined, limits, the rest. */
final class BoardWriter
{
    /** @var list<StrategyLine> */
    private array $lines = [];

    /** @var list<string> lines that a result may move to */
    private array $final = [];

    /** @var ?int the line at which all blocks and limits stand together */
    private ?int $head = null;

    public function __construct(private readonly Strategy $from, private readonly Board $board)
    {
    }

    public function strategy(): Strategy
    {
        $combined = array_values(array_filter(array_map($this->block(...), $this->board->blocks)));
        $this->final = array_map(fn (StrategyLine $line): string => $line->id, $this->lines);
        $this->head = $combined[0] ?? null;
        foreach (array_slice($combined, 1) as $i => $at) {
            $old = $this->board->chain[$i] ?? null;
            $id = $old === null ? $this->freshId("c{$at}") : $old->id;
            $this->goOn(new StrategyLine($id, "#{$this->head} AND #{$at}", $old === null ? '' : $old->note));
        }
        foreach ($this->head === null ? [] : $this->board->limits as $limit) {
            $text = str_contains($limit->text, ' OR ') ? "({$limit->text})" : $limit->text;
            $how = $limit->isExclusion ? 'NOT' : 'AND';
            $this->goOn(new StrategyLine($limit->id, "#{$this->head} {$how} {$text}", $limit->note));
        }
        array_map($this->add(...), $this->board->rest);
        $arranged = $this->from->rearranged($this->lines, $this->final);
        $this->refuseLost($arranged);
        if ($this->head !== null && $arranged->resultNumber() > $this->head && $this->resultIsHead()) {
            return $arranged->withResult($this->lines[$this->head - 1]->id);
        }

        return $arranged;
    }

    private function add(StrategyLine $line): int
    {
        $this->lines[] = $line;

        return count($this->lines);
    }

    /** A line that starts from the head is the head from then on. */
    private function goOn(StrategyLine $line): void
    {
        $this->head = $this->add($line);
        $this->final[] = $line->id;
    }

    /** @return ?int the number of its line, where it is combined with others */
    private function block(Block $block): ?int
    {
        $numbers = array_map($this->add(...), $block->terms);
        if ($numbers === []) {
            $this->add(new StrategyLine($block->id, '', $block->name));

            return null;
        }
        $at = $this->add(new StrategyLine($block->id, 'any('.LineNumbers::ranges($numbers).')', $block->name));

        return $block->isCombined ? $at : null;
    }

    /**
     * What the rest says after a line that is gone would say something else now.
     *
     * @throws BadStrategy
     */
    private function refuseLost(Strategy $arranged): void
    {
        foreach ($this->board->rest as $line) {
            foreach ($line->refersTo() as $number) {
                $was = $this->from->line($number);
                if ($was !== null && $arranged->numberOf($was->id) === null) {
                    throw new BadStrategy(
                        'Line #'.$this->from->numberOf($line->id)." uses line #{$number}. Change that line first.",
                    );
                }
            }
        }
    }

    /** Whether what the blocks and limits find together was the result. */
    private function resultIsHead(): bool
    {
        $result = $this->from->resultNumber();
        $id = $result === null ? null : $this->from->lines[$result - 1]->id;

        return ! in_array($id, array_map(fn (StrategyLine $line): string => $line->id, $this->board->rest), true);
    }

    private function freshId(string $wish): string
    {
        $used = array_map(fn (StrategyLine $line): string => $line->id, [...$this->from->lines, ...$this->lines]);
        while (in_array($wish, $used, true)) {
            $wish .= 'x';
        }

        return $wish;
    }
}
