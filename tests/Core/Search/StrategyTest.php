<?php

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use WaryHeron\Core\Search\Dialect\Dialects;
use WaryHeron\Core\Search\Dialect\Printer;
use WaryHeron\Core\Search\Strategy\BadStrategy;
use WaryHeron\Core\Search\Strategy\Block;
use WaryHeron\Core\Search\Strategy\Board;
use WaryHeron\Core\Search\Strategy\BoardLimit;
use WaryHeron\Core\Search\Strategy\Strategy;
use WaryHeron\Core\Search\Strategy\StrategyLine;

/** @param  list<string>  $texts */
function strategyOf(array $texts): Strategy
{
    return new Strategy(
        array_map(
            fn (int $i, string $text): StrategyLine => new StrategyLine("l{$i}", $text),
            array_keys($texts),
            $texts,
        ),
    );
}

function textsOf(Strategy $strategy): array
{
    return array_map(fn (StrategyLine $line): string => $line->text, $strategy->lines);
}

function resultOf(Strategy $strategy): string
{
    return Printer::print($strategy->writtenOut($strategy->resultNumber()), Dialects::heron())->text;
}

const TWO_BLOCKS = [
    'night NEAR/2 shift*',
    'heading:"Night work"',
    'any(#1-#2)',
    'lux',
    '"bright light"',
    'lamp*',
    '#4 OR #5 OR #6',
    '#3 AND #7',
    '#8 AND year:2000-',
    '#9 NOT type:letter',
];

it('writes a line out with all that it refers to', function () {
    expect(resultOf(strategyOf(TWO_BLOCKS)))->toBe(
        '(((night NEAR/2 shift* OR heading:"Night work") AND (lux OR "bright light" OR lamp*)) AND year:2000-) NOT type:letter',
    );
});

it('renumbers references when lines move, come and go', function (Closure $change, array $texts) {
    expect(textsOf($change(strategyOf(['a', 'b', 'c', 'any(#1-#3)', '#4 AND "not #4" AND #1']))))->toBe($texts);
})->with([
    'move up' => [fn (Strategy $s) => $s->moved(3, 1), ['c', 'a', 'b', 'any(#2-#3,#1)', '#4 AND "not #4" AND #2']],
    'insert' => [
        fn (Strategy $s) => $s->withLineAt(2, new StrategyLine('n', 'new')),
        ['a', 'new', 'b', 'c', 'any(#1,#3-#4)', '#5 AND "not #4" AND #1'],
    ],
    'duplicate' => [
        fn (Strategy $s) => $s->withDuplicate(4, 'n'),
        ['a', 'b', 'c', 'any(#1-#3)', 'any(#1-#3)', '#4 AND "not #4" AND #1'],
    ],
    'a broken line keeps its text' => [
        fn (Strategy $s) => $s->withText(5, '#4 AND (')->moved(1, 2),
        ['b', 'a', 'c', 'any(#2,#1,#3)', '#4 AND ('],
    ],
]);

it('refuses what would leave a reference without its line', function (Closure $change, string $why) {
    expect(fn () => $change(strategyOf(['a', 'b', '#1 AND #2', '#3 OR a'])))->toThrow(BadStrategy::class, $why);
})->with([
    [fn (Strategy $s) => $s->without(1), 'Line #1 is used by #3'],
    [fn (Strategy $s) => $s->moved(3, 1), 'does not stand above'],
    [fn (Strategy $s) => $s->withText(2, '#2 AND x'), 'does not stand above'],
    [fn (Strategy $s) => $s->withText(1, '(')->writtenOut(4), 'Line #1, column 1'],
    [fn (Strategy $s) => $s->withText(1, '')->writtenOut(3), 'Line #1 is still empty'],
    [
        fn () => strategyOf(['a OR b', ...array_map(fn (int $n): string => "#{$n} NOT #{$n}", range(1, 40))])->writtenOut(
            41,
        ),
        'too large',
    ],
]);

it('sees blocks, limits and the rest', function () {
    $board = Board::of(strategyOf([...TWO_BLOCKS, 'tea', '#10 NOT #11']));
    expect(
        array_map(fn (Block $b): array => array_map(fn (StrategyLine $l): string => $l->text, $b->terms), $board->blocks),
    )
        ->toBe([['night NEAR/2 shift*', 'heading:"Night work"'], ['lux', '"bright light"', 'lamp*']])
        ->and(array_map(fn (BoardLimit $l): string => ($l->isExclusion ? '-' : '+').$l->text, $board->limits))
        ->toBe(['+year:2000-', '-type:letter'])
        ->and(array_map(fn (StrategyLine $l): string => $l->text, $board->rest))
        ->toBe(['tea', '#10 NOT #11']);
});

it('keeps as lines what is no board', function (array $texts, int $blocks, int $rest) {
    $board = Board::of(strategyOf($texts));
    expect([count($board->blocks), count($board->rest)])
        ->toBe([$blocks, $rest])
        ->and(resultOf($board->strategy()))
        ->toBe(resultOf(strategyOf($texts)));
})->with([
    'free lines' => [['a', 'b', '#1 AND #2'], 0, 3],
    'one line' => [['(a OR b) AND c'], 0, 1],
    'NOT between blocks' => [['a', 'any(#1)', 'b', 'any(#3)', '#2 NOT #4'], 2, 1],
    'a term used twice' => [['a', 'b', 'any(#1-#2)', '#1 OR x', '#3 AND #4'], 0, 5],
    'a mistake' => [['a (', 'b', 'any(#2)'], 1, 1],
    'OR of blocks' => [['a', 'any(#1)', 'b', 'any(#3)', '#2 OR #4'], 2, 1],
    'a limit on the way' => [['a', 'any(#1)', '#2 AND year:2000', 'b', 'any(#4)', '#3 AND #5'], 2, 2],
]);

it('means the same after any change of view, and any change on the board keeps the rest', function () {
    $random = new Randomizer(new Xoshiro256StarStar(3));
    $strategy = strategyOf([...TWO_BLOCKS, '#3 NOT #7', '#11 OR lux']);
    for ($i = 0; $i < 300; $i++) {
        $board = Board::of($strategy);
        $again = $board->strategy();
        expect(resultOf($again))
            ->toBe(resultOf($strategy))
            ->and(textsOf(Board::of($again)->strategy()))
            ->toBe(textsOf($again));
        // a term goes to a random place in a random block
        $blocks = $board->blocks;
        $from = $random->getInt(0, 1);
        $terms = $blocks[$from]->terms;
        if (count($terms) > 1) {
            $taken = array_splice($terms, $random->getInt(0, count($terms) - 1), 1);
            $blocks[$from] = $blocks[$from]->withTerms($terms);
            $to = $random->getInt(0, 1);
            $terms = $blocks[$to]->terms;
            array_splice($terms, $random->getInt(0, count($terms)), 0, $taken);
            $blocks[$to] = $blocks[$to]->withTerms($terms);
        }
        $strategy = $board->withBlocks($random->getInt(0, 1) ? $blocks : array_reverse($blocks))->strategy();
        expect($strategy->lines)
            ->toHaveCount(12)
            ->and(Board::of($strategy)->rest)
            ->toHaveCount(2)
            ->and(Board::of($strategy)->limits)
            ->toHaveCount(2);
    }
});

it('refuses to take away a block that a free line uses', function () {
    $board = Board::of(strategyOf([...TWO_BLOCKS, '#3 NOT lux']));
    expect(fn () => $board->withBlocks([$board->blocks[1]])->strategy())->toThrow(
        BadStrategy::class,
        'Line #11 uses line #3',
    );
});

it('keeps an empty block in its place', function () {
    $strategy = new Strategy([
        new StrategyLine('a', '', 'Population'),
        new StrategyLine('b', 'lux'),
        new StrategyLine('c', 'any(#2)', 'Intervention'),
    ]);
    $board = Board::of($strategy);
    expect(array_map(fn (Block $b): string => $b->name, $board->blocks))
        ->toBe(['Population', 'Intervention'])
        ->and($board->strategy()->toArray())
        ->toBe($strategy->toArray())
        ->and(resultOf($strategy))
        ->toBe('lux');
});
