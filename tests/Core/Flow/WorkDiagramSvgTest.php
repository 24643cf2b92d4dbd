<?php

use Tests\Core\Drawn;
use WaryHeron\Core\Flow\Work\WorkDiagramSvg;
use WaryHeron\Core\Flow\Work\WorkFact;
use WaryHeron\Core\Flow\Work\WorkStep;

/** @return list<array{x: int, y: int, width: int, height: int}> */
function boxesOf(string $svg): array
{
    preg_match_all('/<rect x="(\d+)" y="(\d+)" width="(\d+)" height="(\d+)" rx/', $svg, $found, PREG_SET_ORDER);

    return array_map(fn (array $one): array => [
        'x' => (int) $one[1],
        'y' => (int) $one[2],
        'width' => (int) $one[3],
        'height' => (int) $one[4],
    ], $found);
}

it('draws every step in a box of its own, whatever it holds and however many stand side by side', function (int $steps, int $columns) {
    $all = array_map(fn (int $i): WorkStep => new WorkStep(
        "s{$i}",
        str_repeat("Step {$i} ", 1 + 2 * ($i % 5)).str_repeat('long', 15 * ($i % 2)),
        array_fill(0, $i % 4, 'A rule that is told in many more words than fit into one line of a box, and '.str_repeat('ü', 90)),
        array_fill(0, $i % 3, 'Somebody, 3 done'),
        [new WorkFact('things & <more>', 1000 * $i, 'All of them.', '/there')],
    ), range(1, $steps));
    $svg = WorkDiagramSvg::of($all, str_repeat('Lamps & lights ', $steps), $columns);
    $boxes = boxesOf($svg);
    expect($boxes)->toHaveCount($steps)->and(Drawn::misplaced($svg))->toBe([]);
    // words end before the box that they begin in; 13 px of this letter are 6.6 wide at most, in the mean
    foreach (Drawn::words($svg) as $words) {
        $isIn = fn (array $one): bool => $words->y > $one['y'] && $words->y < $one['y'] + $one['height'] &&
            $words->x > $one['x'] && $words->x < $one['x'] + $one['width'];
        $within = array_filter($boxes, $isIn);
        foreach ($within as $one) {
            expect($words->x + $words->width * 6.6 / 7.28)->toBeLessThan($one['x'] + $one['width']);
        }
    }
    preg_match('/viewBox="0 0 (\d+) (\d+)"/', $svg, $size);
    foreach ($boxes as $i => $one) {
        expect($one['x'] + $one['width'])->toBeLessThanOrEqual((int) $size[1])
            ->and($one['y'] + $one['height'])->toBeLessThanOrEqual((int) $size[2]);
        foreach (array_slice($boxes, $i + 1) as $other) {
            $isApart = $other['x'] >= $one['x'] + $one['width'] || $one['x'] >= $other['x'] + $other['width'] ||
                $other['y'] >= $one['y'] + $one['height'] || $one['y'] >= $other['y'] + $other['height'];
            expect($isApart)->toBeTrue();
        }
    }
})->with([[1, 3], [2, 1], [7, 3], [8, 4], [9, 2]]);
