<?php

namespace Tests\Core\Synthesis\PlotWords;

use WaryHeron\Core\Synthesis\Plot\Drawing;
use WaryHeron\Core\Synthesis\Plot\Legend;
use WaryHeron\Core\Synthesis\Plot\PlacedText;
use WaryHeron\Core\Synthesis\Plot\Words;

it('parts words into lines that fit, and cuts what does not with a sign', function (string $text, float $letters, int $lines, array $fitting) {
    $draw = new Drawing(10.0);
    $width = $letters * $draw->widthOf('x') + 0.1;
    expect(Words::wrapped($draw, $text, $width, $lines))->toBe($fitting);
    foreach ($fitting as $line) {
        expect($draw->widthOf($line))->toBeLessThanOrEqual(max($width, 6 * $draw->widthOf('x')));
    }
})->with([
    'what fits' => ['ten letter', 10, 3, ['ten letter']],
    'one letter more' => ['ten letters', 10, 1, ['ten lette…']],
    'at a blank' => ['how far the people knew', 10, 3, ['how far', 'the people', 'knew']],
    'a blank right behind what fits' => ['ten letter and', 10, 2, ['ten letter', 'and']],
    'cut in the last line' => ['how far the people knew of it', 10, 2, ['how far', 'the peopl…']],
    'no blank before the sign' => ['far knew of it all', 10, 2, ['far knew', 'of it all']],
    'a word longer than a line' => ['abcdefghijklmnop qr', 10, 3, ['abcdefghij', 'klmnop qr']],
    'hardly any room' => ['abcdefghij', 1, 1, ['abcde…']],
    'nothing' => ['', 10, 2, ['']],
]);

it('cuts no blank into a name', function () {
    expect(Words::cut(new Drawing(10.0), 'knew of it all', 50.5))->toBe('knew of…');
});

it('sets names behind their signs, and goes on in the next line where one is full', function () {
    $draw = new Drawing(10.0);
    $place = fn (PlacedText $one): array => [$one->text, round($one->x, 2), $one->y, round($one->width, 2), $one->height];
    $legend = fn (float $right): Legend => Legend::of($draw, ['Low', 'Some', 'High'], 100.0, $right, 50.0, 20.0);
    // a name of three letters is 16.8 wide, and 22 before the next sign
    expect(array_map($place, $legend(300.0)->names))->toBe([
        ['Low', 120.0, 50.0, 16.8, 10.0], ['Some', 178.8, 50.0, 22.4, 10.0], ['High', 243.2, 50.0, 22.4, 10.0],
    ]);
    expect(array_map($place, $legend(202.0)->names))->toBe([
        ['Low', 120.0, 50.0, 16.8, 10.0], ['Some', 178.8, 50.0, 22.4, 10.0], ['High', 120.0, 72.0, 22.4, 10.0],
    ])->and($legend(202.0)->bottom())->toBe(72.0)->and(round($legend(202.0)->right(), 2))->toBe(201.2);
    // a single name may go further than the line
    expect(array_map($place, $legend(101.0)->names))->toBe([
        ['Low', 120.0, 50.0, 16.8, 10.0], ['Some', 120.0, 72.0, 22.4, 10.0], ['High', 120.0, 94.0, 22.4, 10.0],
    ])->and(Legend::of($draw, [], 100.0, 200.0, 50.0, 20.0)->right())->toBe(0.0)
        ->and($place(Legend::of($draw, [str_repeat('a', 90)], 0.0, 9.0, 0.0, 0.0)->names[0])[0])->toBe(str_repeat('a', 52).'…');
});
