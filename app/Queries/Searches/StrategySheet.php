<?php

declare(strict_types=1);

namespace App\Queries\Searches;

use App\Models\Review;
use App\Models\Strategy;
use App\Models\StrategyRevision;
use App\Sources\Sources;
use WaryHeron\Core\Search\Dialect\Dialects;
use WaryHeron\Core\Search\Dialect\Printer;
use WaryHeron\Core\Search\Query\LimitKind;
use WaryHeron\Core\Search\Query\Node\Fielded;
use WaryHeron\Core\Search\Query\Node\Heading;
use WaryHeron\Core\Search\Query\Node\Limit;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Node\Operation;
use WaryHeron\Core\Search\Strategy\Block;
use WaryHeron\Core\Search\Strategy\Board;
use WaryHeron\Core\Search\Strategy\BoardLimit;
use WaryHeron\Core\Search\Strategy\Strategy as Lines;
use WaryHeron\Core\Search\Strategy\StrategyLine;

/** A strategy as the board and its lines show it: plain data for the page. */
final readonly class StrategySheet
{
    public function __construct(private Sources $sources)
    {
    }

    /** @return array<string, mixed> */
    public function of(Review $review, Strategy $strategy, StrategyRevision $revision): array
    {
        $lines = $revision->strategy();

        return [
            'revision' => $revision->number,
            'change' => $revision->change,
            'canUndo' => $revision->after !== null,
            'canRedo' => $strategy->revisions()->where('after', $revision->number)->exists(),
            'result' => $lines->resultNumber(),
            'sources' => array_map($this->source(...), $this->chosen($strategy)),
            'lines' => array_map(
                fn (int $i, StrategyLine $line): array => $this->line($lines, $i + 1, $line),
                array_keys($lines->lines),
                $lines->lines,
            ),
            ...$this->board($strategy, $lines),
        ];
    }

    /** @return array{key: string, name: string, short: string} */
    private function source(string $key): array
    {
        return [
            'key' => $key,
            'name' => $this->sources->names()[$key],
            'short' => $this->sources->shortName($key),
        ];
    }

    /** @return array<string, mixed> the same lines, as blocks, the chain that joins them, limits, and the rest */
    private function board(Strategy $strategy, Lines $lines): array
    {
        $board = Board::of($lines);
        $number = fn (string $id): int => (int) $lines->numberOf($id);

        return [
            'blocks' => array_map(fn (Block $block): array => $this->block($block, $number), $board->blocks),
            'chain' => array_map(
                fn (StrategyLine $line): array => ['id' => $line->id, 'number' => $number($line->id)],
                $board->chain,
            ),
            'limits' => array_map(
                fn (BoardLimit $limit): array => [
                    'id' => $limit->id,
                    'text' => $limit->text,
                    'exclude' => $limit->isExclusion,
                    'number' => $number($limit->id),
                    'lacking' => $this->lacking($strategy, $limit),
                ],
                $board->limits,
            ),
            'rest' => array_map(fn (StrategyLine $line): array => self::rest($line, $number), $board->rest),
        ];
    }

    /**
     * @param  \Closure(string): int  $number
     * @return array<string, mixed>
     */
    private function block(Block $block, \Closure $number): array
    {
        return [
            'id' => $block->id,
            'name' => $block->name,
            'combined' => $block->isCombined,
            'terms' => array_map(
                fn (StrategyLine $term): array => [
                    'id' => $term->id,
                    'number' => $number($term->id),
                    ...$this->term($term),
                ],
                $block->terms,
            ),
        ];
    }

    /**
     * @param  \Closure(string): int  $number
     * @return array{id: string, number: int, text: string, note: string}
     */
    private static function rest(StrategyLine $line, \Closure $number): array
    {
        return ['id' => $line->id, 'number' => $number($line->id), 'text' => $line->text, 'note' => $line->note];
    }

    /** @return list<string> */
    public function chosen(Strategy $strategy): array
    {
        return array_values(array_filter($strategy->sources, $this->sources->has(...)));
    }

    /** @return array<string, mixed> */
    private function line(Lines $lines, int $number, StrategyLine $line): array
    {
        $problem = '';
        if (! $line->isBlank()) {
            $problems = $line->parsed()->problems;
            $later = array_filter($line->refersTo(), fn (int $other): bool => $other >= $number);
            $problem = match (true) {
                $problems !== [] => $problems[0]->message(),
                $later !== [] => 'A line can refer only to lines above it.',
                default => '',
            };
        }

        return [
            'id' => $line->id,
            'number' => $number,
            'text' => $line->text,
            'note' => $line->note,
            'problem' => $problem,
            'isResult' => $lines->resultNumber() === $number,
            'isUsed' => $lines->usersOf($number) !== [],
        ];
    }

    /** @return array{text: string, shown: string, tags: list<string>, heading: string, problem: string} */
    private function term(StrategyLine $line): array
    {
        $parsed = $line->parsed();
        $term = [
            'text' => $line->text,
            'shown' => $line->text,
            'tags' => [],
            'heading' => '',
            'problem' => $parsed->isComplete() ? '' : $parsed->problems[0]->message(),
        ];
        if ($parsed->root instanceof Heading) {
            return [...$term, ...self::heading($parsed->root)];
        }
        if ($parsed->isComplete() && $parsed->root instanceof Fielded) {
            return [
                ...$term,
                'shown' => Printer::print($parsed->root->inner, Dialects::heron())->text,
                'tags' => [implode(', ', array_map(fn ($field): string => $field->value, $parsed->root->fields))],
            ];
        }

        return $term;
    }

    /** @return array{shown: string, heading: string, tags: list<string>} */
    private static function heading(Heading $heading): array
    {
        $less = $heading->less === [] ? '' : ', less '.count($heading->less);
        $narrower = $heading->narrower ? ["+ narrower{$less}"] : [];

        return [
            'shown' => $heading->label,
            'heading' => $heading->label,
            'tags' => [...$narrower, ...$heading->major ? ['major topic'] : [], ...$heading->qualifiers],
        ];
    }

    /** @return list<string> names of the chosen databases that have no such limit */
    private function lacking(Strategy $strategy, BoardLimit $limit): array
    {
        $kinds = self::kinds((new StrategyLine('', $limit->text))->parsed()->root);

        return array_values(
            array_map(
                $this->sources->shortName(...),
                array_filter(
                    $this->chosen($strategy),
                    fn (string $key): bool => array_filter(
                        $kinds,
                        fn (LimitKind $kind): bool => ! $this->sources->dialect($key)->has($kind),
                    ) !== [],
                ),
            ),
        );
    }

    /** @return list<LimitKind> */
    private static function kinds(Node $node): array
    {
        return match (true) {
            $node instanceof Limit => [$node->kind],
            $node instanceof Operation => array_merge(...array_map(self::kinds(...), $node->operands)),
            default => [],
        };
    }
}
