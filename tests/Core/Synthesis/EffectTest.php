<?php

use WaryHeron\Core\Synthesis\Convert\ArmMoments;
use WaryHeron\Core\Synthesis\Convert\Arms;
use WaryHeron\Core\Synthesis\Convert\Change;
use WaryHeron\Core\Synthesis\Convert\CommonSpread;
use WaryHeron\Core\Synthesis\Convert\Comparison;
use WaryHeron\Core\Synthesis\Convert\MeanAndSd;
use WaryHeron\Core\Synthesis\Convert\Quantiles;
use WaryHeron\Core\Synthesis\Convert\Spread;
use WaryHeron\Core\Synthesis\Effect\Correlation;
use WaryHeron\Core\Synthesis\Effect\Effect;
use WaryHeron\Core\Synthesis\Effect\Reported;
use WaryHeron\Core\Synthesis\Effect\Share;
use WaryHeron\Core\Synthesis\Effect\TwoByTwo;
use WaryHeron\Core\Synthesis\Effect\TwoMeans;

function rounded(?float $is): ?float
{
    return $is === null ? null : round($is, 6);
}

function effect(?Effect $effect): array
{
    return [rounded($effect?->estimate), rounded($effect?->variance)];
}

it('compares events by their risk ratio', function (array $events, float $y, float $v) {
    expect(effect(TwoByTwo::of(...$events)?->logRiskRatio()))->toBe([$y, $v]);
})->with([
    [[12, 100, 24, 102], -0.673345, 0.105196],
    [[5, 48, 4, 50], 0.263966, 0.409167],
    [[30, 210, 61, 205], -0.733774, 0.040087],
    'a cell of zero' => [[0, 25, 3, 24], -1.985131, 2.207253],
    [[44, 400, 58, 390], -0.301571, 0.034905],
]);

it('leaves undefined what cannot be compared', function (array $events, array $defined) {
    $table = TwoByTwo::of(...$events);
    $is = fn (?Effect $one): bool => $one?->isDefined() === true;
    expect([
        $is($table?->logRiskRatio()),
        $is($table?->logOddsRatio()),
        $is($table?->riskDifference()),
        $is($table?->petoLogOddsRatio()),
    ])->toBe($defined);
})->with([
    'nobody anywhere' => [[0, 10, 0, 12], [false, false, true, false]],
    'everybody everywhere' => [[10, 10, 12, 12], [false, false, true, false]],
    'everybody here, nobody there' => [[10, 10, 0, 12], [true, true, true, true]],
    'more events than people' => [[11, 10, 1, 12], [false, false, false, false]],
    'missing' => [[null, 10, 1, 12], [false, false, false, false]],
    'no people' => [[0, 0, 1, 12], [false, false, false, false]],
]);

it('turns around when the groups are exchanged, and no further', function () {
    foreach ([[12, 100, 24, 102], [0, 25, 3, 24], [7, 7, 3, 9]] as [$e1, $n1, $e2, $n2]) {
        $one = TwoByTwo::of($e1, $n1, $e2, $n2);
        $other = TwoByTwo::of($e2, $n2, $e1, $n1);
        foreach (['logRiskRatio', 'logOddsRatio', 'riskDifference', 'petoLogOddsRatio'] as $measure) {
            expect(effect($other->{$measure}()))->toEqual([-rounded($one->{$measure}()->estimate), rounded($one->{$measure}()->variance)]);
        }
    }
});

it('compares means', function () {
    $means = TwoMeans::of(20, 10.5, 2.4, 22, 9.1, 2.9);
    expect(effect($means->difference()))
        ->toBe([1.4, 0.670273])
        ->and(rounded($means->standardised()->estimate))
        ->toBe(0.523525)
        ->and([rounded($means->exactCorrection()), rounded($means->approximateCorrection())])
        ->toBe([0.981112, 0.981132])
        ->and(effect($means->hedges()))
        ->toBe([0.513636, 0.098595])
        ->and(effect($means->logRatio()))
        ->toBe([0.143101, 0.007229]);
    expect(TwoMeans::of(1, 1, 1, 9, 1, 1))
        ->toBeNull()
        ->and(TwoMeans::of(5, 1, 0, 9, 2, 0)?->hedges()->isDefined())
        ->toBeFalse()
        ->and(TwoMeans::of(5, -1, 1, 9, 2, 1)?->logRatio()->isDefined())
        ->toBeFalse();
});

it('corrects for small groups the same by Γ as by its expansion', function () {
    $far = TwoMeans::of(50_002, 1, 1, 50_002, 0, 1)?->exactCorrection();
    $nearer = TwoMeans::of(50_000, 1, 1, 50_000, 0, 1)?->exactCorrection();
    expect(abs((1 - $far) / (1 - $nearer) - 99_998 / 100_002))->toBeLessThan(1e-5);
});

it('takes effects as they are reported', function (array $given, ?float $y, ?float $v) {
    expect(effect(Reported::effect(...$given)))->toBe([$y, $v]);
})->with([
    'with its error' => [[false, 2.0, 0.5, null, null], 2.0, 0.25],
    'with its interval' => [[false, 2.0, null, 1.0, 3.0], 2.0, 0.260318],
    'the error counts' => [[false, 2.0, 0.5, 1.0, 30.0], 2.0, 0.25],
    'a ratio' => [[true, 2.0, null, 1.0, 4.0], 0.693147, 0.12507],
    'another level' => [[false, 2.0, null, 1.0, 3.0, 0.9], 2.0, 0.369612],
    'no such ratio' => [[true, -2.0, 0.5, null, null], null, null],
    'an interval the wrong way round' => [[false, 2.0, null, 3.0, 1.0], null, null],
    'no error at all' => [[false, 2.0, 0.0, null, null], null, null],
]);

it('takes correlations and shares there and back', function () {
    expect(effect(Correlation::effect(0.5, 28)))
        ->toBe([0.549306, 0.04])
        ->and(rounded(Correlation::back(0.549306144334055)))
        ->toBe(0.5)
        ->and(Correlation::effect(1.0, 28)->isDefined() || Correlation::effect(0.5, 3)->isDefined())
        ->toBeFalse();
    $share = Share::of(7, 40);
    expect(rounded($share->logit()->estimate))
        ->toBe(-1.550597)
        ->and(effect($share->doubleArcsine()))
        ->toBe([0.441742, 0.006173]);
    foreach ([[0, 10], [1, 10], [5, 10], [9, 10], [10, 10], [3, 1000]] as [$x, $n]) {
        $one = Share::of($x, $n);
        expect(rounded($one->fromDoubleArcsine($one->doubleArcsine()->estimate)))->toEqual($x / $n);
    }
    expect(Share::of(11, 10))->toBeNull()->and(rounded(Share::fromLogit(0.0)))->toBe(0.5);
});

it('turns what reports give into what effects need', function () {
    expect(rounded(Spread::fromInterval(16, 6.2, 9.4, 0.95, true)))
        ->toBe(3.002651)
        ->and(Spread::fromStandardError(25, 0.5))
        ->toBe(2.5)
        ->and(Spread::fromInterval(1, 6.2, 9.4, 0.95, true))
        ->toBeNull()
        ->and(array_map(rounded(...), (array) Quantiles::meanAndSd(45, [null, 4, 6, 9, null])))
        ->toBe(['mean' => 6.333333, 'sd' => 3.828992])
        ->and(Quantiles::meanAndSd(45, [null, 7, 6, 9, null]))
        ->toEqual(new MeanAndSd())
        ->and(array_map(rounded(...), (array) (new Comparison(20, 22))->fromP(1.4, 0.03)))
        ->toBe(['se' => 0.622147, 'sd' => 2.0137])
        ->and((new Comparison(20, 22))->fromP(1.4, 1.0))
        ->toEqual(new CommonSpread())
        ->and(array_map(rounded(...), (array) Arms::combined([new ArmMoments(20, 10.5, 2.4), new ArmMoments(22, 9.1, 2.9)])))
        ->toBe(['n' => 42.0, 'mean' => 9.766667, 'sd' => 2.734528])
        ->and(rounded(Change::correlation(2.0, 3.0, Change::sd(2.0, 3.0, 0.4))))
        ->toBe(0.4)
        ->and(Change::correlation(2.0, 3.0, 9.0))
        ->toBeNull();
});

it('combines arms whatever their order', function () {
    $arms = [new ArmMoments(10.0, 5.0, 1.0), new ArmMoments(12.0, 6.5, 2.0), new ArmMoments(7.0, 4.0, 1.5)];
    $one = array_map(rounded(...), (array) Arms::combined($arms));
    expect(array_map(rounded(...), (array) Arms::combined(array_reverse($arms))))->toBe($one);
});
