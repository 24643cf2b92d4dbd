<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Strategy;

use WaryHeron\Core\Search\Query\Node\Fielded;
use WaryHeron\Core\Search\Query\Node\LineReference;
use WaryHeron\Core\Search\Query\Node\Near;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Node\Operation;
use WaryHeron\Core\Search\Query\Operator;

/**
 * A search strategy as numbered lines (from 1); a line may refer to lines above it. The last line is the result, unless
 * another is named. Every change gives a new strategy in which all references still mean the same lines.
 */
final readonly class Strategy
{
    public const MOST_LINES = 200;

    /** More parts than this in one line written out are refused: references to references can double at every line. */
    private const MOST_PARTS = 20_000;

    /** @param  list<StrategyLine>  $lines */
    public function __construct(public array $lines, private ?string $resultId = null)
    {
    }

    /** @param  array{lines?: list<array{id?: string, text?: string, note?: string}>, result?: string|null}  $data */
    public static function fromArray(array $data): self
    {
        $lines = [];
        foreach ($data['lines'] ?? [] as $i => $line) {
            $lines[] = new StrategyLine(
                (string) ($line['id'] ?? "l{$i}"),
                (string) ($line['text'] ?? ''),
                (string) ($line['note'] ?? ''),
            );
        }

        return new self($lines, $data['result'] ?? null);
    }

    /** @return array<string, string|list<array<string, string>>|null> */
    public function toArray(): array
    {
        return [
            'lines' => array_map(
                fn (StrategyLine $line): array => ['id' => $line->id, 'text' => $line->text, 'note' => $line->note],
                $this->lines,
            ),
            'result' => $this->resultId,
        ];
    }

    public function numberOf(string $id): ?int
    {
        foreach ($this->lines as $i => $line) {
            if ($line->id === $id) {
                return $i + 1;
            }
        }

        return null;
    }

    public function line(int $number): ?StrategyLine
    {
        return $this->lines[$number - 1] ?? null;
    }

    /** The line whose records are fetched; null where no line has text. */
    public function resultNumber(): ?int
    {
        $named = $this->resultId === null ? null : $this->numberOf($this->resultId);
        if ($named !== null) {
            return $named;
        }
        for ($number = count($this->lines); $number > 0; $number--) {
            if (! $this->lines[$number - 1]->isBlank()) {
                return $number;
            }
        }

        return null;
    }

    public function withResult(?string $id): self
    {
        return new self($this->lines, $id === null || $this->numberOf($id) === null ? null : $id);
    }

    /**
     * The line with everything that it refers to written out.
     *
     * @throws BadStrategy If it or a line under it has mistakes, refers to no earlier line, or grows too large.
     */
    public function writtenOut(int $number): Node
    {
        $done = [];
        $parts = 0;

        return $this->resolve($number, $done, $parts);
    }

    /** @param  array<int, Node>  $done */
    private function resolve(int $number, array &$done, int &$parts): Node
    {
        $line = $this->line($number) ?? throw new BadStrategy("There is no line #{$number}.");
        if ($line->isBlank()) {
            throw new BadStrategy("Line #{$number} is still empty.");
        }
        $parsed = $line->parsed();
        if (! $parsed->isComplete()) {
            throw new BadStrategy("Line #{$number}, ".lcfirst($parsed->problems[0]->message()));
        }
        foreach ($line->refersTo() as $other) {
            if ($other >= $number) {
                throw new BadStrategy("Line #{$number} refers to #{$other}, which does not stand above it.");
            }
            $done[$other] ??= $this->resolve($other, $done, $parts);
        }

        return self::replaced($parsed->root, $done, $parts);
    }

    /** @param  array<int, Node>  $lines */
    private static function replaced(Node $node, array $lines, int &$parts): Node
    {
        if (++$parts > self::MOST_PARTS) {
            throw new BadStrategy('Written out, this line is too large. Refer to each line once.');
        }

        return match (true) {
            $node instanceof LineReference => self::joined($node, $lines, $parts),
            $node instanceof Operation => new Operation(
                $node->operator,
                array_map(fn (Node $one): Node => self::replaced($one, $lines, $parts), $node->operands),
            ),
            $node instanceof Fielded => new Fielded($node->fields, self::replaced($node->inner, $lines, $parts)),
            $node instanceof Near => new Near(
                self::replaced($node->left, $lines, $parts),
                self::replaced($node->right, $lines, $parts),
                $node->distance,
            ),
            default => $node,
        };
    }

    /** @param  array<int, Node>  $lines */
    private static function joined(LineReference $node, array $lines, int &$parts): Node
    {
        $operands = [];
        foreach ($node->lines() as $number) {
            $one = $lines[$number];
            $parts += self::size($one);
            $operands = [
                ...$operands,
                ...$one instanceof Operation && $one->operator === $node->join && $node->join !== Operator::Not
                    ? $one->operands
                    : [$one],
            ];
        }
        if ($parts > self::MOST_PARTS) {
            throw new BadStrategy('Written out, this line is too large. Refer to each line once.');
        }

        return count($operands) < 2 || $node->join === null
            ? $operands[0] ?? throw new \LogicException('A reference names a line.')
            : new Operation($node->join, $operands);
    }

    private static function size(Node $node): int
    {
        return 1 +
            match (true) {
                $node instanceof Operation => array_sum(array_map(self::size(...), $node->operands)),
                $node instanceof Fielded => self::size($node->inner),
                $node instanceof Near => self::size($node->left) + self::size($node->right),
                default => 0,
            };
    }

    /** @return list<int> numbers of the lines that refer to this one */
    public function usersOf(int $number): array
    {
        $users = [];
        foreach ($this->lines as $i => $line) {
            if (in_array($number, $line->refersTo(), true)) {
                $users[] = $i + 1;
            }
        }

        return $users;
    }

    /** @throws BadStrategy If the new text refers to lines that do not stand above it. */
    public function withText(int $number, string $text, ?string $note = null): self
    {
        $line = $this->line($number) ?? throw new BadStrategy("There is no line #{$number}.");
        $lines = $this->lines;
        $lines[$number - 1] = $line->with($text, $note);

        return (new self(array_values($lines), $this->resultId))->checked([$number]);
    }

    /** @throws BadStrategy */
    public function withLineAt(int $number, StrategyLine $new): self
    {
        $lines = $this->lines;
        array_splice($lines, max(0, $number - 1), 0, [$new]);

        // what the new line says is already in terms of the strategy as it will be
        return $this->rearranged($lines, [$new->id])->checked([min($number, count($lines))]);
    }

    /** A copy of the line right below it. */
    public function withDuplicate(int $number, string $id): self
    {
        $line = $this->line($number) ?? throw new BadStrategy("There is no line #{$number}.");
        $lines = $this->lines;
        array_splice($lines, $number, 0, [new StrategyLine($id, $line->text, $line->note)]);

        return $this->rearranged($lines);
    }

    /** @throws BadStrategy If other lines refer to it. */
    public function without(int $number): self
    {
        $users = $this->usersOf($number);
        if ($users !== []) {
            throw new BadStrategy(
                "Line #{$number} is used by ".
                    implode(', ', array_map(fn (int $n): string => "#{$n}", $users)).
                    '. Change '.
                    (count($users) === 1 ? 'that line' : 'those lines').
                    ' first.',
            );
        }
        $lines = $this->lines;
        array_splice($lines, $number - 1, 1);

        return $this->rearranged($lines);
    }

    /** @throws BadStrategy If a line would come to stand above one that it refers to. */
    public function moved(int $from, int $to): self
    {
        $lines = $this->lines;
        $line = $this->line($from) ?? throw new BadStrategy("There is no line #{$from}.");
        $to = min(max($to, 1), count($lines));
        array_splice($lines, $from - 1, 1);
        array_splice($lines, $to - 1, 0, [$line]);

        return $this->rearranged($lines)->checked();
    }

    /**
     * The same lines in another order, or some more or fewer, with references renumbered.
     *
     * @param  list<StrategyLine>  $lines  with the texts of this strategy
     * @param  list<string>  $final  ids of lines whose numbers are already the new ones
     */
    public function rearranged(array $lines, array $final = []): self
    {
        $new = array_map(fn (int $i): int => $i + 1, array_flip(array_column($lines, 'id')));
        $renumber = fn (int $number): int => isset($this->lines[$number - 1])
            ? $new[$this->lines[$number - 1]->id] ?? $number
            : $number;
        $lines = array_map(
            fn (StrategyLine $line): StrategyLine => in_array($line->id, $final, true)
                ? $line
                : $line->with(LineNumbers::changed($line->text, $renumber)),
            $lines,
        );
        count($lines) <= self::MOST_LINES ||
            throw new BadStrategy('A strategy has at most '.self::MOST_LINES.' lines.');

        return new self($lines, isset($new[$this->resultId ?? '']) ? $this->resultId : null);
    }

    /** @param  ?list<int>  $numbers  the lines to look at, or all */
    private function checked(?array $numbers = null): self
    {
        foreach ($this->lines as $i => $line) {
            if ($numbers !== null && ! in_array($i + 1, $numbers, true)) {
                continue;
            }
            foreach ($line->refersTo() as $other) {
                if ($other > $i) {
                    throw new BadStrategy(
                        'Line #'.($i + 1)." would refer to #{$other}, which does not stand above it.",
                    );
                }
                if ($other < 1) {
                    throw new BadStrategy('Lines are numbered from #1.');
                }
            }
        }

        return $this;
    }
}
