<?php

declare(strict_types=1);

use WaryHeron\Core\Synthesis\Choice\TimeWindow;

it('reads a window of time as people write it', function (string $line, ?array $window) {
    $read = TimeWindow::told($line);

    expect($read === null ? null : [$read->name, $read->from, $read->to])->toBe($window);
    if ($read !== null) {
        expect(TimeWindow::told("{$read->name}; {$read->span()}"))->toEqual($read);
    }
})->with([
    ['short; 0 to 4 weeks', ['short', 0, 28]],
    ['short; 2–4 weeks', ['short', 14, 28]],
    ['one shift; 0 to 1', ['one shift', 0, 1]],
    ['over the edge; 3 weeks to 2 months', ['over the edge', 21, 61]],
    ['under 3 months; under 3 months', ['under 3 months', null, 91]],
    ['long; from 1 year', ['long', 365, null]],
    ['up to half a year; up to 0.5 years', ['up to half a year', null, 183]],
    ['no span', null],
    ['; 0 to 4 weeks', null],
    ['turned; 4 to 2 weeks', null],
    ['rubbish; soon', null],
]);
