<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Strategy;

use WaryHeron\Core\Search\Query\Parser;

/**
 * What people do to a strategy, on the board or among its lines, each by name. Every change gives a whole new strategy.
 */
final readonly class StrategyChange
{
    /** @param  \Closure(): string  $newId */
    private function __construct(private Strategy $strategy, private \Closure $newId)
    {
    }

    /**
     * @param  array<string, mixed>  $with
     * @param  \Closure(): string  $newId
     *
     * @throws BadStrategy
     */
    public static function apply(Strategy $strategy, string $change, array $with, \Closure $newId): ChangedStrategy
    {
        $self = new self($strategy, $newId);

        [$after, $words] = match ($change) {
            'add-block' => [
                $self->addBlock(self::text($with, 'name')),
                'Added the concept “'.self::text($with, 'name').'”',
            ],
            'rename-block' => [
                $self->renameBlock(self::text($with, 'block'), self::text($with, 'name')),
                'Renamed a concept to “'.self::text($with, 'name').'”',
            ],
            'move-block' => [
                $self->moveBlock(self::text($with, 'block'), self::number($with, 'to')),
                'Moved a concept',
            ],
            'remove-block' => [$self->removeBlock(self::text($with, 'block')), 'Took a concept off'],
            'combine-block' => [
                $self->combineBlock(self::text($with, 'block'), (bool) ($with['on'] ?? false)),
                $with['on'] ?? false ? 'Combined a concept with the others' : 'Left a concept out of the combination',
            ],
            'add-terms' => [
                $self->addTerms(self::text($with, 'block'), self::texts($with, 'texts')),
                'Added '.self::several(self::texts($with, 'texts')),
            ],
            'move-term' => [
                $self->moveTerm(self::text($with, 'line'), self::text($with, 'block'), self::number($with, 'to')),
                'Moved a term',
            ],
            'remove-term' => [$self->removeTerm(self::text($with, 'line')), 'Took off '.$self->named($with)],
            'add-limit' => [
                $self->addLimit(self::text($with, 'text'), (bool) ($with['exclude'] ?? false)),
                'Limited to '.($with['exclude'] ?? false ? 'all but ' : '').self::text($with, 'text'),
            ],
            'remove-limit' => [$self->removeLimit(self::text($with, 'line')), 'Took a limit off'],
            'set-line' => [
                $strategy->withText(
                    $self->at($with),
                    self::text($with, 'text', true),
                    isset($with['note']) ? self::note($with) : null,
                ),
                'Changed line #'.$self->at($with),
            ],
            'set-note' => [
                $strategy->withText(
                    $self->at($with),
                    $strategy->line($self->at($with))->text ?? '',
                    self::note($with),
                ),
                'Changed the note on line #'.$self->at($with),
            ],
            'add-line' => [
                $strategy->withLineAt(
                    self::number($with, 'to'),
                    new StrategyLine($newId(), self::text($with, 'text', true), self::text($with, 'note', true)),
                ),
                'Added a line',
            ],
            'remove-line' => [$strategy->without($self->at($with)), 'Took off line #'.$self->at($with)],
            'move-line' => [
                $strategy->moved($self->at($with), self::number($with, 'to')),
                'Moved line #'.$self->at($with).' to #'.self::number($with, 'to'),
            ],
            'duplicate-line' => [
                $strategy->withDuplicate($self->at($with), $newId()),
                'Copied line #'.$self->at($with),
            ],
            'combine-lines' => [
                $self->combineLines(self::texts($with, 'lines'), self::text($with, 'how')),
                'Combined lines with '.strtoupper(self::text($with, 'how')),
            ],
            'set-result' => [
                $strategy->withResult($strategy->line($self->at($with))?->id),
                'Made line #'.$self->at($with).' the result',
            ],
            'fill' => [$self->fill(is_array($with['blocks'] ?? null) ? $with['blocks'] : []), 'Filled the board'],
            'append' => [
                $self->append(self::texts($with, 'texts')),
                'Brought '.count(self::texts($with, 'texts')).' lines in',
            ],
            default => throw new BadStrategy("“{$change}” is no change that can be made to a strategy."),
        };

        return new ChangedStrategy($after, $words);
    }

    private function addBlock(string $name): Strategy
    {
        $board = Board::of($this->strategy);

        return $board->withBlocks([...$board->blocks, new Block(($this->newId)(), $name, [])])->strategy();
    }

    private function renameBlock(string $block, string $name): Strategy
    {
        $number = $this->strategy->numberOf($block) ?? throw new BadStrategy('This concept is no longer on the board.');

        return $this->strategy->withText($number, $this->strategy->lines[$number - 1]->text, $name);
    }

    private function moveBlock(string $id, int $to): Strategy
    {
        $board = Board::of($this->strategy);
        $block = $this->block($board, $id);
        $others = array_values(array_filter($board->blocks, fn (Block $one): bool => $one->id !== $id));
        array_splice($others, max(0, min($to - 1, count($others))), 0, [$block]);

        return $board->withBlocks($others)->strategy();
    }

    private function removeBlock(string $id): Strategy
    {
        $board = Board::of($this->strategy);
        $this->block($board, $id);

        return $board
            ->withBlocks(array_values(array_filter($board->blocks, fn (Block $one): bool => $one->id !== $id)))
            ->strategy();
    }

    private function combineBlock(string $id, bool $on): Strategy
    {
        return $this->changeBlock(
            $id,
            fn (Block $block): Block => new Block($block->id, $block->name, $block->terms, $on),
        );
    }

    /** @param  list<string>  $texts */
    private function addTerms(string $id, array $texts): Strategy
    {
        return $this->changeBlock($id, function (Block $block) use ($texts): Block {
            $known = array_map(fn (StrategyLine $line): string => mb_strtolower(trim($line->text)), $block->terms);
            $new = [];
            // what is typed into one box may be several synonyms
            foreach (array_merge(...array_map(StrategyImport::synonyms(...), $texts)) as $text) {
                if (LineNumbers::in($text) !== []) {
                    throw new BadStrategy("“{$text}” refers to a line; a term on the board stands for itself.");
                }
                if (! in_array(mb_strtolower(trim($text)), $known, true)) {
                    $known[] = mb_strtolower(trim($text));
                    $new[] = new StrategyLine(($this->newId)(), trim($text));
                }
            }

            return $new === []
                ? throw new BadStrategy(
                    'This concept has '.(count($texts) === 1 ? 'this term' : 'all of these terms').' already.',
                )
                : $block->withTerms([...$block->terms, ...$new]);
        });
    }

    private function moveTerm(string $line, string $to, int $at): Strategy
    {
        $board = Board::of($this->strategy);
        $terms = array_merge([], ...array_map(fn (Block $block): array => $block->terms, $board->blocks));
        $moved = array_values(array_filter($terms, fn (StrategyLine $term): bool => $term->id === $line))[0] ?? null;
        $isOther = fn (StrategyLine $term): bool => $term->id !== $line;
        $blocks = array_map(
            fn (Block $block): Block => $block->withTerms(array_values(array_filter($block->terms, $isOther))),
            $board->blocks,
        );
        if ($moved === null || $board->block($to) === null) {
            throw new BadStrategy('This term is no longer on the board.');
        }
        $blocks = array_map(function (Block $block) use ($to, $at, $moved): Block {
            if ($block->id !== $to) {
                return $block;
            }
            $terms = $block->terms;
            array_splice($terms, max(0, min($at - 1, count($terms))), 0, [$moved]);

            return $block->withTerms($terms);
        }, $blocks);

        return $board->withBlocks($blocks)->strategy();
    }

    private function removeTerm(string $line): Strategy
    {
        $board = Board::of($this->strategy);

        return $board
            ->withBlocks(
                array_map(
                    fn (Block $block): Block => $block->withTerms(
                        array_values(array_filter($block->terms, fn (StrategyLine $term): bool => $term->id !== $line)),
                    ),
                    $board->blocks,
                ),
            )
            ->strategy();
    }

    private function addLimit(string $text, bool $isExclusion): Strategy
    {
        $line = new StrategyLine('', $text);
        if (! $line->parsed()->isComplete()) {
            throw new BadStrategy($line->parsed()->problems[0]->message());
        }
        $board = Board::of($this->strategy);

        return $board
            ->withLimits([...$board->limits, new BoardLimit(($this->newId)(), $text, $isExclusion)])
            ->strategy();
    }

    private function removeLimit(string $line): Strategy
    {
        $board = Board::of($this->strategy);

        return $board
            ->withLimits(
                array_values(array_filter($board->limits, fn (BoardLimit $limit): bool => $limit->id !== $line)),
            )
            ->strategy();
    }

    private function numberOf(string $id): int
    {
        return $this->strategy->numberOf($id) ?? throw new BadStrategy('One of these lines is gone.');
    }

    /** @param  list<string>  $ids */
    private function combineLines(array $ids, string $how): Strategy
    {
        $numbers = array_map($this->numberOf(...), $ids);
        if (count($numbers) < 2) {
            throw new BadStrategy('Choose at least two lines to combine.');
        }
        // what is fetched is changed by whoever says so, and not by the way
        $fetched = $this->strategy->resultNumber();
        $line = new StrategyLine(($this->newId)(), self::combined($numbers, $how));
        $lines = $this->strategy->lines;
        $combined = $this->strategy->withLineAt(count($lines) + 1, $line);

        return $fetched === null ? $combined : $combined->withResult($lines[$fetched - 1]->id);
    }

    /** @param  list<int>  $numbers */
    private static function combined(array $numbers, string $how): string
    {
        $how === 'not' || sort($numbers);
        $all = count($numbers) === 2 ? "#{$numbers[0]} AND #{$numbers[1]}" : 'all('.LineNumbers::ranges($numbers).')';

        return match ($how) {
            'or' => 'any('.LineNumbers::ranges($numbers).')',
            'and' => $all,
            'not' => implode(' NOT ', array_map(fn (int $number): string => "#{$number}", $numbers)),
            default => throw new BadStrategy('Lines are combined with OR, AND or NOT.'),
        };
    }

    /** @param  array<mixed>  $blocks  names and terms; what is on the board already stays */
    private function fill(array $blocks): Strategy
    {
        $board = Board::of($this->strategy);
        $all = $board->blocks;
        foreach ($blocks as $given) {
            $name = is_array($given) && is_string($given['name'] ?? null) ? trim($given['name']) : '';
            $terms =
                is_array($given) && is_array($given['terms'] ?? null)
                    ? array_merge(
                        [],
                        ...array_map(
                            fn (mixed $term): array => is_string($term) ? StrategyImport::synonyms($term) : [],
                            array_values($given['terms']),
                        ),
                    )
                    : [];
            if ($terms !== [] || $name !== '') {
                $lines = array_map(
                    fn (string $term): StrategyLine => new StrategyLine(($this->newId)(), $term),
                    array_values(array_unique($terms)),
                );
                $empty = array_key_first(
                    array_filter(
                        $all,
                        fn (Block $block): bool => $block->terms === [] && ($block->name === $name || $name === ''),
                    ),
                );
                $empty === null
                    ? ($all[] = new Block(($this->newId)(), $name, $lines))
                    : ($all[$empty] = $all[$empty]->withTerms($lines));
            }
        }

        return $board->withBlocks(array_values($all))->strategy();
    }

    /** @param  list<string>  $texts */
    private function append(array $texts): Strategy
    {
        $shift = count($this->strategy->lines);
        $lines = array_map(
            fn (string $text): StrategyLine => new StrategyLine(
                ($this->newId)(),
                LineNumbers::changed($text, fn (int $number): int => $number + $shift),
            ),
            $texts,
        );
        $strategy = new Strategy([...$this->strategy->lines, ...$lines]);

        return $strategy->rearranged($strategy->lines);
    }

    /** @param  callable(Block): Block  $change */
    private function changeBlock(string $id, callable $change): Strategy
    {
        $board = Board::of($this->strategy);
        $this->block($board, $id);

        return $board
            ->withBlocks(
                array_map(fn (Block $block): Block => $block->id === $id ? $change($block) : $block, $board->blocks),
            )
            ->strategy();
    }

    private function block(Board $board, string $id): Block
    {
        return $board->block($id) ?? throw new BadStrategy('This concept is no longer on the board.');
    }

    /** @param  array<string, mixed>  $with */
    private function at(array $with): int
    {
        return $this->strategy->numberOf(self::text($with, 'line')) ?? throw new BadStrategy('This line is gone.');
    }

    /** @param  array<string, mixed>  $with */
    private function named(array $with): string
    {
        $line = $this->strategy->line($this->at($with));

        return '“'.mb_strimwidth($line->text ?? '', 0, 60, '…').'”';
    }

    /** @param  list<string>  $texts */
    private static function several(array $texts): string
    {
        return count($texts) === 1 ? '“'.mb_strimwidth($texts[0], 0, 60, '…').'”' : count($texts).' terms';
    }

    /** @param  array<string, mixed>  $with */
    private static function note(array $with): string
    {
        return mb_substr(self::text($with, 'note', true), 0, StrategyLine::LONGEST_NOTE);
    }

    /** @param  array<string, mixed>  $with */
    private static function text(array $with, string $key, bool $mayBeEmpty = false): string
    {
        $text = $with[$key] ?? '';
        if (! is_string($text) || (! $mayBeEmpty && trim($text) === '')) {
            throw new BadStrategy("There is no {$key}.");
        }
        if (strlen($text) > Parser::LONGEST) {
            throw new BadStrategy(
                'This is longer than '.
                    number_format(Parser::LONGEST).
                    ' bytes. Split it into lines and combine them.',
            );
        }

        return trim($text);
    }

    /** @param  array<string, mixed>  $with */
    private static function number(array $with, string $key): int
    {
        return is_numeric($with[$key] ?? null)
            ? max(1, (int) $with[$key])
            : throw new BadStrategy("There is no {$key}.");
    }

    /**
     * @param  array<string, mixed>  $with
     * @return list<string>
     */
    private static function texts(array $with, string $key): array
    {
        $texts = array_values(
            array_filter(
                is_array($with[$key] ?? null) ? $with[$key] : [],
                fn (mixed $one): bool => is_string($one) && trim($one) !== '',
            ),
        );

        return $texts === [] ? throw new BadStrategy("There are no {$key}.") : $texts;
    }
}
