<?php

namespace Tests\Core\Matching;

use Random\Engine\Mt19937;
use Random\Randomizer;
use WaryHeron\Core\Matching\ComparedPairs;
use WaryHeron\Core\Matching\Comparison;
use WaryHeron\Core\Matching\Conflict;
use WaryHeron\Core\Matching\Estimation;
use WaryHeron\Core\Matching\Fingerprint;
use WaryHeron\Core\Matching\MatchField;
use WaryHeron\Core\Matching\Weights;

/**
 * Expectation and maximisation by the plain way, pair by pair, as Winkler writes it; 1,500 pairs stand for what is
 * known before, of which a fifth are matches.
 *
 * @param  array<int, int>  $patterns
 * @return array{array<string, array<int, array{float, float}>>, float} chances by field and level, and the share of matches
 */
function learnedPlainly(array $patterns, int $rounds): array
{
    $start = $chances = Weights::starting()->chances;
    $share = 0.2;
    for ($round = 0; $round < $rounds; $round++) {
        $expected = [];
        foreach ($patterns as $pattern => $count) {
            $levels = array_filter(array_combine(array_keys($chances), (new Comparison($pattern))->levels()));
            $m = $u = 1.0;
            foreach ($levels as $field => $level) {
                $m *= $chances[$field][$level][0];
                $u *= $chances[$field][$level][1];
            }
            $expected[] = [$levels, $count * $share * $m / ($share * $m + (1 - $share) * $u), $count];
        }
        foreach ($start as $field => $of) {
            foreach ($of as $level => [$m, $u]) {
                $matches = $others = $ofMatches = $ofOthers = 0.0;
                foreach ($expected as [$levels, $same, $count]) {
                    $isCompared = isset($levels[$field]);
                    $isAt = $isCompared && $levels[$field] === $level;
                    $matches += $isCompared ? $same : 0;
                    $others += $isCompared ? $count - $same : 0;
                    $ofMatches += $isAt ? $same : 0;
                    $ofOthers += $isAt ? $count - $same : 0;
                }
                $sum = fn (int $of): float => 1500 * array_sum(array_column($start[$field], $of));
                $chances[$field][$level] = [
                    max(0.000001, (1500 * $m + $ofMatches) / ($sum(0) + $matches)),
                    max(0.000001, (1500 * $u + $ofOthers) / ($sum(1) + $others)),
                ];
            }
        }
        $share = (array_sum(array_column($expected, 1)) + 300) / (array_sum($patterns) + 1500);
    }

    return [$chances, $share];
}

/** @return array<int, int> how often each of some patterns came */
function patternsOf(int $seed, int $factor): array
{
    $random = new Randomizer(new Mt19937($seed));
    $patterns = [];
    for ($i = 0; $i < 60; $i++) {
        $isSame = $i % 3 === 0;
        $levels = array_map(function (MatchField $field) use ($random, $isSame): int {
            $worst = count($field->levels());
            $level = $isSame ? $random->getInt(1, min(2, $worst)) : $random->getInt(max(1, $worst - 1), $worst);

            return $random->getInt(0, 3) === 0 ? 0 : $level;
        }, MatchField::cases());
        $pattern = Comparison::ofLevels($levels)->pattern();
        $patterns[$pattern] = ($patterns[$pattern] ?? 0) + $factor * $random->getInt(1, 40);
    }

    return $patterns;
}

it('learns as the plain way does, round by round until it rests', function (int $seed, int $factor) {
    $patterns = patternsOf($seed, $factor);
    [$chances, $share] = learnedPlainly($patterns, 25);
    $learned = Estimation::weights($patterns, Weights::starting());
    foreach ($chances as $field => $of) {
        foreach ($of as $level => $expected) {
            expect($learned->chances[$field][$level])->toEqualWithDelta($expected, 2e-6, "{$field} {$level}");
        }
    }
    expect($learned->prior)->toEqualWithDelta(log($share / (1 - $share), 2), 1e-4);
})->with([
    'few pairs' => [1, 1],
    'some' => [2, 30],
    'many' => [3, 1000],
    'so many that what never came would have no chance at all' => [4, 1_000_000],
    'others' => [5, 300],
]);

it('ends after its rounds, from the share it began with, where pairs say so little that it does not rest', function (string $field) {
    $at = fn (int $level): int => compared([$field => $level])->pattern();
    $patterns = [$at(1) => 400_000, $at(2) => 600_000];
    [$chances, $share] = learnedPlainly($patterns, 25);
    $learned = Estimation::weights($patterns, Weights::starting());
    expect($learned->chances[$field])
        ->toEqualWithDelta($chances[$field], 1e-9)
        ->and($learned->prior)
        ->toEqualWithDelta(log($share / (1 - $share), 2), 1e-9);
    [$before, $after] = [learnedPlainly($patterns, 24), learnedPlainly($patterns, 26)];
    expect(abs($before[1] - $share))->toBeGreaterThan(1e-6)->and(abs($after[1] - $share))->toBeGreaterThan(1e-6);
})->with(['year', 'doi', 'title']);

it('stays at what it knew where there is nothing to learn from', function () {
    $learned = Estimation::weights([], Weights::starting());
    foreach (Weights::starting()->chances as $field => $of) {
        expect($learned->chances[$field])->toEqualWithDelta($of, 1e-3);
    }
    expect($learned->prior)->toEqualWithDelta(log(0.2 / 0.8, 2), 1e-12);
});

it('learns the same in whatever order the patterns were counted', function () {
    $patterns = patternsOf(7, 30);
    $turned = array_reverse($patterns, true);
    expect(Estimation::weights($turned, Weights::starting()))->toEqual(Estimation::weights($patterns, Weights::starting()));
});

/** How a pair that is like any other agrees; what is told differs from that. */
function compared(array $levels, Conflict ...$against): Comparison
{
    $all = array_map(fn (MatchField $field): int => $levels[$field->value] ?? 0, MatchField::cases());

    return Comparison::ofLevels($all, array_sum(array_map(fn (Conflict $one): int => $one->value, $against)));
}

/** @return list<Fingerprint> */
function printsOf(array ...$records): array
{
    return array_map(fn (array $record): Fingerprint => Prints::of($record), array_values($records));
}

const LONG_TITLE = 'Lamps keep nurses awake at night';

it('keeps the pairs of which more may become, and counts all of them', function (array $levels, bool $isKept) {
    $pairs = new ComparedPairs(printsOf(['title' => LONG_TITLE], ['title' => 'Other words keep surgeons asleep by day']));
    $comparison = compared($levels, Conflict::Mark);
    $pairs->add(0, 1, $comparison);
    $pairs->close();
    expect(iterator_to_array($pairs->pairs(), false))->toEqual($isKept ? [[0, 1, $comparison]] : [])
        ->and($pairs->patterns())->toBe([$comparison->pattern() => 1])
        ->and($pairs->rarity(0, 1))->toBeNull();
})->with([
    'a like title' => [['title' => 1], true],
    'one respelt' => [['title' => 2], true],
    'one without its subtitle' => [['title' => 3], true],
    'a translation' => [['title' => 4], true],
    'words added' => [['title' => 5], true],
    'words that differ' => [['title' => 6], true],
    'another title' => [['title' => 7], false],
    'no title' => [[], false],
    'another title on the same page' => [['title' => 7, 'pages' => 1], true],
    'on nearly the same page' => [['title' => 7, 'pages' => 2], false],
    'no title with the same DOI' => [['doi' => 1], true],
    'with nearly the same' => [['doi' => 2], false],
    'another title with the same DOI, by the same people' => [['title' => 7, 'doi' => 1, 'authors' => 2], true],
]);

it('knows a title that stands at two places', function (array $levels, array $against, bool $isRecurrent) {
    $records = [['title' => LONG_TITLE], ['title' => 'Lamps keep nurses awake at nite'], ['title' => 'Something else that is long enough'], ['title' => 'A fourth that is long enough as well']];
    $pairs = new ComparedPairs(printsOf(...$records));
    $comparison = compared($levels, ...$against);
    $pairs->add(0, 1, $comparison);
    $pairs->add(0, 2, compared(['title' => 1]));
    $pairs->close();
    expect($pairs->rarity(0, 1))->toBe($isRecurrent ? 2.0 : null)
        ->and($pairs->rarity(0, 2))->toBe($isRecurrent ? 2.0 : null)
        ->and($pairs->rarity(2, 3))->toBeNull()
        // such a title is not to teach that titles tell little
        ->and($pairs->patterns())->toEqual($isRecurrent
            ? array_count_values([$comparison->without(MatchField::Title)->pattern(), 0])
            : array_count_values([$comparison->pattern(), compared(['title' => 1])->pattern()]));
})->with([
    'nothing against it' => [['title' => 1], [], false],
    'pages alone' => [['title' => 1], [Conflict::Pages], false],
    'another journal alone' => [['title' => 1, 'journal' => 3], [], false],
    'pages and volume' => [['title' => 1], [Conflict::Pages, Conflict::Volume], true],
    'DOI and pages, respelt' => [['title' => 2], [Conflict::Doi, Conflict::Pages], true],
    'DOI and volume' => [['title' => 1], [Conflict::Doi, Conflict::Volume], true],
    'pages and marks, which are no place' => [['title' => 1], [Conflict::Pages, Conflict::Mark], false],
    'pages, in another journal' => [['title' => 1, 'journal' => 3], [Conflict::Pages], true],
    'pages, years apart' => [['title' => 1, 'year' => 3], [Conflict::Pages], true],
    'pages, one year apart' => [['title' => 1, 'year' => 2], [Conflict::Pages], false],
    'pages, in another issue' => [['title' => 1, 'issue' => 2], [Conflict::Pages], true],
    'another journal, years apart' => [['title' => 1, 'journal' => 3, 'year' => 3], [], false],
    'the same DOI all the same' => [['title' => 1, 'doi' => 1], [Conflict::Pages, Conflict::Volume], false],
    'without its subtitle' => [['title' => 3], [Conflict::Pages, Conflict::Volume], false],
]);

it('takes a short title for a heading, and weighs it by how many bear it', function () {
    $records = [
        ['title' => 'Letter to the editor'],
        ['title' => 'Letter to the editor'],
        ['title' => 'Five words are a title'],
        ['title' => 'Editorial'],
        ['title' => 'Another five words of title'],
        ['title' => ''], ['title' => 'Lamps by night and day'], ['title' => 'Lamps by night and noon'],
    ];
    $pairs = new ComparedPairs(printsOf(...$records));
    $pairs->add(0, 1, compared(['title' => 1]));
    $pairs->close();
    expect($pairs->rarity(0, 1))->toBe(2.0) // two of eight
        ->and($pairs->rarity(3, 4))->toBe(3.0)
        ->and($pairs->rarity(4, 3))->toBe(3.0)
        ->and($pairs->rarity(0, 3))->toBe(2.0)
        ->and($pairs->rarity(3, 0))->toBe(2.0)
        ->and($pairs->rarity(2, 4))->toBeNull()
        ->and($pairs->patterns())->toBe([0 => 1]);
});

it('does not believe the DOI of a whole supplement', function (array $levels, array $against, bool $isShared) {
    $records = [
        ['title' => LONG_TITLE, 'doi' => '10.71111/supplement'],
        ['title' => 'Another of the same supplement or book', 'doi' => '10.71111/supplement'],
        ['title' => LONG_TITLE, 'doi' => '10.71111/supplement'],
        ['title' => 'Elsewhere with a DOI of its own', 'doi' => '10.71111/own'],
        ['title' => 'Elsewhere with a DOI of its own', 'doi' => '10.71111/own'],
    ];
    $pairs = new ComparedPairs(printsOf(...$records));
    $pairs->add(0, 1, compared($levels, ...$against));
    $same = compared(['title' => 1, 'doi' => 1]);
    $pairs->add(0, 2, $same);
    $pairs->add(3, 4, $same);
    $pairs->close();
    $kept = [];
    foreach ($pairs->pairs() as [$a, $b, $comparison]) {
        $kept["{$a} {$b}"] = $comparison->level(MatchField::Doi);
    }
    unset($kept['0 1']);
    expect($kept)->toBe(['0 2' => $isShared ? 0 : 1, '3 4' => 1]);
})->with([
    'another title by others' => [['title' => 7, 'doi' => 1, 'authors' => 4], [], true],
    'by some of them' => [['title' => 7, 'doi' => 1, 'authors' => 3], [], true],
    'by the same first author' => [['title' => 7, 'doi' => 1, 'authors' => 2], [], false],
    'by the same people on other pages' => [['title' => 7, 'doi' => 1, 'authors' => 1], [Conflict::Pages], true],
    'by the same people in another volume' => [['title' => 7, 'doi' => 1, 'authors' => 1], [Conflict::Volume], false],
    'a title in other words' => [['title' => 6, 'doi' => 1, 'authors' => 4], [], false],
    'another DOI' => [['title' => 7, 'doi' => 2, 'authors' => 4], [], false],
]);
