<?php

use WaryHeron\Core\Synthesis\Table\Crosstab;
use WaryHeron\Core\Synthesis\Table\Fisher;

function crosstab(array $pairs): array
{
    return json_decode(json_encode(Crosstab::of($pairs)->toArray()), true);
}

it('tests the worked example', function () {
    $of = json_decode(json_encode(Crosstab::ofCounts(['r1' => ['c1' => 8, 'c2' => 2], 'r2' => ['c1' => 3, 'c2' => 9]])->toArray()), true);
    expect([round($of['pearson']['chi2'], 6), round($of['pearson']['p'], 6), round($of['fisher_p'], 6)])->toBe([6.6, 0.010198, 0.029973]);
});

it('counts what has both values, by names even where these are numbers', function () {
    $of = crosstab([['0', '1'], ['0', '0'], ['1', '1'], ['', '1'], ['0', ''], ['1', '1']]);
    expect($of)->toMatchArray([
        'n' => 4,
        'missing' => 2,
        'counts' => ['0' => ['0' => 1, '1' => 1], '1' => ['0' => 0, '1' => 2]],
        'row_pct' => ['0' => ['0' => 50, '1' => 50], '1' => ['0' => 0, '1' => 100]],
        'col_totals' => ['0' => 1, '1' => 3],
    ]);
});

it('tests nothing where there is nothing to compare', function (array $pairs, ?float $fisher) {
    $of = crosstab($pairs);
    expect($of['pearson'])->toBe(['chi2' => null, 'df' => null, 'p' => null])->and($of['fisher_p'])->toBe($fisher);
})->with([[[], null], [[['a', 'b']], null], [[['a', 'b'], ['a', 'c']], null]]);

it('tests exactly, with empty margins and large counts', function (array $cells, ?float $p) {
    $is = Fisher::twoSided(...$cells);
    expect($is === null ? null : round($is / $p, 6))->toBe($p === null ? null : 1.0);
})->with([
    // by R 4.2.2's fisher.test
    [[8, 2, 3, 9], 0.02997312285237982],
    [[0, 5, 0, 7], 1.0],
    [[3000, 2000, 2800, 2400], 3.8304538541047577e-10],
    [[10, 10, 10, 10], 1.0],
    [[0, 0, 0, 0], null],
]);

it('is the same turned over', function () {
    foreach ([[8, 2, 3, 9], [1, 0, 7, 30], [12, 5, 29, 2]] as [$a, $b, $c, $d]) {
        $p = Fisher::twoSided($a, $b, $c, $d);
        foreach ([[$b, $a, $d, $c], [$c, $d, $a, $b], [$a, $c, $b, $d]] as $other) {
            expect(round(Fisher::twoSided(...$other) / $p, 9))->toBe(1.0);
        }
    }
});
