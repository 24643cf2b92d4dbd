<?php

declare(strict_types=1);

use WaryHeron\Core\Synthesis\Pool\Influence;
use WaryHeron\Core\Synthesis\Pool\Model;
use WaryHeron\Core\Synthesis\Pool\Study;
use WaryHeron\Core\Synthesis\SmallStudies\TrimAndFill;

/** @return list<Study> whose small ones all lie on one side */
function lopsided(float $turned = 1.0): array
{
    $estimates = [0.02, 0.11, 0.14, 0.22, 0.31, 0.48, 0.55, 0.71, 0.93, 1.20];
    $variances = [0.010, 0.012, 0.015, 0.02, 0.03, 0.05, 0.08, 0.10, 0.16, 0.25];

    return array_map(
        fn (float $y, float $v, int $i): Study => new Study("s{$i}", $turned * $y, $v),
        $estimates,
        $variances,
        array_keys($estimates),
    );
}

// the numbers were computed from the papers' formulae by another program
it('tells how much each study moves the estimate', function (?Model $model, array $first, array $last) {
    $found = array_map(
        fn (Influence $one): array => [$one->weight, $one->residual, $one->dffits, $one->cook, $one->covariance],
        Influence::of(lopsided(), $model),
    );
    foreach ([[$found[0], $first], [$found[9], $last]] as [$got, $wanted]) {
        foreach ($wanted as $i => $number) {
            expect($got[$i])->toEqualWithDelta($number, 1e-7);
        }
    }
})->with([
    'common effect' => [
        null,
        [0.25901144, -2.05507937, -1.2150169, 1.47626608, 1.3495485],
        [0.01036046, 2.0166687, 0.20634099, 0.0425766, 1.01046892],
    ],
    'random effects' => [
        Model::DerSimonianLaird,
        [0.17505534, -1.52427455, -0.63248992, 0.36048328, 1.1298242],
        [0.0233474, 1.8364341, 0.48332952, 0.22572597, 0.82483198],
    ],
]);

it('calls a study influential that turns all the others', function () {
    $alike = array_map(fn (int $i): Study => new Study("s{$i}", 0.1 + 0.01 * $i, 0.04), range(1, 8));
    $names = fn (array $studies): array => array_values(array_map(
        fn (Influence $one): string => $one->study,
        array_filter(Influence::of($studies, Model::RestrictedMaximumLikelihood), fn (Influence $one): bool => $one->isInfluential()),
    ));

    expect($names($alike))->toBe([])
        ->and($names([...$alike, new Study('odd', 3.0, 0.04)]))->toBe(['odd'])
        ->and(Influence::of(array_slice($alike, 0, 2), null))->toBe([])
        ->and(Influence::of(array_slice($alike, 0, 3), null))->toHaveCount(3);
});

it('calls it so by each of its three bounds, and not below it', function (int $studies, float $moves, float $weighs, bool $is) {
    // all others lie at nothing and weigh one; of a common effect of such, DFFITS is how far the odd one lies over √k
    $alike = array_map(fn (int $i): Study => new Study("s{$i}", 0.0, 1.0), range(2, $studies));
    $odd = new Study('odd', $moves * sqrt($studies), 1 / $weighs);
    expect(Influence::of([$odd, ...$alike], null)[0]->isInfluential())->toBe($is);
})->with([
    // of five the distance decides: χ² on one degree has its middle at 0.4549, the square of 0.6745
    'moved far' => [5, 0.68, 1.0, true],
    'moved far down' => [5, -0.68, 1.0, true],
    'not moved far enough' => [5, 0.67, 1.0, false],
    // of 31 DFFITS, whose bound is 3 / √30 = 0.5477
    'of many' => [31, 0.56, 1.0, true],
    'of many, down' => [31, -0.56, 1.0, true],
    'of many, not far enough' => [31, 0.54, 1.0, false],
    // of ten a weight above 3 / 10, though it lies where the others do
    'heavy' => [10, 0.0, 3.9, true],
    'not so heavy' => [10, 0.0, 3.8, false],
    'three of a kind' => [3, 0.0, 1.0, false],
]);

it('puts in what a lopsided funnel lacks, on the side where it lacks it', function (?Model $model, float $estimate, float $se) {
    $left = TrimAndFill::of(lopsided(), $model);
    $right = TrimAndFill::of(lopsided(-1.0), $model);

    expect($left?->missing)->toBe(4)
        ->and($left->side)->toBe('left')
        ->and($left->estimate->value)->toEqualWithDelta($estimate, 1e-9)
        ->and($left->estimate->standardError)->toEqualWithDelta($se, 1e-9)
        ->and($right?->side)->toBe('right')
        ->and($right->estimate->value)->toEqualWithDelta(-$estimate, 1e-9);
})->with([
    'common effect' => [null, 0.14556603773584909, 0.04886291600269585],
    'random effects' => [Model::DerSimonianLaird, 0.1748484133926889, 0.0894825017469819],
]);

it('puts nothing into a funnel that is even', function () {
    $even = [];
    foreach ([[0.1, 0.11, 0.01], [0.32, 0.3, 0.04], [0.5, 0.52, 0.09]] as $i => [$above, $below, $variance]) {
        $even[] = new Study("a{$i}", 0.4 + $above, $variance);
        $even[] = new Study("b{$i}", 0.4 - $below, $variance);
    }

    expect(TrimAndFill::of($even, null)?->missing ?? 0)->toBe(0)
        ->and(TrimAndFill::of(array_slice($even, 0, 2), null))->toBeNull();
});

it('moves with the studies: shifted, scaled or in another order, the mirrored ones are the same', function () {
    $studies = lopsided();
    $filled = fn (array $of): array => array_map(fn (Study $one): float => round($one->estimate, 6), TrimAndFill::of($of, null)->filled ?? []);
    $shifted = array_map(fn (Study $one): Study => new Study($one->name, $one->estimate + 5, $one->variance), $studies);
    $scaled = array_map(fn (Study $one): Study => new Study($one->name, 3 * $one->estimate, 9 * $one->variance), $studies);
    $plain = $filled($studies);

    $rounded = fn (array $of): array => array_map(fn (float $one): float => round($one, 4), $of);

    expect($filled(array_reverse($studies)))->toEqual($plain)
        ->and($rounded($filled($shifted)))->toEqual($rounded(array_map(fn (float $one): float => $one + 5, $plain)))
        ->and($rounded($filled($scaled)))->toEqual($rounded(array_map(fn (float $one): float => 3 * $one, $plain)));
});
