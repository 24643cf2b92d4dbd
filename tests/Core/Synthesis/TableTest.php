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

/** How many ways there are to choose some of so many. */
function ways(int $of, int $some): int
{
    $ways = 1;
    for ($i = 1; $i <= $some; $i++) {
        $ways = intdiv($ways * ($of - $some + $i), $i);
    }

    return $some < 0 || $some > $of ? 0 : $ways;
}

it('finds in every small table what counting all tables with its margins finds', function () {
    foreach (range(0, 6) as $a) {
        foreach (range(0, 6) as $b) {
            foreach (range(0, 6) as $c) {
                foreach ([0, 1, 4, 9] as $d) {
                    [$row, $column, $n] = [$a + $b, $a + $c, $a + $b + $c + $d];
                    $all = array_map(fn (int $x): int => ways($row, $x) * ways($n - $row, $column - $x), range(0, $row));
                    $as = array_filter($all, fn (int $one): bool => $one <= $all[$a]);
                    $is = Fisher::twoSided($a, $b, $c, $d);
                    $n === 0
                        ? expect($is)->toBeNull()
                        : expect(abs($is - array_sum($as) / array_sum($all)))->toBeLessThan(1e-12, "{$a} {$b} {$c} {$d}");
                }
            }
        }
    }
});

it('keeps its digits where chances are tiny, and numbers are large', function (array $cells, float $p) {
    expect(abs(Fisher::twoSided(...$cells) / $p - 1))->toBeLessThan(1e-9);
})->with([
    // by R 4.2.2's fisher.test
    [[300.0, 20.0, 15.0, 280.0], 5.13076485603442e-128],
    [[1000.0, 900.0, 950.0, 1000.0], 0.0156250483801073],
    [[40.0, 0.0, 0.0, 40.0], 1.86034036560363e-23],
]);

it('gives shares of rows and columns, and none of what is empty', function () {
    $of = json_decode(json_encode(Crosstab::ofCounts(['r1' => ['c1' => 3.0, 'c2' => 1.0, 'c3' => 0.0], 'r2' => ['c1' => 1.0, 'c2' => 0.0, 'c3' => 0.0], 'r3' => ['c1' => 0.0, 'c2' => 0.0, 'c3' => 0.0]])->toArray()), true);
    expect($of['n'])->toEqual(5)
        ->and($of['row_totals'])->toEqual(['r1' => 4, 'r2' => 1, 'r3' => 0])
        ->and($of['col_totals'])->toEqual(['c1' => 4, 'c2' => 1, 'c3' => 0])
        ->and($of['row_pct']['r1'])->toEqual(['c1' => 75, 'c2' => 25, 'c3' => 0])
        ->and($of['row_pct']['r2'])->toEqual(['c1' => 100, 'c2' => 0, 'c3' => 0])
        ->and($of['row_pct']['r3'])->toEqual(['c1' => null, 'c2' => null, 'c3' => null])
        ->and($of['col_pct']['r1'])->toEqual(['c1' => 75, 'c2' => 100, 'c3' => null]);
});

it('has rows and columns in their order, whichever comes first', function () {
    $of = crosstab([['b', 'y'], ['a', 'z'], ['a', 'x'], ['', 'x'], ['a', '']]);
    expect(array_keys($of['counts']))->toBe(['a', 'b'])
        ->and(array_keys($of['counts']['a']))->toBe(['x', 'y', 'z'])
        ->and($of['missing'])->toBe(2)->and($of['n'])->toEqual(3);
});
