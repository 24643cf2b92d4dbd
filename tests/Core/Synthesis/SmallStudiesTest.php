<?php

namespace Tests\Core\Synthesis\SmallStudies;

use WaryHeron\Core\Synthesis\Pool\Study;
use WaryHeron\Core\Synthesis\SmallStudies\Egger;
use WaryHeron\Core\Synthesis\SmallStudies\Kendall;
use WaryHeron\Core\Synthesis\SmallStudies\SmallStudies;
use WaryHeron\Core\Synthesis\SmallStudies\TrimAndFill;

/**
 * @param  list<array{float, float}>  $rows  estimate and variance
 * @return list<Study>
 */
function studies(array $rows): array
{
    return array_map(fn (array $one, int $i): Study => new Study("Study {$i}", ...$one), $rows, array_keys($rows));
}

/**
 * @param  list<float>  $values
 * @return \Generator<int, list<float>> all orders
 */
function orders(array $values): \Generator
{
    if (count($values) < 2) {
        yield $values;
    }
    foreach (count($values) < 2 ? [] : array_keys($values) as $i) {
        $rest = $values;
        [$first] = array_splice($rest, $i, 1);
        foreach (orders($rest) as $order) {
            yield [$first, ...$order];
        }
    }
}

it('correlates ranks as R does, with ties on both sides', function () {
    $kendall = new Kendall([1, 2, 2, 3, 4, 5, 5, 5], [2, 1, 3, 3, 5, 4, 4, 6]);
    expect([$kendall->s, round((float) $kendall->tauB(), 7)])->toBe([17, 0.6805447]);
});

it('has of S the variance that all orders have', function (array $x, array $y) {
    $squares = $count = 0;
    foreach (orders($y) as $order) {
        $squares += (new Kendall($x, $order))->s ** 2;
        $count++;
    }
    expect(round((new Kendall($x, $y))->variance(), 9))->toBe(round($squares / $count, 9));
})->with([
    'no ties' => [[1, 2, 3, 4, 5, 6], [3, 1, 2, 6, 5, 4]],
    'a pair on one side' => [[1, 1, 2, 3, 4, 5], [3, 1, 2, 6, 5, 4]],
    'pairs on both' => [[1, 1, 2, 3, 4, 4], [3, 1, 1, 6, 5, 4]],
    'threes on both' => [[1, 1, 1, 2, 3, 4], [2, 2, 2, 1, 3, 4]],
    'a three and a pair against a four' => [[1, 1, 1, 2, 2, 3], [5, 5, 5, 5, 1, 2]],
    'three of them' => [[1, 2, 2], [1, 1, 2]],
]);

it('turns S around with one side, and leaves it where all are moved alike', function () {
    [$x, $y] = [[1.5, 2.5, 2.5, 4.0, 5.0], [3.0, 1.0, 2.0, 2.0, 6.0]];
    $negated = array_map(fn (float $one): float => -$one, $y);
    $moved = array_map(fn (float $one): float => 3 * $one + 7, $x);
    $kendall = new Kendall($x, $y);
    expect((new Kendall($x, $negated))->s)->toBe(-$kendall->s)
        ->and((new Kendall($moved, $y))->s)->toBe($kendall->s)
        ->and((new Kendall($y, $x))->tauB())->toBe($kendall->tauB())
        ->and((new Kendall([1, 1, 1], [1, 2, 3]))->tauB())->toBeNull();
});

it('regresses as R does', function () {
    $egger = SmallStudies::egger(studies([[0.1, 0.01], [0.3, 0.04], [0.5, 0.09], [0.2, 0.02], [0.9, 0.25]]));
    $round = fn (float $one): float => round($one, 7);
    expect(array_map($round, [$egger->intercept, $egger->slope, $egger->se, $egger->t, $egger->p]))->toBe([
        1.9977705, -0.0951662, 0.0586779, 34.0464137, 0.0000557,
    ])->and($egger->df)->toBe(3);
});

it('asks three studies of two sizes for a bias, and a straight line for no test', function () {
    expect(SmallStudies::egger(studies([[0.1, 0.01], [0.3, 0.04]])))->toEqual(new Egger())
        ->and(SmallStudies::egger(studies([[0.1, 0.04], [0.3, 0.04], [0.5, 0.04]])))->toEqual(new Egger())
        ->and(SmallStudies::egger(studies([[0.1, 0.01], [0.3, 0.04], [0.4, 0.04]]))->df)->toBe(1);
    // y/SE = 2 + 3/SE lies on a line
    $line = SmallStudies::egger(studies(array_map(fn (float $se): array => [2 * $se + 3, $se ** 2], [0.5, 0.25, 0.125])));
    expect([round($line->intercept, 9), round($line->slope, 9)])->toBe([2.0, 3.0])
        ->and(SmallStudies::begg(studies([[0.1, 0.01], [0.3, 0.04]]))->toArray())
        ->toBe(['k' => 2, 'S' => null, 'tau_b' => null, 'var_S' => null, 'z' => null, 'p' => null])
        ->and(SmallStudies::begg(studies([[0.1, 0.01], [0.3, 0.04], [0.2, 0.09]]))->s)->not->toBeNull();
});

it('fills in what a mirror would show, on the side that is empty', function () {
    $lopsided = studies([[0.0, 0.01], [0.05, 0.02], [0.3, 0.05], [0.6, 0.1], [0.9, 0.2], [1.2, 0.3]]);
    $mirrored = array_map(fn (Study $one): Study => new Study($one->name, -$one->estimate, $one->variance), $lopsided);
    [$left, $right] = [TrimAndFill::of($lopsided, null), TrimAndFill::of($mirrored, null)];
    expect([$left?->side, $right?->side, $left?->missing])->toBe(['left', 'right', $right?->missing])
        ->and($left?->missing)->toBeGreaterThan(0)
        ->and(count($left->filled))->toBe($left->missing)
        ->and(round($left->estimate->value + $right->estimate->value, 9))->toBe(0.0);
    foreach ($left->filled as $one) {
        $real = array_values(array_filter($lopsided, fn (Study $of): bool => "{$of->name} (mirrored)" === $one->name))[0];
        expect($one->variance)->toBe($real->variance)->and($one->estimate)->toBeLessThan($real->estimate);
    }
    expect(TrimAndFill::of(studies([[0.1, 0.01], [0.3, 0.04]]), null))->toBeNull();
});
