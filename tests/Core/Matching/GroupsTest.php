<?php

use Random\Engine\Mt19937;
use Random\Randomizer;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Bibliography\SourceField;
use WaryHeron\Core\Matching\Blocking;
use WaryHeron\Core\Matching\Clusters;
use WaryHeron\Core\Matching\Fingerprint;
use WaryHeron\Core\Matching\Fingerprints;

it('joins as plain labels would, and never two that contradict each other', function (int $seed) {
    $random = new Randomizer(new Mt19937($seed));
    $contradict = fn (int $a, int $b): bool => ($a * $b) % 7 === 3;
    $clusters = new Clusters($contradict);
    $labels = range(0, 29); // the plain way: a label for each, all of one changed to the other's
    for ($step = 0; $step < 60; $step++) {
        [$a, $b] = [$random->getInt(0, 29), $random->getInt(0, 29)];
        $left = array_keys($labels, $labels[$a], true);
        $right = array_keys($labels, $labels[$b], true);
        $isForced = $random->getInt(0, 9) === 0;
        $may = $labels[$a] === $labels[$b] || $isForced;
        if (! $may) {
            $against = array_filter($left, fn (int $i): bool => array_filter($right, fn (int $j): bool => $contradict($i, $j)) !== []);
            $may = $against === [];
        }
        expect($clusters->join($a, $b, $isForced))->toBe($may);
        foreach ($may ? $right : [] as $one) {
            $labels[$one] = $labels[$a];
        }
    }
    $groups = array_values(array_filter(
        array_map(fn (int $label): array => array_keys($labels, $label, true), array_values(array_unique($labels))),
        fn (array $group): bool => count($group) > 1,
    ));
    usort($groups, fn (array $a, array $b): int => $a[0] <=> $b[0]);
    expect($clusters->groups())->toBe($groups);
    foreach (range(0, 29) as $a) {
        $mine = $clusters->groupOf($a);
        sort($mine);
        expect($mine)->toBe(array_keys($labels, $labels[$a], true));
        foreach (range(0, 29) as $b) {
            $isIn = $labels[$a] === $labels[$b] && count($mine) > 1;
            expect($clusters->together($a, $b))->toBe($isIn);
        }
    }
})->with(range(1, 12));

it('asks of each of two groups whether it contradicts, and leaves both as they were', function () {
    $asked = [];
    $clusters = new Clusters(function (int $a, int $b) use (&$asked): bool {
        $asked[] = [$a, $b];

        return [$a, $b] === [2, 4];
    });
    expect($clusters->join(1, 2))->toBeTrue()->and($clusters->join(3, 4))->toBeTrue();
    $asked = [];
    expect($clusters->join(1, 3))->toBeFalse()
        ->and($asked)->toBe([[1, 3], [1, 4], [2, 3], [2, 4]])
        ->and($clusters->groups())->toBe([[1, 2], [3, 4]]);
    $asked = [];
    expect($clusters->join(2, 1))->toBeTrue()->and($clusters->join(5, 5))->toBeTrue()->and($asked)->toBe([])
        ->and($clusters->groupOf(5))->toBe([5])
        ->and($clusters->join(1, 3, true))->toBeTrue()
        ->and($clusters->groups())->toBe([[1, 2, 3, 4]]);
});

/**
 * @param  array<string, mixed>  $one
 * @param  array<string, mixed>  $other
 * @return list<array{int, int}> pairs of two records that are alike in nothing but what is told
 */
function blocked(array $one, array $other): array
{
    $made = new Fingerprints();
    $of = fn (array $values, string $key): Fingerprint => $made->of(
        (new Reference(PublicationType::Article, 'Xyz'.$key, [], null))->with($values),
        $key,
    );

    return iterator_to_array(Blocking::pairs([$of($one, 'a'), $of($other, 'b')]), false);
}

it('compares two records that share any one key', function (array $one, array $other, bool $isCompared) {
    expect(blocked($one, $other))->toBe($isCompared ? [[0, 1]] : []);
})->with([
    'nothing' => [[], [], false],
    'a DOI' => [['doi' => '10.71111/a'], ['doi' => '10.71111/A'], true],
    'the first 24 letters of a title' => [['title' => 'Lamps of the quiet wards there'], ['title' => 'Lamps of the quiet wards thera'], true],
    'the first 23 of them' => [['title' => 'Lamps of the quiet wards there'], ['title' => 'Lamps of the quiet wards theso'], false],
    'another title' => [
        ['title' => 'Lampen auf der Station', 'extra' => [new SourceField('TT', 'Lamps of the ward')]],
        ['title' => 'Lamps of the ward'],
        true,
    ],
    'the end of a long title, and the year' => [
        ['title' => 'Bright lamps of the quiet wards by night', 'year' => 2016],
        ['title' => 'Dim lamps of the quiet wards by night', 'year' => 2016],
        true,
    ],
    'the end of it in another year' => [
        ['title' => 'Bright lamps of the quiet wards by night', 'year' => 2016],
        ['title' => 'Dim lamps of the quiet wards by night', 'year' => 2017],
        false,
    ],
    'the end of a short title' => [['title' => 'Bright lamps of the wards', 'year' => 2016], ['title' => 'Dim lamps of the wards', 'year' => 2016], false],
    'the middle of a title' => [
        ['title' => 'Bright lamps quiet wards night nurses sleep longer', 'year' => 2016],
        ['title' => 'Bleak bulbs quiet wards night nurses sleep less', 'year' => 2016],
        true,
    ],
    'the middle of it in another year' => [
        ['title' => 'Bright lamps quiet wards night nurses sleep longer', 'year' => 2016],
        ['title' => 'Bleak bulbs quiet wards night nurses sleep less', 'year' => 2015],
        false,
    ],
    'journal, volume and page' => [
        ['journal' => 'Ward Studies', 'volume' => '4', 'firstPage' => '17'],
        ['journal' => 'Ward Studies', 'volume' => '4', 'firstPage' => '17'],
        true,
    ],
    'journal and volume' => [['journal' => 'Ward Studies', 'volume' => '4'], ['journal' => 'Ward Studies', 'volume' => '4'], false],
    'journal and page' => [['journal' => 'Ward Studies', 'firstPage' => '17'], ['journal' => 'Ward Studies', 'firstPage' => '17'], false],
    'year and page' => [['year' => 2016, 'firstPage' => '17'], ['year' => 2016, 'firstPage' => '17'], true],
    'the page alone' => [['firstPage' => '17'], ['firstPage' => '17'], false],
    'author and page' => [
        ['authors' => [new Name('Okafor', 'I')], 'firstPage' => '17'],
        ['authors' => [new Name('Okafor', 'P')], 'firstPage' => '17'],
        true,
    ],
    'the second author and page' => [
        ['authors' => [new Name('Haas', 'I'), new Name('Okafor', 'I')], 'firstPage' => '17'],
        ['authors' => [new Name('Okafor', 'P')], 'firstPage' => '17'],
        false,
    ],
    'author, year and the longest word' => [
        ['authors' => [new Name('Okafor', 'I')], 'year' => 2016, 'title' => 'Wakefulness by lamps'],
        ['authors' => [new Name('Okafor', 'I')], 'year' => 2016, 'title' => 'On wakefulness'],
        true,
    ],
    'author, year and another longest word' => [
        ['authors' => [new Name('Okafor', 'I')], 'year' => 2016, 'title' => 'Wakefulness by lamps'],
        ['authors' => [new Name('Okafor', 'I')], 'year' => 2016, 'title' => 'On drowsiness'],
        false,
    ],
    'author, year and a short word' => [
        ['authors' => [new Name('Okafor', 'I')], 'year' => 2016, 'title' => 'Lamp on'],
        ['authors' => [new Name('Okafor', 'I')], 'year' => 2016, 'title' => 'The lamp'],
        false,
    ],
]);

it('parts large blocks by title, author and year, and compares neighbours in what stays large', function () {
    $made = new Fingerprints();
    $records = fn (int $count, callable $of): array => array_map(fn (int $i): Fingerprint => $made->of(
        (new Reference(PublicationType::Article, 'Editorial', [], null))->with($of($i)),
        sprintf('%03d', $i),
    ), range(0, $count - 1));
    $pairs = fn (array $prints): array => iterator_to_array(Blocking::pairs($prints), false);

    expect($pairs($records(10, fn (): array => [])))->toHaveCount(45)
        // of eleven with one title each is compared with the twelve that come after it, which is all of them
        ->and($pairs($records(11, fn (): array => [])))->toHaveCount(55)
        ->and($pairs($records(20, fn (): array => [])))->toHaveCount(12 * 8 + 66)
        // parted by volume, then by author and year
        ->and($pairs($records(20, fn (int $i): array => ['volume' => (string) ($i % 10 + 1), 'year' => 2000 + $i])))->toHaveCount(10)
        ->and($pairs($records(20, fn (int $i): array => ['volume' => (string) ($i + 1), 'year' => 2000 + $i % 10])))->toHaveCount(10)
        ->and($pairs($records(20, fn (int $i): array => ['volume' => (string) ($i + 1), 'authors' => [new Name('Okafor'.chr(97 + $i % 10), 'I')]])))->toHaveCount(10);
});
