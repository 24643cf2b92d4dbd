<?php

declare(strict_types=1);

namespace App\Queries\Searches;

use App\Models\Review;
use App\Models\Strategy;
use App\Models\StrategyRevision;
use App\Queries\Searches\Sheet\NumberedLine;
use App\Queries\Searches\Sheet\SheetBlock;
use App\Queries\Searches\Sheet\SheetLimit;
use App\Queries\Searches\Sheet\SheetLine;
use App\Queries\Searches\Sheet\SheetSource;
use App\Queries\Searches\Sheet\StrategyPage;
use App\Sources\Sources;
use WaryHeron\Core\Search\Query\LimitKind;
use WaryHeron\Core\Search\Query\Node\Limit;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Node\Operation;
use WaryHeron\Core\Search\Strategy\Block;
use WaryHeron\Core\Search\Strategy\Board;
use WaryHeron\Core\Search\Strategy\BoardLimit;
use WaryHeron\Core\Search\Strategy\StrategyLine;

/** Makes the page of a strategy from one of its revisions. */
final readonly class StrategySheet
{
    public function __construct(private Sources $sources)
    {
    }

    public function of(Review $review, Strategy $strategy, StrategyRevision $revision): StrategyPage
    {
        $lines = $revision->strategy();
        $board = Board::of($lines);
        $named = fn (StrategyLine $line): NumberedLine => NumberedLine::of($line, $lines);

        return new StrategyPage(
            revision: $revision->number,
            change: $revision->change,
            canUndo: $revision->after !== null,
            canRedo: $strategy->revisions()->where('after', $revision->number)->exists(),
            result: $lines->resultNumber(),
            sources: array_map($this->source(...), $this->chosen($strategy)),
            lines: SheetLine::all($lines),
            blocks: array_map(fn (Block $block): SheetBlock => SheetBlock::of($block, $lines), $board->blocks),
            chain: array_map($named, $board->chain),
            limits: array_map(fn (BoardLimit $limit): SheetLimit => new SheetLimit(
                $limit->id,
                $limit->text,
                $limit->isExclusion,
                (int) $lines->numberOf($limit->id),
                $this->lacking($strategy, $limit),
            ), $board->limits),
            rest: array_map($named, $board->rest),
        );
    }

    private function source(string $key): SheetSource
    {
        return new SheetSource($key, $this->sources->names()[$key], $this->sources->shortName($key));
    }

    /** @return list<string> */
    public function chosen(Strategy $strategy): array
    {
        return array_values(array_filter($strategy->sources, $this->sources->has(...)));
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
