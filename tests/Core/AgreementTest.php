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
    $two = AgreementReport::of(Ratings::of(rowsOf([[18, 3, 2], [4, 9, 5], [1, 6, 152]])))->toArray()['two_raters'];
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
    $report = AgreementReport::of(Ratings::of($rows))->toArray();
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
    $one = AgreementReport::of(Ratings::of(rowsOf([[5, 0], [0, 0]]), ['c0', 'c1']))->toArray()['two_raters'];
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
    $empty = AgreementReport::of(Ratings::of([]))->toArray();
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
    $two = fn (array $rows, array $categories): array => AgreementReport::of(Ratings::of($rows, $categories))->toArray()[
        'two_raters'
    ];
    near($two($rows, ['c0', 'c1', 'unsure'])['pabak'], ((3 * 17) / 22 - 1) / 2);
    near($two($rows, ['c0', 'c1'])['pabak'], (2 * 17) / 22 - 1);
    $swapped = array_map(fn (array $r): array => [$r[0], $r[1] === 'a' ? 'b' : 'a', $r[2]], $rows);
    near($two($swapped, ['c0', 'c1'])['cohen_kappa']['kappa'], $two($rows, ['c0', 'c1'])['cohen_kappa']['kappa']);
});

it('keeps an interval for people within what the coefficient can be', function (float $estimate, ?float $error) {
    ['low' => $low, 'high' => $high] = (array) WaryHeron\Core\Screening\Agreement\BoundedInterval::of($estimate, $error);
    expect($low)
        ->toBeGreaterThanOrEqual(-1.0)
        ->toBeLessThanOrEqual($estimate)
        ->and($high)
        ->toBeLessThanOrEqual(1.0)
        ->toBeGreaterThanOrEqual($estimate);
})->with([[0.75, 0.22], [0.58, 0.26], [0.99, 0.3], [-0.4, 0.5], [0.0, 0.1], [1.0, 0.0], [0.999999, 1.0]]);

it('comes close to the usual interval where items are many', function () {
    ['low' => $low, 'high' => $high] = (array) WaryHeron\Core\Screening\Agreement\BoundedInterval::of(0.7, 0.01);
    expect(abs($low - (0.7 - 0.0195996)))
        ->toBeLessThan(0.0006)
        ->and(abs($high - (0.7 + 0.0195996)))
        ->toBeLessThan(0.0006);
    expect(WaryHeron\Core\Screening\Agreement\BoundedInterval::of(null, null))->toBeNull();
});

/** @param  array<string, mixed>  $told */
function tells(array $told, array $expected): void
{
    expect(array_keys($told))->toBe(array_keys($expected));
    foreach ($expected as $key => $value) {
        match (true) {
            is_array($value) && array_is_list($value) => expect($told[$key])->toBe($value),
            is_array($value) => tells($told[$key], $value),
            is_float($value) => near($told[$key], $value),
            default => expect($told[$key])->toBe($value),
        };
    }
}

it('tells everything of a table of two by two', function () {
    $kappa = [
        'po' => 17 / 22,
        'pe' => 0.5,
        'kappa' => 0.545455,
        'se' => 0.177952,
        'ci_low' => 0.196674632,
        'ci_high' => 0.894234459,
    ];
    $told = [
        'n' => 22,
        'percent_agreement' => 17 / 22,
        'cohen_kappa' => $kappa,
        'weighted_kappa_linear' => $kappa,
        'pabak' => 12 / 22,
        'prevalence_index' => 1 / 22,
        'bias_index' => 1 / 22,
        'gwet_ac1' => ['pe' => 0.498967, 'ac1' => 0.546392],
    ];
    tells((new TwoRaters([[8, 2], [3, 9]]))->toArray(), $told);
    tells((new TwoRaters([[9, 3], [2, 8]]))->toArray(), $told);
    near((new TwoRaters([[8, 6], [2, 4]]))->toArray()['prevalence_index'], 0.2);
    near((new TwoRaters([[8, 6], [2, 4]]))->toArray()['bias_index'], 0.2);
});

it('weighs near misses less where categories have an order', function () {
    $told = (new TwoRaters([[7, 4, 1], [2, 11, 3], [0, 5, 9]]))->toArray();
    near($told['cohen_kappa']['po'], 0.642857);
    near($told['cohen_kappa']['pe'], 0.345805);
    near($told['cohen_kappa']['kappa'], 0.454073);
    near($told['cohen_kappa']['se'], 0.113956);
    near($told['weighted_kappa_linear']['po'], 0.809524);
    near($told['weighted_kappa_linear']['pe'], 0.592971);
    near($told['weighted_kappa_linear']['kappa'], 0.532033);
    near($told['weighted_kappa_linear']['se'], 0.105325);
    expect($told['bias_index'])->toBeNull();
});

it('has nothing to tell of nothing, of one category and of one rater', function () {
    $undefined = ['po' => null, 'pe' => null, 'kappa' => null, 'se' => null, 'ci_low' => null, 'ci_high' => null];
    tells((new TwoRaters([[0, 0], [0, 0]]))->toArray(), [
        'n' => 0,
        'percent_agreement' => null,
        'cohen_kappa' => $undefined,
        'weighted_kappa_linear' => $undefined,
        'pabak' => null,
        'prevalence_index' => null,
        'bias_index' => null,
        'gwet_ac1' => ['pe' => null, 'ac1' => null],
    ]);
    tells((new TwoRaters([[5]]))->toArray(), [
        'n' => 5,
        'percent_agreement' => 1.0,
        'cohen_kappa' => ['po' => 1.0, 'pe' => 1.0] + $undefined,
        'weighted_kappa_linear' => $undefined,
        'pabak' => null,
        'prevalence_index' => null,
        'bias_index' => null,
        'gwet_ac1' => ['pe' => null, 'ac1' => null],
    ]);
    $nothing = [
        'records' => 0,
        'raters' => 0,
        'two_raters' => null,
        'complete_records' => 0,
        'fleiss' => ['n' => 0, 'raters' => 0, 'p_observed' => null, 'p_expected' => null, 'kappa' => null],
        'gwet_ac1' => ['pe' => null, 'ac1' => null],
        'krippendorff' => ['units' => 0, 'pairable' => 0, 'd_observed' => null, 'd_expected' => null, 'alpha' => null],
        'pairs' => [],
    ];
    expect(AgreementReport::of(Ratings::of([]))->toArray())->toBe($nothing);
    $alone = ['records' => 2, 'raters' => 1, 'fleiss' => ['raters' => 1] + $nothing['fleiss']] + $nothing;
    expect(AgreementReport::of(Ratings::of([['r', 'a', 'x'], ['s', 'a', 'y']]))->toArray())->toEqual($alone);
});

it('tells of two raters both by themselves and as a pair, with no unit that one of them left out', function () {
    $ratings = Ratings::of([
        ['r1', 'ben', 'no'], ['r1', 'anna', 'no'],
        ['r2', 'ben', 'yes'], ['r2', 'anna', 'no'],
        ['r3', 'anna', 'yes'],
        ['r4', 'anna', 'yes'], ['r4', 'ben', 'yes'],
    ]);
    expect($ratings->categories)->toBe(['no', 'yes'])
        ->and($ratings->raters)->toBe(['anna', 'ben'])
        ->and($ratings->table('anna', 'ben'))->toBe([[1, 1], [0, 1]])
        ->and($ratings->counts(2))->toBe([[2, 0], [1, 1], [0, 2]])
        ->and($ratings->counts(1))->toBe([[2, 0], [1, 1], [0, 1], [0, 2]]);
    $told = AgreementReport::of($ratings)->toArray();
    expect($told['pairs'])->toHaveCount(1)
        ->and($told['pairs'][0]['raters'])->toBe(['anna', 'ben'])
        ->and(array_diff_key($told['pairs'][0], ['raters' => 1]))->toBe($told['two_raters'])
        ->and($told['two_raters']['n'])->toBe(3);
    expect($told['records'])->toBe(4)->and($told['complete_records'])->toBe(3);
    near($told['fleiss']['p_observed'], 2 / 3);
    near($told['fleiss']['p_expected'], 0.5);
    near($told['fleiss']['kappa'], 1 / 3);
    near($told['gwet_ac1']['pe'], 0.5);
    near($told['gwet_ac1']['ac1'], 1 / 3);
    // 3 of 6 each way: expected disagreement 1 - (3·2 + 3·2) / (6·5), observed 2 / 6
    near($told['krippendorff']['d_observed'], 1 / 3);
    near($told['krippendorff']['d_expected'], 0.6);
    near($told['krippendorff']['alpha'], 4 / 9);
    expect($told['krippendorff']['units'])->toBe(3)->and($told['krippendorff']['pairable'])->toBe(6);
});

it('counts a category that nobody chose, and refuses one that nobody offered', function () {
    $ratings = Ratings::of([['r', 'a', 'yes'], ['r', 'b', 'yes']], ['yes', 'unsure', 'no']);
    expect($ratings->table('a', 'b'))->toBe([[1, 0, 0], [0, 0, 0], [0, 0, 0]])
        ->and($ratings->counts(2))->toBe([[2, 0, 0]])
        ->and(fn () => Ratings::of([['r', 'a', 'perhaps']], ['yes', 'no']))
        ->toThrow(DomainException::class, '“perhaps” is not one of the categories: yes, no.')
        ->and(fn () => Ratings::of([['r', 'a', 'x'], ['r', 'a', 'x']]))
        ->toThrow(DomainException::class, 'a has judged r already.');
    // raters whose names are numbers stay names
    expect(Ratings::of([['r', '2', 'x'], ['r', '10', 'x']])->raters)->toBe(['2', '10']);
});

it('has an interval of no width where nothing is uncertain, and none where nothing is known', function (?float $estimate, ?float $error, ?array $told) {
    $interval = WaryHeron\Core\Screening\Agreement\BoundedInterval::of($estimate, $error);
    expect($interval === null ? null : [$interval->low, $interval->high])->toBe($told);
})->with([
    [0.5, 0.0, [0.5, 0.5]],
    [1.0, 0.2, [1.0, 1.0]],
    [-1.0, 0.2, [-1.0, -1.0]],
    [0.5, null, null],
    [null, 0.1, null],
]);

it('has an interval of Fisher’s transformation', function () {
    ['low' => $low, 'high' => $high] = (array) WaryHeron\Core\Screening\Agreement\BoundedInterval::of(0.6, 0.1);
    // artanh 0.6 = 0.693147, reach 1.959964 · 0.1 / 0.64 = 0.306244
    near($low, tanh(0.386903));
    near($high, tanh(0.999391));
});
