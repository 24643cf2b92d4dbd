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
    ['March 14, 2019', [[2019, 3, 14]], false],
    ['Sept. 3rd, 2019', [[2019, 9, 3]], false],
    ['14-Mar-2019', [[2019, 3, 14]], false],
    ['14.03.2019', [[2019, 3, 14]], false],
    ['14/03/2019', [[2019, 3, 14]], false],
    ['03/14/2019', [[2019, 3, 14]], false],
    'a day that nobody can tell' => ['03/04/2019', [[2019]], false],
    ['03/2019', [[2019, 3]], false],
    ['20190314', [[2019, 3, 14]], false],
    ['20191399', null, false],
    ['1. März 2019', [[2019, 3, 1]], false],
    ['1er août 2019', [[2019, 8, 1]], false],
    ['juin 2019', [[2019, 6]], false],
    ['juillet 2019', [[2019, 7]], false],
    ['14 de marzo de 2019', [[2019, 3, 14]], false],
    ['enero 2019', [[2019, 1]], false],
    ['luglio 2019', [[2019, 7]], false],
    ['outubro 2019', [[2019, 10]], false],
    ['3 mei 2019', [[2019, 5, 3]], false],
    ['2019年3月14日', [[2019, 3, 14]], false],
    ['2019年', [[2019]], false],
    ['2019a', [[2019]], false],
    ['©2019', [[2019]], false],
    ['c2019', [[2019]], false],
    ['Epub 2019 Mar 14', [[2019, 3, 14]], false],
    ['Available online: 14 March 2019', [[2019, 3, 14]], false],
    ['Room 2019', null, false],
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
