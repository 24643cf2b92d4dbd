<?php

use WaryHeron\Core\Bibliography\IssuedDate;

it('reads dates as sources write them', function (string $text, ?array $parts, bool $approximate) {
    $read = IssuedDate::read($text);
    expect($read?->parts)
        ->toBe($parts)
        ->and($read !== null && $read->approximate)
        ->toBe($approximate);
})->with([
    ['2004', [[2004]], false],
    ['2004-04', [[2004, 4]], false],
    ['2004-04-25', [[2004, 4, 25]], false],
    ['2004-04-25T14:34:00Z', [[2004, 4, 25]], false],
    ['2004/04/25/', [[2004, 4, 25]], false],
    ['2004/11//', [[2004, 11]], false],
    ['2004///', [[2004]], false],
    ['2004 Apr 25', [[2004, 4, 25]], false],
    ['2004 April', [[2004, 4]], false],
    ['25 April 2004', [[2004, 4, 25]], false],
    ['Apr 2004', [[2004, 4]], false],
    ['2004 Spring', [[2004, 21]], false],
    ['2004-24', [[2004, 24]], false],
    ['2004 Mar-Apr', [[2004, 3], [2004, 4]], false],
    ['1988/1994', [[1988], [1994]], false],
    ['2004-04-25/2004-05', [[2004, 4, 25], [2004, 5]], false],
    ['1988/', [[1988]], false],
    ['1988/..', [[1988]], false],
    ['1723~', [[1723]], true],
    ['2009?', [[2009]], true],
    ['1997-07~/2000', [[1997, 7], [2000]], true],
    ['0800', [[800]], false],
    ['-0044', [[-45]], false],
    ['0000', [[-1]], false],
    ['in press', null, false],
    ['2004-13', null, false],
    ['2004-04-40', null, false],
    ['', null, false],
    ['199X', [[1990], [1999]], false],
    ['18uu', [[1800], [1899]], false],
    ['1XXX', null, false],
    ['1998–2001', [[1998], [2001]], false],
    ['1998--2001', [[1998], [2001]], false],
    ['c. 1890', [[1890]], true],
    ['circa 1890', [[1890]], true],
    ['[ca. 1890]', [[1890]], true],
    ['(2004)', [[2004]], false],
    ['cats', null, false],
    ['20044', null, false],
]);

it('writes what it reads the same', function () {
    $random = new Random\Randomizer(new Random\Engine\Mt19937(5));
    foreach (range(1, 400) as $round) {
        $date = fn (): array => array_slice(
            [
                [$random->getInt(-300, -1), $random->getInt(1, 2100)][$round % 2],
                $random->getInt(1, 12),
                $random->getInt(1, 28),
            ],
            0,
            $random->getInt(1, 3),
        );
        $parts = $round % 3 === 0 ? [$date(), $date()] : [$date()];
        $read = IssuedDate::read($text = IssuedDate::written($parts, $round % 5 === 0));
        expect([$text, $read?->parts, $read?->approximate])->toBe([$text, $parts, $round % 5 === 0]);
    }
});
