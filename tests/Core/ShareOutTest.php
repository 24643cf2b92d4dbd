<?php

use Random\Engine\Mt19937;
use Random\Randomizer;
use WaryHeron\Core\Screening\ShareOut\CannotShare;
use WaryHeron\Core\Screening\ShareOut\OwnPapers;
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

it('says in whole sentences why it cannot be', function (int $items, int $decisions, array $given, array $most, string $why, ?array $nearest) {
    try {
        Quotas::of($items, $decisions, $given, most: $most);
        expect(false)->toBeTrue('It should not be possible.');
    } catch (CannotShare $cannot) {
        expect($cannot->getMessage())->toBe($why)->and($cannot->nearest)->toBe($nearest);
    }
})->with([
    [0, 2, ['a' => null, 'b' => null], [], 'There is nothing to share out: the pool is empty.', null],
    [5, 3, ['a' => null, 'b' => null], [], '3 decisions on each item need at least 3 different people; 2 are chosen.', null],
    [5, 2, ['a' => null], [], '2 decisions on each item need at least 2 different people; 1 is chosen.', null],
    [5, 1, [], [], '1 decisions on each item need at least 1 different people; 0 are chosen.', null],
    [10, 2, ['a' => 12, 'b' => null, 'c' => null], [], 'Nobody can judge more than the 10 items there are.', ['a' => 10, 'b' => 5, 'c' => 5]],
    [10, 2, ['a' => 100, 'b' => 1, 'c' => 1], [], 'Nobody can judge more than the 10 items there are.', ['a' => 10, 'b' => 5, 'c' => 5]],
    [12, 2, ['a' => null, 'b' => null, 'c' => null], ['a' => 4, 'b' => 4], 'Nobody can judge more than the 12 items there are.', ['a' => 6, 'b' => 6, 'c' => 12]],
    [10, 1, ['a' => -1, 'b' => 0], [], 'A quota cannot be less than nothing.', ['a' => 5, 'b' => 5]],
    [10, 1, ['a' => 0, 'b' => 0], [], '10 items with 1 decision each are 10 judgements; the quotas add up to 0.', ['a' => 5, 'b' => 5]],
    [100, 1, ['a' => 10, 'b' => 20, 'c' => 30], [], '100 items with 1 decision each are 100 judgements; the quotas add up to 60.', ['a' => 17, 'b' => 33, 'c' => 50]],
    [10, 2, ['a' => 8, 'b' => 8, 'c' => 8], [], '10 items with 2 decisions each are 20 judgements; the quotas add up to 24.', ['a' => 7, 'b' => 7, 'c' => 6]],
]);

it('shares one item, and gives what does not divide to the largest remainders first', function () {
    expect(Quotas::of(1, 1, ['a' => null])->byPerson)->toBe(['a' => 1])
        ->and(Quotas::of(10, 1, ['a' => null, 'b' => null, 'c' => null], ['c' => 1.5])->byPerson)->toBe(['a' => 3, 'b' => 3, 'c' => 4])
        ->and(Quotas::of(10, 1, ['a' => null, 'b' => null], ['a' => 1.0, 'b' => 2.0])->byPerson)->toBe(['a' => 3, 'b' => 7]);
});

it('makes of a seed what it made of it before, since the Log names seeds', function () {
    $quotas = Quotas::of(8, 2, ['a' => 8, 'b' => null, 'c' => null]);
    expect(array_map(implode(...), ShareOut::plan(items(8), $quotas, 1)->people))->toBe([
        'i1' => 'ac', 'i2' => 'ab', 'i3' => 'ab', 'i4' => 'ab', 'i5' => 'ab', 'i6' => 'ac', 'i7' => 'ac', 'i8' => 'ac',
    ]);
    $quotas = Quotas::of(6, 2, ['a' => null, 'b' => null, 'c' => null, 'd' => 0]);
    expect(array_map(implode(...), ShareOut::plan(items(6), $quotas, 12)->people))->toBe([
        'i1' => 'ab', 'i2' => 'bc', 'i3' => 'bc', 'i4' => 'ca', 'i5' => 'ab', 'i6' => 'ca',
    ]);
    expect(ShareOut::sample(items(10), 6, 1))->toBe(['i10', 'i4', 'i6', 'i3', 'i1', 'i2'])
        ->and(ShareOut::sample(items(3), -1, 1))->toBe([])
        ->and(ShareOut::sample(items(3), 9, 1))->toHaveCount(3);
    expect(array_map(implode(...), ShareOut::inGroups(items(5), [['a', 'b'], ['c']], 3)->people))
        ->toBe(['i1' => 'c', 'i2' => 'ab', 'i3' => 'c', 'i4' => 'ab', 'i5' => 'ab']);
    expect(ShareOut::handOn(items(5), ['a', 'b', 'c'], ['i1' => ['a'], 'i3' => ['a', 'b']])->people)
        ->toBe(['i3' => ['c'], 'i1' => ['b'], 'i2' => ['a'], 'i4' => ['a'], 'i5' => ['b']]);
});

it('says which of two reasons leaves an item without enough people', function (array $given, array $taken, string $why) {
    expect(fn () => ShareOut::plan(items(4), Quotas::of(4, 2, $given), 1, $taken))->toThrow(new CannotShare($why));
})->with([
    [
        ['a' => null, 'b' => null],
        ['i1' => ['a'], 'i2' => ['b', 'c']],
        '2 items have been judged by, or given to, so many of these people that not enough others are left. '.
            'Choose more people, or leave those items out.',
    ],
    [
        ['a' => 4, 'b' => 2, 'c' => 2],
        ['i1' => ['a']],
        'The quotas cannot be met exactly, since some items have people already. Share evenly, or choose more people.',
    ],
]);

it('counts items by person and by pair, whoever stands first', function () {
    $plan = new Plan(['x' => ['b', 'a'], 'y' => ['a', 'b', 'c'], 'z' => ['c']]);
    expect($plan->perPerson())->toBe(['a' => 2, 'b' => 2, 'c' => 2])
        ->and($plan->perPair())->toBe(['a b' => 2, 'a c' => 1, 'b c' => 1]);
});

it('tells the family name and the initial of a person', function (string $person, ?array $names) {
    $read = OwnPapers::names($person);
    expect($read === null ? null : [$read->family, $read->initial])->toBe($names);
})->with([
    ['Dr. Ines N. Okafor', ['okafor', 'i']],
    ['Prof Mirela Haas MD', ['haas', 'm']],
    ['  Mirela   Haas ', ['haas', 'm']],
    ['Öna van de Laar', ['van de laar', 'o']],
    ['van Laar', ['laar', 'v']],
    ['ines okafor', ['okafor', 'i']],
    ['Ines', null],
    ['', null],
]);
