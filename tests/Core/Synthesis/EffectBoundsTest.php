<?php

namespace Tests\Core\Synthesis\EffectBounds;

use WaryHeron\Core\Synthesis\Effect\Correlation;
use WaryHeron\Core\Synthesis\Effect\Effect;
use WaryHeron\Core\Synthesis\Effect\Reported;
use WaryHeron\Core\Synthesis\Effect\Share;
use WaryHeron\Core\Synthesis\Effect\SmallSamples;
use WaryHeron\Core\Synthesis\Effect\TwoByTwo;
use WaryHeron\Core\Synthesis\Effect\TwoMeans;

/** Where an effect begins and ends to be defined, and its numbers on both sides of each such place. */

/** @return array{?float, ?float} estimate and variance, to nine places */
function numbers(?Effect $effect): array
{
    $round = fn (?float $one): ?float => $one === null ? null : round($one, 9) + 0.0;

    return [$round($effect?->estimate), $round($effect?->variance)];
}

it('takes shares from none to all, and nothing beyond', function (?float $x, ?float $n, bool $is) {
    expect(Share::of($x, $n) !== null)->toBe($is);
})->with([
    [0, 1, true], [1, 1, true], [0.5, 0.9, true],
    [null, 10, false], [3, null, false], [-0.1, 10, false], [10.1, 10, false], [0, 0, false], [-2, -1, false],
]);

it('adds half a person only where nobody or everybody is counted', function (float $x, array $logit) {
    expect(numbers(Share::of($x, 10)?->logit()))->toBe($logit);
})->with([
    [3, [-0.84729786, 0.476190476]],
    [1, [-2.197224577, 1.111111111]],
    [9, [2.197224577, 1.111111111]],
    [0, [-3.044522438, 2.095238095]],
    [10, [3.044522438, 2.095238095]],
]);

it('turns shares into double arcsines and back, to 0 and 1 beyond the ends', function () {
    expect(numbers(Share::of(3, 10)?->doubleArcsine()))->toBe([0.598376046, 0.023809524])
        ->and(Share::fromLogit(null))->toBeNull()
        ->and(round((float) Share::fromLogit(-0.84729786), 8))->toBe(0.3);
    $ten = Share::of(5, 10);
    expect(array_map($ten->fromDoubleArcsine(...), [null, -1.0, 0.153, 0.15313868458483473, 1.417657642210062, 1.418, 3.0]))
        ->toBe([null, 0.0, 0.0, 0.0, 1.0, 1.0, 1.0]);
    foreach (range(1, 9) as $x) {
        $there = Share::of($x, 10)?->doubleArcsine()->estimate;
        expect(round((float) $ten->fromDoubleArcsine($there), 9))->toBe($x / 10);
    }
});

it('compares means of groups of two and more with spreads that are none or some', function (array $given, bool $is) {
    expect(TwoMeans::of(...$given) !== null)->toBe($is);
})->with([
    'as small as may be' => [[2, 1, 0, 2, 1, 0], true],
    'one of one' => [[1.9, 1, 1, 12, 1, 1], false],
    'the other of one' => [[12, 1, 1, 1.9, 1, 1], false],
    'a spread below none' => [[12, 1, -0.1, 12, 1, 1], false],
    'the other below none' => [[12, 1, 1, 12, 1, -0.1], false],
    'no first n' => [[null, 1, 1, 12, 1, 1], false],
    'no first mean' => [[12, null, 1, 12, 1, 1], false],
    'no first spread' => [[12, 1, null, 12, 1, 1], false],
    'no second n' => [[12, 1, 1, null, 1, 1], false],
    'no second mean' => [[12, 1, 1, 12, null, 1], false],
    'no second spread' => [[12, 1, 1, 12, 1, null], false],
]);

it('compares means in five ways', function () {
    $two = TwoMeans::of(12, 5.2, 1.1, 10, 4.1, 1.4);
    expect(numbers($two?->difference()))->toBe([1.1, 0.296833333])
        ->and(numbers($two?->standardised()))->toBe([0.884254658, 0.201103931])
        ->and(numbers($two?->hedges()))->toBe([0.850603935, 0.19977713])
        ->and(numbers($two?->hedgesApproximately()))->toBe([0.850675367, 0.199779892])
        ->and(numbers($two?->logRatio()))->toBe([0.237671652, 0.01538877]);
    $none = TwoMeans::of(12, 5, 0, 10, 0, 0);
    expect(array_map(numbers(...), [$none?->difference(), $none?->hedges(), $none?->logRatio()]))
        ->toBe([[null, null], [null, null], [null, null]]);
    expect(TwoMeans::of(12, -5.2, 1.1, 10, -4.1, 1.4)?->logRatio()->estimate)->toBe($two?->logRatio()->estimate)
        ->and(TwoMeans::of(12, 5.2, 1.1, 10, -4.1, 1.4)?->logRatio()->isDefined())->toBeFalse();
});

it('corrects small samples, the same by gamma and by its expansion where one gives way to the other', function () {
    $round = fn (float $one): float => round($one, 10);
    expect(array_map(fn (float $f): float => $round(SmallSamples::exact($f)), [2, 10, 38]))
        ->toBe([0.5641895835, 0.9227456081, 0.9801104021]);
    expect($round(SmallSamples::approximate(10)))->toBe(0.9230769231);
    foreach ([9_999, 10_000, 10_001, 200_000] as $f) {
        expect(abs(SmallSamples::exact($f) - (1 - 3 / (4 * $f) - 7 / (32 * $f ** 2))))->toBeLessThan(2e-11)
            ->and(SmallSamples::exact($f))->toBeLessThan(SmallSamples::approximate($f));
    }
    expect(SmallSamples::exact(10_001))->toBe(1 - 3 / (4 * 10_001) - 7 / (32 * 10_001 * 10_001));
});

it('knows no effect without an end to it, or without a variance', function (float $estimate, float $variance, bool $is) {
    $effect = Effect::of($estimate, $variance);
    expect([$effect->isDefined(), $effect->standardError() !== null, $effect->interval()->low !== null])->toBe([$is, $is, $is]);
})->with([
    [0.0, 0.25, true], [-3.0, 1e-12, true],
    [1.0, 0.0, false], [1.0, -0.1, false], [1.0, INF, false], [1.0, NAN, false], [INF, 1.0, false], [NAN, 1.0, false],
]);

it('tells an effect as a row', function () {
    $row = Effect::of(1.0, 0.25)->toArray();
    expect(array_map(fn (?float $one): float => round((float) $one, 6), $row))->toBe([
        'estimate' => 1.0,
        'variance' => 0.25,
        'se' => 0.5,
        'ci_low' => 0.020018,
        'ci_high' => 1.979982,
    ])->and(array_filter(Effect::undefined()->toArray(), fn (?float $one): bool => $one !== null))->toBe([]);
});

it('turns correlations that are not whole, of more than three', function (?float $r, ?float $n, array $is) {
    expect(numbers(Correlation::effect($r, $n)))->toBe($is);
})->with([
    [0.5, 4, [0.549306144, 1.0]],
    [-0.3, 10, [-0.309519604, 0.142857143]],
    [0, 5, [0.0, 0.5]],
    [1, 10, [null, null]], [-1, 10, [null, null]], [1.2, 10, [null, null]],
    [0.5, 3, [null, null]], [0.5, 2, [null, null]], [null, 10, [null, null]], [0.5, null, [null, null]],
]);

it('takes tables whose counts lie within their totals', function (array $given, bool $is) {
    expect(TwoByTwo::of(...$given) !== null)->toBe($is);
})->with([
    [[0, 1, 0, 1], true], [[1, 1, 1, 1], true], [[0.5, 0.5, 0, 0.5], true],
    [[null, 1, 0, 1], false], [[0, null, 0, 1], false], [[0, 1, null, 1], false], [[0, 1, 0, null], false],
    [[0, 0, 0, 1], false], [[0, 1, 0, 0], false], [[-0.1, 1, 0, 1], false], [[0, 1, -0.1, 1], false],
    [[1.1, 1, 0, 1], false], [[0, 1, 1.1, 1], false],
]);

it('has a variance of Peto’s for more than one person', function () {
    $of = fn (float ...$given): float => round((float) TwoByTwo::of(...$given)?->petoVariance(), 9);
    expect($of(3, 10, 1, 10))->toBe(round(1 / 1.1875, 9))
        ->and(numbers(TwoByTwo::of(3, 10, 1, 10)?->petoLogOddsRatio()))->toBe([1.1875, 1.1875])
        ->and($of(0.5, 0.5, 0, 0.5))->toBe(0.0)
        ->and($of(0.5, 1, 0, 0.5))->toBeGreaterThan(0.0)
        ->and(TwoByTwo::of(0.5, 0.5, 0, 0.5)?->petoLogOddsRatio()->isDefined())->toBeFalse();
});

it('reads what a report says of an effect', function (array $given, array $is) {
    expect(numbers(Reported::effect(...$given)))->toBe($is);
})->with([
    'a ratio with its interval' => [[true, 1.5, null, 1.1, 2.1], [0.405465108, 0.027211452]],
    'by another level' => [[true, 1.5, null, 1.1, 2.1, 0.9], [0.405465108, 0.038636109]],
    'a standard error counts before an interval' => [[true, 1.5, 0.2, 1.1, 2.1], [0.405465108, 0.04]],
    'a difference' => [[false, -1.5, 0.5, null, null], [-1.5, 0.25]],
    'a ratio of none' => [[true, 0, 0.5, null, null], [null, null]],
    'a ratio just above none' => [[true, 0.5, 0.5, null, null], [-0.693147181, 0.25]],
    'a limit of none' => [[true, 1.5, null, 0, 2.1], [null, null]],
    'nothing but an estimate' => [[false, 1.5, null, null, null], [null, null]],
    'no estimate' => [[false, null, 0.5, null, null], [null, null]],
    'no error at all' => [[false, 1.5, 0, null, null], [null, null]],
    'one limit' => [[false, 1.5, null, 1.0, null], [null, null]],
    'the other limit' => [[false, 1.5, null, null, 2.0], [null, null]],
    'limits that are one' => [[false, 1.5, null, 1.5, 1.5], [null, null]],
    'limits the wrong way round' => [[false, 1.5, null, 2.0, 1.0], [null, null]],
    'a level of none' => [[false, 1.5, null, 1.0, 2.0, 0.0], [null, null]],
    'a level of all' => [[false, 1.5, null, 1.0, 2.0, 1.0], [null, null]],
]);
