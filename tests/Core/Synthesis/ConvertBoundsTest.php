<?php

namespace Tests\Core\Synthesis\ConvertBounds;

use WaryHeron\Core\Synthesis\Convert\ArmMoments;
use WaryHeron\Core\Synthesis\Convert\Arms;
use WaryHeron\Core\Synthesis\Convert\Change;
use WaryHeron\Core\Synthesis\Convert\CommonSpread;
use WaryHeron\Core\Synthesis\Convert\Comparison;
use WaryHeron\Core\Synthesis\Convert\MeanAndSd;
use WaryHeron\Core\Synthesis\Convert\Quantiles;
use WaryHeron\Core\Synthesis\Convert\Spread;

/** Where a conversion begins and ends to be defined; numbers by hand, quantiles of t and of the normal distribution by R. */

/** @return list<?float> what an object says, to six places */
function told(object $of): array
{
    return array_map(fn (?float $one): ?float => $one === null ? null : round($one, 6), array_values(get_object_vars($of)));
}

function six(?float $one): ?float
{
    return $one === null ? null : round($one, 6);
}

it('puts three arms together as two and one, whatever their order', function () {
    $arms = [new ArmMoments(10, 5, 2), new ArmMoments(14, 7, 3), new ArmMoments(8, 6, 1)];
    foreach ([$arms, array_reverse($arms), [$arms[1], $arms[2], $arms[0]]] as $order) {
        expect(told(Arms::combined($order)))->toBe([32.0, 6.125, 2.432972]);
    }
    expect(told(Arms::combined([$arms[0]])))->toBe([10.0, 5.0, 2.0])
        ->and(told(Arms::combined([new ArmMoments(1, 5, 0), new ArmMoments(1, 7, 0)])))->toBe([2.0, 6.0, 1.414214]);
});

it('puts no arms together of which something is not known or cannot be', function (array $other) {
    expect(told(Arms::combined([new ArmMoments(10, 5, 2), new ArmMoments(...$other)])))->toBe([null, null, null])
        ->and(told(Arms::combined([new ArmMoments(...$other), new ArmMoments(10, 5, 2)])))->toBe([null, null, null]);
})->with([[[null, 5, 2]], [[10, null, 2]], [[10, 5, null]], [[0.9, 5, 2]], [[10, 5, -0.1]]]);

it('knows no spread of no arms, or of one that has none', function () {
    expect(told(Arms::combined([])))->toBe([null, null, null])
        ->and(told(Arms::combined([new ArmMoments(10, 5, 0)])))->toBe([10.0, 5.0, null]);
});

it('tells the spread of a change', function (array $given, ?float $sd) {
    expect(six(Change::sd(...$given)))->toBe($sd);
})->with([
    [[2, 3, 0.5], 2.645751],
    'below one' => [[0.5, 0.4, 0.5], 0.458258],
    'a little below none' => [[-0.5, 3, 0.5], null],
    'the other a little below none' => [[2, -0.5, 0.5], null],
    'together wholly' => [[2, 3, 1], 1.0],
    'against each other wholly' => [[2, 3, -1], 5.0],
    'none before' => [[0, 3, 0.5], 3.0],
    'none after' => [[2, 0, 0.5], 2.0],
    'nothing changes' => [[2, 2, 1], null],
    'more than wholly' => [[2, 3, 1.1], null],
    'below' => [[2, 3, -1.1], null],
    'a spread below none' => [[-2, 3, 0.5], null],
    'the other below none' => [[2, -3, 0.5], null],
    'nothing before' => [[null, 3, 0.5], null],
    'nothing after' => [[2, null, 0.5], null],
    'nothing between' => [[2, 3, null], null],
]);

it('tells how before and after go together', function (array $given, ?float $r) {
    expect(six(Change::correlation(...$given)))->toBe($r);
})->with([
    [[2, 3, sqrt(7)], 0.5],
    'below one' => [[0.5, 0.4, sqrt(0.21)], 0.5],
    'of other spreads' => [[3, 4, sqrt(13)], 0.5],
    'wholly' => [[2, 3, 1], 1.0],
    'against each other wholly' => [[2, 3, 5], -1.0],
    'no change of two that are alike' => [[2, 2, 0], 1.0],
    'more than they can' => [[2, 3, 5.1], null],
    'less than they must' => [[2, 3, 0.9], null],
    'none before' => [[0, 3, 2], null],
    'none after' => [[2, 0, 2], null],
    'a change below none' => [[2, 3, -1], null],
    'nothing before' => [[null, 3, 1], null],
    'nothing after' => [[2, null, 1], null],
    'nothing of the change' => [[2, 3, null], null],
]);

it('tells the spread of two groups from what a report says of their difference', function () {
    $two = new Comparison(20, 20);
    // 2.711558 is the quantile of t at 0.995 with 38 degrees of freedom, 2.024394 that at 0.975
    expect(told($two->fromT(2, 2.5)))->toBe([0.8, 2.529822])
        ->and(told($two->fromT(-2, 2.5)))->toBe([0.8, 2.529822])
        ->and(told($two->fromT(2, -2.5)))->toBe([0.8, 2.529822])
        ->and(six($two->fromP(2, 0.01)->se))->toBe(six(2 / 2.711558))
        ->and(six($two->fromIntervalWidth(3)->se))->toBe(six(1.5 / 2.024394))
        ->and(told($two->fromStandardError(0.8)))->toBe([0.8, 2.529822]);
});

it('tells no spread where that cannot be', function (CommonSpread $of) {
    expect(told($of))->toBe([null, null]);
})->with([
    fn () => (new Comparison(20, 20))->fromT(2, 0),
    fn () => (new Comparison(20, 20))->fromT(0, 2),
    fn () => (new Comparison(20, 20))->fromT(null, 2),
    fn () => (new Comparison(20, 20))->fromT(2, null),
    fn () => (new Comparison(20, 20))->fromP(2, 0),
    fn () => (new Comparison(20, 20))->fromP(2, 1),
    fn () => (new Comparison(20, 20))->fromP(2, null),
    fn () => (new Comparison(1, 1))->fromP(2, 0.01),
    fn () => (new Comparison(null, 20))->fromP(2, 0.01),
    fn () => (new Comparison(20, 20))->fromIntervalWidth(null),
    fn () => (new Comparison(20, 20))->fromIntervalWidth(0),
    fn () => (new Comparison(1, 1))->fromIntervalWidth(2),
    fn () => (new Comparison(20, 20))->fromStandardError(0),
    fn () => (new Comparison(20, 20))->fromStandardError(-1),
    fn () => (new Comparison(20, 20))->fromStandardError(null),
    fn () => (new Comparison(null, 20))->fromStandardError(1),
    fn () => (new Comparison(20, null))->fromStandardError(1),
    fn () => (new Comparison(0, 20))->fromStandardError(1),
    fn () => (new Comparison(20, 0))->fromStandardError(1),
]);

it('asks for as few people as it can', function () {
    expect(six((new Comparison(2, 1))->fromIntervalWidth(2)->se))->toBe(0.078702)
        ->and(told((new Comparison(1, 1))->fromStandardError(1)))->toBe([1.0, 0.707107]);
});

it('reads mean and spread from what quantiles there are', function (array $five, array $is) {
    expect(told(Quantiles::meanAndSd(25, $five)))->toBe($is);
})->with([
    // by 1.964217 and 0.636037, the normal quantiles at (n − 0.375)/(n + 0.25) and (0.75n − 0.125)/(n + 0.25)
    'the ends' => [[1, null, 5, null, 11], [5.5, 2.545544]],
    'the quartiles' => [[null, 3, 5, 8, null], [5.333333, 3.930591]],
    'all five' => [[1, 3, 5, 8, 11], [5.5, 3.238067]],
    'all of them one' => [[5, 5, 5, 5, 5], [5.0, null]],
    'one end' => [[1, null, 5, null, null], [null, null]],
    'one quartile' => [[null, null, 5, 8, null], [null, null]],
    'the median alone' => [[null, null, 5, null, null], [null, null]],
    'no median' => [[1, 3, null, 8, 11], [null, null]],
    'out of order' => [[6, null, 5, null, 11], [null, null]],
]);

it('reads quantiles of two people and more', function () {
    expect(told(Quantiles::meanAndSd(1.9, [1, null, 2, null, 3])))->toBe(told(new MeanAndSd()))
        ->and(told(Quantiles::meanAndSd(null, [1, null, 2, null, 3])))->toBe([null, null])
        ->and(Quantiles::meanAndSd(2, [1, null, 2, null, 3])->mean)->toBe(2.0);
});

it('tells the spread of a group from the error of its mean, or its interval', function (?float $is, ?float $expected) {
    expect(six($is))->toBe($expected);
})->with([
    [fn () => Spread::fromStandardError(25, 0.4), 2.0],
    [fn () => Spread::fromStandardError(0, 0.4), null],
    [fn () => Spread::fromStandardError(null, 0.4), null],
    [fn () => Spread::fromStandardError(25, null), null],
    [fn () => Spread::fromStandardError(25, 0), null],
    [fn () => Spread::fromInterval(25, 1, 2, 0.95, false), 1.275534],
    [fn () => Spread::fromInterval(39, 1, 2, 0.95, true), 1.542436],
    [fn () => Spread::fromInterval(25, 2, 1, 0.95, false), null],
    [fn () => Spread::fromInterval(0, 1, 2, 0.95, false), null],
    [fn () => Spread::fromInterval(1, 1, 2, 0.95, true), null],
    [fn () => Spread::fromInterval(1, 1, 2, 0.95, false), 0.255107],
    [fn () => Spread::fromInterval(25, 1, 2, 0, false), null],
    [fn () => Spread::fromInterval(25, 1, 2, 1, false), null],
    [fn () => Spread::fromInterval(null, 1, 2, 0.95, false), null],
    [fn () => Spread::fromInterval(25, null, 2, 0.95, false), null],
    [fn () => Spread::fromInterval(25, 1, null, 0.95, false), null],
    [fn () => Spread::positive(INF), null],
    [fn () => Spread::positive(NAN), null],
    [fn () => Spread::positive(1e-9), 0.0],
]);

it('tells the spread of one group where there are people and a level', function (?float $is, ?float $sd) {
    expect(six($is))->toBe($sd);
})->with([
    // 1.959964 and 12.706205 are the quantiles of the normal distribution and of t with one degree of freedom at 0.975
    'one person, by the normal distribution' => [fn () => Spread::fromInterval(1, 0, 2, 0.95, false), round(1 / 1.959964, 6)],
    'two, by t' => [fn () => Spread::fromInterval(2, 0, 2, 0.95, true), round(sqrt(2) / 12.706205, 6)],
    'one, by t' => [fn () => Spread::fromInterval(1, 0, 2, 0.95, true), null],
    'nobody' => [fn () => Spread::fromInterval(0, 0, 2, 0.95, false), null],
    'half a person' => [fn () => Spread::fromInterval(0.5, 0, 2, 0.95, false), round(sqrt(0.5) / 1.959964, 6)],
    'no level' => [fn () => Spread::fromInterval(9, 0, 2, 0.0, false), null],
    'all of it' => [fn () => Spread::fromInterval(9, 0, 2, 1.0, false), null],
    'one bound' => [fn () => Spread::fromInterval(9, null, 2, 0.95, false), null],
    'the other bound' => [fn () => Spread::fromInterval(9, 0, null, 0.95, false), null],
    'no number of people' => [fn () => Spread::fromInterval(null, 0, 2, 0.95, false), null],
    'no width' => [fn () => Spread::fromInterval(9, 2, 2, 0.95, false), null],
    'an error of half a person' => [fn () => Spread::fromStandardError(0.25, 2), 1.0],
    'an error of nobody' => [fn () => Spread::fromStandardError(0, 2), null],
    'an error of nobody knows how many' => [fn () => Spread::fromStandardError(null, 2), null],
    'no error' => [fn () => Spread::fromStandardError(9, null), null],
]);
