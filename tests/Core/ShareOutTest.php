<?php

use Random\Engine\Mt19937;
use Random\Randomizer;
use WaryHeron\Core\Screening\ShareOut\CannotShare;
use WaryHeron\Core\Screening\ShareOut\Plan;
use WaryHeron\Core\Screening\ShareOut\Quotas;
use WaryHeron\Core\Screening\ShareOut\ShareOut;

/** @return list<string> */
function items(int $count): array
{
    return array_map(fn (int $i): string => "i{$i}", range(1, $count));
}

it('shares evenly, by hand, and the rest evenly', function (int $items, int $decisions, array $given, array $quotas) {
    expect(Quotas::of($items, $decisions, $given)->byPerson)->toBe($quotas);
})->with([
    [10, 2, ['a' => null, 'b' => null, 'c' => null], ['a' => 7, 'b' => 7, 'c' => 6]],
    [10, 1, ['a' => 7, 'b' => null, 'c' => null], ['a' => 7, 'b' => 2, 'c' => 1]],
    [10, 2, ['a' => 10, 'b' => 4, 'c' => null], ['a' => 10, 'b' => 4, 'c' => 6]],
    [3, 3, ['a' => null, 'b' => null, 'c' => null], ['a' => 3, 'b' => 3, 'c' => 3]],
]);

it('says why quotas cannot be met and offers the nearest', function (
    int $items,
    int $decisions,
    array $given,
    string $why,
    ?array $nearest,
) {
    try {
        Quotas::of($items, $decisions, $given);
        expect(false)->toBeTrue('It should not be possible.');
    } catch (CannotShare $cannot) {
        expect($cannot->getMessage())->toContain($why)->and($cannot->nearest)->toBe($nearest);
        $nearest === null || expect(Quotas::of($items, $decisions, $nearest)->byPerson)->toBe($nearest);
    }
})->with([
    [0, 2, ['a' => null, 'b' => null], 'pool is empty', null],
    [5, 3, ['a' => null, 'b' => null], 'at least 3 different people', null],
    [10, 2, ['a' => 12, 'b' => null, 'c' => null], 'more than the 10 items', ['a' => 10, 'b' => 5, 'c' => 5]],
    [10, 1, ['a' => 3, 'b' => 3], 'add up to 6', ['a' => 5, 'b' => 5]],
    [10, 2, ['a' => 8, 'b' => 8, 'c' => 8], 'add up to 24', ['a' => 7, 'b' => 7, 'c' => 6]],
    [10, 2, ['a' => -4, 'b' => 10, 'c' => 14], 'less than nothing', ['a' => 0, 'b' => 10, 'c' => 10]],
]);

it('gives every item different people, meets every quota and is the same for a seed', function () {
    $random = new Randomizer(new Mt19937(5));
    for ($round = 0; $round < 150; $round++) {
        $count = $random->getInt(1, 120);
        $people = array_slice(['a', 'b', 'c', 'd', 'e', 'f', 'g'], 0, $random->getInt(1, 7));
        $decisions = $random->getInt(1, min(3, count($people)));
        $wished = array_map(fn (): int => $random->getInt(0, 50), array_flip($people));
        try {
            $quotas = Quotas::of($count, $decisions, $wished);
        } catch (CannotShare $cannot) {
            $quotas = Quotas::of($count, $decisions, $cannot->nearest);
        }
        $plan = ShareOut::plan(items($count), $quotas, $round);
        expect(array_keys($plan->people))->toBe(items($count));
        foreach ($plan->people as $team) {
            expect(count($team))->toBe($decisions)->and(count(array_unique($team)))->toBe($decisions);
        }
        expect($plan->perPerson())->toEqual(array_filter($quotas->byPerson));
        expect(ShareOut::plan(items($count), $quotas, $round))->toEqual($plan);
    }
});

it('lets every two people meet as often as their quotas let expect', function () {
    foreach ([[60, 4, 2], [100, 5, 2], [61, 3, 2], [200, 6, 3], [500, 8, 2]] as [$items, $people, $decisions]) {
        $quotas = Quotas::of(
            $items,
            $decisions,
            array_fill_keys(array_map(fn (int $i): string => chr(96 + $i), range(1, $people)), null),
        );
        foreach ([1, 2, 3] as $seed) {
            $pairs = ShareOut::plan(items($items), $quotas, $seed)->perPair();
            expect(count($pairs))
                ->toBe(($people * ($people - 1)) / 2)
                ->and(max($pairs) - min($pairs))
                ->toBeLessThanOrEqual(3);
        }
    }
    // one who does twice as much meets each of the others twice as often as they meet each other, or nearly
    $pairs = ShareOut::plan(
        items(300),
        Quotas::of(300, 2, ['a' => 240, 'b' => 120, 'c' => 120, 'd' => 120]),
        9,
    )->perPair();
    expect(max($pairs['a b'], $pairs['a c'], $pairs['a d']) - min($pairs['a b'], $pairs['a c'], $pairs['a d']))
        ->toBeLessThanOrEqual(2)
        ->and(max($pairs['b c'], $pairs['b d'], $pairs['c d']) - min($pairs['b c'], $pairs['b d'], $pairs['c d']))
        ->toBeLessThanOrEqual(2);
});

it('gives nobody an item again', function () {
    $taken =
        array_fill_keys(array_slice(items(40), 0, 15), ['a']) +
        array_fill_keys(array_slice(items(40), 15, 10), ['b', 'c']);
    $plan = ShareOut::plan(
        items(40),
        Quotas::of(40, 2, ['a' => null, 'b' => null, 'c' => null, 'd' => null]),
        4,
        $taken,
    );
    foreach ($plan->people as $item => $team) {
        expect(array_intersect($team, $taken[$item] ?? []))->toBe([])->and(count(array_unique($team)))->toBe(2);
    }
    expect($plan->perPerson())->toBe(['a' => 20, 'b' => 20, 'c' => 20, 'd' => 20]);
    expect(fn () => ShareOut::plan(items(4), Quotas::of(4, 2, ['a' => null, 'b' => null]), 1, ['i2' => ['b']]))->toThrow(
        CannotShare::class,
        '1 items have been judged',
    );
});

it('draws a sample that can be drawn again', function () {
    $sample = ShareOut::sample(items(500), 50, 77);
    expect(count(array_unique($sample)))
        ->toBe(50)
        ->and(ShareOut::sample(items(500), 50, 77))
        ->toBe($sample)
        ->and(ShareOut::sample(items(500), 50, 78))
        ->not->toBe($sample)
        ->and(array_slice(ShareOut::sample(items(500), 80, 77), 0, 50))
        ->toBe($sample);
    expect(ShareOut::inGroups(items(9), [['a', 'b'], ['c', 'd']], 3)->perPair())
        ->toBe(['a b' => 5, 'c d' => 4])
        ->and((new Plan([]))->perPerson())
        ->toBe([]);
});

it('hands items on as evenly as who may have which allows', function () {
    $plan = ShareOut::handOn(items(9), ['a', 'b', 'c'], array_fill_keys(array_slice(items(9), 0, 3), ['a', 'b']));
    expect($plan->perPerson())
        ->toBe(['a' => 3, 'b' => 3, 'c' => 3])
        ->and($plan->people['i1'])
        ->toBe(['c']);
    expect(fn () => ShareOut::handOn(items(2), ['a'], ['i2' => ['a']]))->toThrow(CannotShare::class, '1 of 2 items');
});

it('gives whoever has a weight so many times the share of the others, and nobody more than they may have', function (
    int $items,
    array $weights,
    array $most,
    array $expected,
) {
    expect(Quotas::of($items, 2, ['a' => null, 'b' => null, 'c' => null], $weights, $most)->byPerson)->toBe($expected);
})->with([
    'even' => [12, [], [], ['a' => 8, 'b' => 8, 'c' => 8]],
    'twice' => [12, ['a' => 2.0], [], ['a' => 12, 'b' => 6, 'c' => 6]],
    'half' => [10, ['c' => 0.5], [], ['a' => 8, 'b' => 8, 'c' => 4]],
    'one may have none' => [12, [], ['c' => 0], ['a' => 12, 'b' => 12, 'c' => 0]],
    'one may have some' => [12, [], ['a' => 4], ['a' => 4, 'b' => 10, 'c' => 10]],
]);

it('knows whose paper it is', function (string $person, string $authors, bool $theirs) {
    expect(WaryHeron\Core\Screening\ShareOut\OwnPapers::isBy($person, $authors))->toBe($theirs);
})->with([
    ['Ines Okafor', 'Haas M; Okafor IN', true],
    ['Ines Okafor', 'Okafor B', false],
    ['Ines Okafor', 'Okafor', false],
    ['Dr. Ines N. Okafor', 'Okafor IN', true],
    ['Öna van de Laar', 'van de Laar Ö', true],
    ['Öna van de Laar', 'Laar O', false],
    ['Heron', 'Heron H', false],
    ['Mirela Haas', 'Haas-Ott M', false],
    ['Élan Özkaya', 'Ozkaya E', true],
    ['Ben Strand', '', false],
]);
