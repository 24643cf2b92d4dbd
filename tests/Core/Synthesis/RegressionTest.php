<?php

use WaryHeron\Core\Synthesis\Effect\TwoByTwo;
use WaryHeron\Core\Synthesis\Pool\Study;
use WaryHeron\Core\Synthesis\Regression\Matrix;
use WaryHeron\Core\Synthesis\Regression\Regression;

/**
 * Thirteen trials with the latitude of each, as Berkey et al. (Stat Med 1995;14:395) give them: events and others with
 * and without the intervention.
 *
 * @return array{list<Study>, list<float>}
 */
function latitudes(): array
{
    $studies = $latitudes = [];
    foreach (
        [
            [4, 119, 11, 128, 44], [6, 300, 29, 274, 55], [3, 228, 11, 209, 42], [62, 13536, 248, 12619, 52], [33, 5036, 47, 5761, 13],
            [180, 1361, 372, 1079, 44], [8, 2537, 10, 619, 19], [505, 87886, 499, 87892, 13], [29, 7470, 45, 7232, 27],
            [17, 1699, 65, 1600, 42], [186, 50448, 141, 27197, 18], [5, 2493, 3, 2338, 33], [27, 16886, 29, 17825, 33],
        ] as $i => [$a, $b, $c, $d, $latitude]
    ) {
        $effect = TwoByTwo::of((float) $a, (float) ($a + $b), (float) $c, (float) ($c + $d))->logRiskRatio();
        $studies[] = new Study("Trial {$i}", $effect->estimate, $effect->variance);
        $latitudes[] = (float) $latitude;
    }

    return [$studies, $latitudes];
}

it('finds what is published of trials by latitude', function () {
    [$studies, $latitudes] = latitudes();
    $one = Regression::of($studies, ['latitude' => $latitudes]);
    // Viechtbauer, J Stat Softw 2010;36(3): τ² 0.0764, R² 75.62 %, Q 30.7331 on 11, p 0.0012, coefficients 0.2515 and −0.0291
    expect(abs($one->tau2 - 0.0764))->toBeLessThan(1e-4)
        ->and(abs($one->explained - 75.62))->toBeLessThan(0.02)
        ->and(round($one->q, 4))->toBe(30.7331)
        ->and($one->df)->toBe(11)
        ->and(round($one->pOfRest(), 4))->toBe(0.0012)
        ->and(array_map(fn (float $b): float => round($b, 4), $one->coefficients))->toBe([0.2515, -0.0291]);
    // the maximum of the restricted likelihood, and Knapp & Hartung's errors, by R 4.2.2's optimize and solve
    expect(abs($one->tau2 - 0.07634796279))->toBeLessThan(1e-8)
        ->and(abs($one->rows()[0]->se - 0.283925283))->toBeLessThan(1e-8)
        ->and(abs($one->rows()[1]->se - 0.008201417389))->toBeLessThan(1e-9);
    expect($one->rows()[1]->p)->toBeLessThan(0.01)->and($one->at(30.0))->toBe($one->coefficients[0] + 30 * $one->coefficients[1]);
});

it('changes only what it must when a moderator is scaled or shifted, or studies come in another order', function () {
    [$studies, $latitudes] = latitudes();
    $plain = Regression::of($studies, ['x' => $latitudes]);
    $scaled = Regression::of($studies, ['x' => array_map(fn (float $x): float => 10 * $x + 7, $latitudes)]);
    expect(abs($scaled->coefficients[1] * 10 - $plain->coefficients[1]))->toBeLessThan(1e-9)
        ->and(abs($scaled->tau2 - $plain->tau2))->toBeLessThan(1e-9)
        ->and(abs($scaled->rows()[1]->p - $plain->rows()[1]->p))->toBeLessThan(1e-9);
    $turned = Regression::of(array_reverse($studies), ['x' => array_reverse($latitudes)]);
    expect(abs($turned->coefficients[0] - $plain->coefficients[0]))->toBeLessThan(1e-9);
    // an estimate that lies on the line exactly leaves nothing
    $exact = array_map(fn (Study $one, float $x): Study => new Study($one->name, 1 + 2 * $x, $one->variance), $studies, $latitudes);
    $line = Regression::of($exact, ['x' => $latitudes]);
    expect(abs($line->coefficients[1] - 2))->toBeLessThan(1e-9)->and($line->tau2)->toBeLessThan(1e-9);
});

it('takes two moderators, and says no where they tell the same or studies are too few', function () {
    [$studies, $latitudes] = latitudes();
    $years = [1948.0, 1949, 1960, 1977, 1973, 1953, 1973, 1980, 1968, 1961, 1974, 1969, 1976];
    $two = Regression::of($studies, ['latitude' => $latitudes, 'year' => array_map(fn (float $y): float => $y - 1966, $years)]);
    // Viechtbauer 2010: τ² 0.1108, Q 28.3251 on 10, latitude −0.0280, year 0.0019
    expect(abs($two->tau2 - 0.1108))->toBeLessThan(1e-4)
        ->and(round($two->q, 4))->toBe(28.3251)
        ->and(round($two->coefficients[1], 4))->toBe(-0.0280)
        ->and(round($two->coefficients[2], 4))->toBe(0.0019);
    expect(Regression::of($studies, ['x' => $latitudes, 'y' => array_map(fn (float $x): float => 3 * $x, $latitudes)]))->toBeNull();
    expect(Regression::of($studies, ['x' => array_fill(0, 13, 5.0)]))->toBeNull();
    expect(Regression::of(array_slice($studies, 0, 2), ['x' => [1.0, 2.0]]))->toBeNull();
});

it('inverts what can be inverted', function () {
    mt_srand(4);
    for ($round = 0; $round < 60; $round++) {
        $n = mt_rand(1, 4);
        $matrix = array_map(fn (): array => array_map(fn (): float => mt_rand(-90, 90) / 10, range(1, $n)), range(1, $n));
        $inverse = Matrix::inverse($matrix);
        foreach ($inverse === null ? [] : $matrix as $i => $row) {
            foreach (array_keys($row) as $j) {
                $cell = Matrix::dot($row, array_column($inverse, $j));
                expect(abs($cell - ($i === $j ? 1 : 0)))->toBeLessThan(1e-7);
            }
        }
    }
    expect(Matrix::inverse([[1.0, 2.0], [2.0, 4.0]]))->toBeNull();
});

/** @param  list<?float>  $should */
function agree(array $is, array $should, float $within): void
{
    foreach ($should as $i => $one) {
        expect(abs($is[$i] - $one))->toBeLessThan($within * max(1.0, abs($one)), "number {$i}");
    }
}

it('tells of each coefficient what R 4.2.2 finds by uniroot, solve, pt and qt', function (array $moderators, array $rows, float $explained) {
    [$studies] = latitudes();
    $of = Regression::of($studies, $moderators);
    foreach ($of->rows() as $i => $one) {
        expect($one->name)->toBe($of->names[$i])->and($one->estimate)->toBe($of->coefficients[$i]);
        agree([$one->estimate, $one->se, $one->t, $one->p, $one->interval->low, $one->interval->high], $rows[$i], 2e-8);
    }
    expect($of->rows())->toHaveCount(count($rows))->and(abs($of->explained - $explained))->toBeLessThan(1e-5);
})->with([
    'one' => [
        fn () => ['latitude' => latitudes()[1]],
        [
            [0.25146821000737, 0.28392528374338, 0.8856844543463, 0.39473707244657, -0.37344712608661, 0.87638354610136],
            [-0.02910172501165, 0.00820141741104, -3.54837750027063, 0.00456505154154, -0.04715292302506, -0.01105052699824],
        ],
        75.6266218116,
    ],
    'two' => [
        fn () => [
            'latitude' => latitudes()[1],
            'year' => [-18.0, -17.0, -6.0, 11.0, 7.0, -13.0, 7.0, 14.0, 2.0, -5.0, 8.0, 3.0, 10.0],
        ],
        [
            [0.20475353985635, 0.4054481147208, 0.50500552949258, 0.62449747504241, -0.69864115701766, 1.10814823673036],
            [-0.02801132944422, 0.01134567752066, -2.46889878486393, 0.0331673351465, -0.05329107433011, -0.00273158455833],
            [0.00190748044749, 0.01627880487365, 0.1171757056059, 0.90904082612975, -0.03436395715538, 0.03817891805036],
        ],
        64.6330147354,
    ],
]);

it('tests nothing where an error is nought, and explains nothing where nothing varies', function () {
    [$studies, $latitudes] = latitudes();
    $flat = array_map(fn (Study $one): Study => new Study($one->name, 0.0, 1.0), $studies);
    $of = Regression::of($flat, ['latitude' => $latitudes]);
    expect($of->explained)->toBeNull()->and($of->tau2)->toBe(0.0)->and($of->q)->toBe(0.0)->and($of->pOfRest())->toBe(1.0);
    foreach ($of->rows() as $row) {
        expect([$row->se, $row->t, $row->p, $row->interval->low, $row->interval->high])->toEqual([0.0, null, null, 0.0, 0.0]);
    }
});

it('names its coefficients in words, and lies where they say, moderators named or not', function () {
    [$studies, $latitudes] = latitudes();
    $of = Regression::of($studies, ['2019' => $latitudes]);
    expect($of->names)->toBe(['intercept', '2019'])
        ->and($of->at(...['latitude' => 30.0]))->toBe($of->at(30.0))
        ->and($of->at(0.0))->toBe($of->coefficients[0]);
});

it('needs one study more than it has coefficients', function (int $studies, bool $isEnough) {
    [$all, $latitudes] = latitudes();
    $of = Regression::of(array_slice($all, 0, $studies), ['latitude' => array_slice($latitudes, 0, $studies)]);
    expect($of !== null)->toBe($isEnough)->and($of?->df)->toBe($isEnough ? $studies - 2 : null);
})->with([[0, false], [2, false], [3, true], [4, true]]);

it('explains nothing, and not less, by a moderator that has nothing to do with it', function () {
    [$studies] = latitudes();
    $of = Regression::of($studies, ['turn' => [1.0, 1, 0, 0, 1, 1, 1, 1, 1, 0, 0, 1, 0]]);
    expect($of->explained)->toBe(0.0)->and($of->tau2)->toBeGreaterThan(0.33);
});
