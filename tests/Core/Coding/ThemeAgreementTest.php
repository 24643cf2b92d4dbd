<?php

declare(strict_types=1);

use WaryHeron\Core\Coding\Evidence;
use WaryHeron\Core\Coding\MarkedPassage;
use WaryHeron\Core\Coding\ThemeAgreement;
use WaryHeron\Core\FullText\Selector\Selector;

function marked(string $study, string $person, string $theme, int $first = 0, int $last = 5, ?string $copy = 'c'): MarkedPassage
{
    return new MarkedPassage($study, $person, $theme, new Evidence(new Selector("words {$first} to {$last}", '', '', 1, $first, $last, []), $copy));
}

it('tells in how many studies both found a theme, one alone or neither, of those that both have read', function () {
    $marks = [
        marked('s1', 'anna', 'glare'), marked('s1', 'ben', 'glare', 4, 9),
        marked('s2', 'anna', 'glare'), marked('s2', 'ben', 'noise'),
        marked('s3', 'anna', 'noise'), marked('s3', 'ben', 'soft glare'),
        marked('s4', 'anna', 'noise'), marked('s4', 'ben', 'noise'),
        // nobody but Anna has read it
        marked('s5', 'anna', 'glare'),
    ];
    $glare = ThemeAgreement::of($marks, 'anna', 'ben', ['glare', 'soft glare']);

    expect([$glare->both, $glare->onlyFirst, $glare->onlySecond, $glare->neither])->toBe([1, 1, 1, 1])
        ->and([$glare->sharing, $glare->passages])->toBe([2, 4])
        // of 4 studies 2 alike: observed disagreement 1/2, expected 4 · 4 · 2 / (8 · 7) = 4/7
        ->and($glare->alpha)->toEqualWithDelta(1 - (1 / 2) / (4 / 7), 1e-12);
    $turned = ThemeAgreement::of($marks, 'ben', 'anna', ['glare', 'soft glare']);
    expect([$turned->onlyFirst, $turned->onlySecond, $turned->alpha])->toBe([$glare->onlySecond, $glare->onlyFirst, $glare->alpha]);
});

it('knows where passages share words', function (MarkedPassage $other, bool $shares) {
    $one = marked('s1', 'anna', 'glare', 10, 20);

    expect($one->overlaps($other))->toBe($shares)->and($other->overlaps($one))->toBe($shares);
})->with([
    'the same' => [marked('s1', 'ben', 'glare', 10, 20), true],
    'a word of it' => [marked('s1', 'ben', 'glare', 20, 30), true],
    'after it' => [marked('s1', 'ben', 'glare', 21, 30), false],
    'of another copy' => [marked('s1', 'ben', 'glare', 10, 20, 'd'), false],
    'of another study' => [marked('s2', 'ben', 'glare', 10, 20), false],
]);

it('has no alpha where there is nothing to tell apart', function () {
    $none = ThemeAgreement::of([], 'anna', 'ben', ['glare']);

    expect([$none->both, $none->neither, $none->alpha])->toBe([0, 0, null]);
});
