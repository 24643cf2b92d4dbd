<?php

use WaryHeron\Core\Search\Standing\Every;

it('comes again after so long, from the day that was chosen', function (Every $every, string $from, string $now, string $next) {
    $is = $every->next(new DateTimeImmutable($from), new DateTimeImmutable($now));
    expect($is->format('Y-m-d H:i'))->toBe($next);
})->with([
    [Every::Week, '2026-11-02 06:00', '2026-11-02 06:00', '2026-11-09 06:00'],
    [Every::Week, '2026-11-02 06:00', '2026-11-30 07:00', '2026-12-07 06:00'],
    [Every::Fortnight, '2026-11-02 06:00', '2026-11-03 06:00', '2026-11-16 06:00'],
    'over the end of a year' => [Every::Month, '2026-12-15 06:00', '2026-12-20 06:00', '2027-01-15 06:00'],
    'in a short month its last day' => [Every::Month, '2026-01-31 06:00', '2026-02-01 00:00', '2026-02-28 06:00'],
    'and the 31st again' => [Every::Month, '2026-01-31 06:00', '2026-03-01 00:00', '2026-03-31 06:00'],
    'a leap year' => [Every::Month, '2028-01-30 06:00', '2028-02-01 00:00', '2028-02-29 06:00'],
    [Every::Quarter, '2026-11-30 06:00', '2026-12-01 00:00', '2027-02-28 06:00'],
    'not one by one after a long stop' => [Every::Week, '2025-11-03 06:00', '2026-11-28 12:00', '2026-11-30 06:00'],
]);

it('is always later than now', function (Every $every) {
    $from = new DateTimeImmutable('2026-01-31 06:00');
    for ($now = $from; $now < $from->modify('+2 years'); $now = $now->modify('+5 days')) {
        expect($every->next($from, $now) > $now)->toBeTrue();
    }
})->with(Every::cases());
