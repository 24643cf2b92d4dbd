<?php

use WaryHeron\Core\Screening\Agreement\AgreementReport;
use WaryHeron\Core\Screening\Agreement\Ratings;
use WaryHeron\Core\Screening\Agreement\TwoRaters;

function near(?float $value, ?float $expected): void
{
    $expected === null ? expect($value)->toBeNull() : expect(abs($value - $expected))->toBeLessThan(5.1e-7);
}

/** @param  list<list<int>>  $table how often each pair of categories was given */
function rowsOf(array $table): array
{
    $rows = [];
    foreach ($table as $i => $columns) {
        foreach ($columns as $j => $times) {
            for ($t = 0; $t < $times; $t++) {
                $item = count($rows);
                array_push($rows, ["r{$item}", 'a', "c{$i}"], ["r{$item}", 'b', "c{$j}"]);
            }
        }
    }

    return $rows;
}

it('agrees with a worked example of two raters', function () {
    $two = AgreementReport::of(Ratings::of(rowsOf([[18, 3, 2], [4, 9, 5], [1, 6, 152]])))['two_raters'];
    foreach ([['percent_agreement', 0.895], ['pabak', 0.8425]] as [$key, $expected]) {
        near($two[$key], $expected);
    }
    near($two['cohen_kappa']['kappa'], 0.697101);
    near($two['cohen_kappa']['se'], 0.057109);
    near($two['weighted_kappa_linear']['kappa'], 0.773371);
    near($two['weighted_kappa_linear']['se'], 0.0485);
    near($two['gwet_ac1']['ac1'], 0.872985);
    near(
        $two['cohen_kappa']['ci_high'] - $two['cohen_kappa']['kappa'],
        $two['cohen_kappa']['kappa'] - $two['cohen_kappa']['ci_low'],
    );
    expect($two['n'])->toBe(200)->and($two['prevalence_index'])->toBeNull();
});

it('agrees with a worked example of three raters and missing ratings', function () {
    $rows = [];
    foreach ([[3, 0], [2, 1], [0, 3], [1, 2], [0, 3], [1, 1], [0, 1]] as $item => [$yes, $no]) {
        foreach ([...array_fill(0, $yes, 'yes'), ...array_fill(0, $no, 'no')] as $rater => $verdict) {
            $rows[] = ["r{$item}", "p{$rater}", $verdict];
        }
    }
    $report = AgreementReport::of(Ratings::of($rows));
    near($report['fleiss']['kappa'], 0.444444);
    near($report['gwet_ac1']['ac1'], 0.487179);
    near($report['krippendorff']['alpha'], 0.314286);
    expect([
        $report['records'],
        $report['raters'],
        $report['complete_records'],
        $report['krippendorff']['units'],
        $report['krippendorff']['pairable'],
        count($report['pairs']),
        $report['two_raters'],
    ])->toBe([7, 3, 5, 6, 17, 3, null]);
});

it('leaves undefined what is undefined', function () {
    $one = AgreementReport::of(Ratings::of(rowsOf([[5, 0], [0, 0]]), ['c0', 'c1']))['two_raters'];
    expect($one['percent_agreement'])
        ->toBe(1.0)
        ->and($one['cohen_kappa']['kappa'])
        ->toBeNull()
        ->and($one['cohen_kappa']['se'])
        ->toBeNull()
        ->and($one['gwet_ac1']['ac1'])
        ->toBe(1.0)
        ->and($one['prevalence_index'])
        ->toBe(1.0)
        ->and($one['bias_index'])
        ->toBe(0.0);
    $none = (new TwoRaters([[0, 0], [0, 0]]))->toArray();
    expect(array_filter($none, fn ($v): bool => $v !== null && $v !== 0 && ! is_array($v)))->toBe([]);
    $empty = AgreementReport::of(Ratings::of([]));
    expect($empty['records'])
        ->toBe(0)
        ->and($empty['krippendorff']['alpha'])
        ->toBeNull()
        ->and($empty['fleiss']['kappa'])
        ->toBeNull();
    expect(fn () => Ratings::of([['r', 'a', 'x'], ['r', 'a', 'y']]))->toThrow(DomainException::class);
});

it('counts categories that were offered and never used, and the raters’ order for nothing', function () {
    $rows = rowsOf([[8, 2], [3, 9]]);
    $two = fn (array $rows, array $categories): array => AgreementReport::of(Ratings::of($rows, $categories))[
        'two_raters'
    ];
    near($two($rows, ['c0', 'c1', 'unsure'])['pabak'], ((3 * 17) / 22 - 1) / 2);
    near($two($rows, ['c0', 'c1'])['pabak'], (2 * 17) / 22 - 1);
    $swapped = array_map(fn (array $r): array => [$r[0], $r[1] === 'a' ? 'b' : 'a', $r[2]], $rows);
    near($two($swapped, ['c0', 'c1'])['cohen_kappa']['kappa'], $two($rows, ['c0', 'c1'])['cohen_kappa']['kappa']);
});

it('keeps an interval for people within what the coefficient can be', function (float $estimate, ?float $error) {
    [$low, $high] = WaryHeron\Core\Screening\Agreement\BoundedInterval::of($estimate, $error);
    expect($low)
        ->toBeGreaterThanOrEqual(-1.0)
        ->toBeLessThanOrEqual($estimate)
        ->and($high)
        ->toBeLessThanOrEqual(1.0)
        ->toBeGreaterThanOrEqual($estimate);
})->with([[0.75, 0.22], [0.58, 0.26], [0.99, 0.3], [-0.4, 0.5], [0.0, 0.1], [1.0, 0.0], [0.999999, 1.0]]);

it('comes close to the usual interval where items are many', function () {
    [$low, $high] = WaryHeron\Core\Screening\Agreement\BoundedInterval::of(0.7, 0.01);
    expect(abs($low - (0.7 - 0.0195996)))
        ->toBeLessThan(0.0006)
        ->and(abs($high - (0.7 + 0.0195996)))
        ->toBeLessThan(0.0006);
    expect(WaryHeron\Core\Screening\Agreement\BoundedInterval::of(null, null))->toBeNull();
});
