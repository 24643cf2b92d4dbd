<?php

namespace Tests\Core\Synthesis\Matrix;

use Random\Engine\Mt19937;
use Random\Randomizer;
use WaryHeron\Core\Synthesis\Regression\Matrix;

/**
 * @param  list<list<float>>  $one
 * @param  list<list<float>>  $other
 * @return list<list<float>>
 */
function product(array $one, array $other): array
{
    $columns = array_map(null, ...$other);
    $columns = is_array($columns[0]) ? $columns : array_map(fn (float $single): array => [$single], $columns);

    return array_map(fn (array $row): array => array_map(fn (array $column): float => Matrix::dot($row, $column), $columns), $one);
}

it('inverts what has an inverse', function (int $size) {
    $random = new Randomizer(new Mt19937(7 + $size));
    for ($try = 0; $try < 20; $try++) {
        $matrix = array_map(fn (): array => array_map(fn (): float => $random->getInt(-5000, 5000) / 1000, range(1, $size)), range(1, $size));
        foreach (product($matrix, Matrix::inverse($matrix)) as $i => $row) {
            foreach ($row as $j => $one) {
                expect(abs($one - ($i === $j ? 1.0 : 0.0)))->toBeLessThan(1e-8);
            }
        }
    }
})->with([1, 2, 3, 4, 6]);

it('inverts by hand', function (array $matrix, ?array $inverse) {
    expect(Matrix::inverse($matrix))->toEqualWithDelta($inverse, 1e-9);
})->with([
    [[[4.0]], [[0.25]]],
    [[[2.0, 0.0], [0.0, 5.0]], [[0.5, 0.0], [0.0, 0.2]]],
    [[[1.0, 2.0], [3.0, 4.0]], [[-2.0, 1.0], [1.5, -0.5]]],
    'a nought where one begins' => [[[0.0, 1.0], [1.0, 0.0]], [[0.0, 1.0], [1.0, 0.0]]],
    'rows of very different size' => [[[0.001, 0.0], [0.0, 1000.0]], [[1000.0, 0.0], [0.0, 0.001]]],
    'below nought' => [[[-4.0, 0.0], [0.0, -0.5]], [[-0.25, 0.0], [0.0, -2.0]]],
]);

it('knows no inverse where rows say the same', function (array $matrix) {
    expect(Matrix::inverse($matrix))->toBeNull();
})->with([
    [[[0.0]]],
    [[[1.0, 2.0], [2.0, 4.0]]],
    [[[1.0, 2.0, 3.0], [4.0, 5.0, 6.0], [5.0, 7.0, 9.0]]],
    'nearly the same' => [[[1.0, 2.0], [1.0, 2.0 + 1e-12]]],
    'nearly the same, below nought' => [[[-1.0, -2.0], [-1.0, -2.0 - 1e-12]]],
    'a row of noughts' => [[[1.0, 2.0], [0.0, 0.0]]],
]);

it('crosses rows with their weights, each pair once and alike on both sides', function () {
    $rows = [[1.0, 2.0], [1.0, -3.0], [1.0, 0.5]];
    expect(Matrix::crossed($rows, [1.0, 2.0, 4.0]))->toEqualWithDelta([[7.0, -2.0], [-2.0, 23.0]], 1e-12)
        ->and(Matrix::crossed($rows, [0.0, 0.0, 0.0]))->toBe([[0.0, 0.0], [0.0, 0.0]])
        ->and(Matrix::times([[1.0, 2.0], [3.0, -4.0]], [5.0, 6.0]))->toBe([17.0, -9.0])
        ->and(Matrix::dot([], []))->toBe(0.0);
});

it('measures what is left of a row by that row, also where rows change places', function () {
    $inverse = Matrix::inverse([[1e-12, 0.0], [1.0, 1.0]]);
    expect($inverse[0][0] / 1e12)->toEqualWithDelta(1.0, 1e-9)
        ->and($inverse[1][0] / 1e12)->toEqualWithDelta(-1.0, 1e-9)
        ->and($inverse[1][1])->toEqualWithDelta(1.0, 1e-9);
});
