<?php

namespace Tests\Core\Matching;

use WaryHeron\Core\Matching\Fingerprints;
use WaryHeron\Core\Matching\Judge;
use WaryHeron\Core\Matching\Matcher;
use WaryHeron\Core\Matching\MatchResult;
use WaryHeron\Core\Matching\MatchSettings;
use WaryHeron\Core\Matching\Pair;
use WaryHeron\Core\Matching\Weights;

const NO_PLACE = ['firstPage' => '', 'lastPage' => '', 'volume' => '', 'issue' => ''];

/**
 * @param  array<string, array<string, mixed>>  $records  what is told otherwise of one trial, by key
 * @param  list<array{string, string}>  $same
 * @param  list<array{string, string}>  $different
 */
function found(array $records, array $same = [], array $different = [], ?float $floor = null): MatchResult
{
    $made = new Fingerprints();
    $prints = [];
    foreach ($records as $key => $changes) {
        $prints[] = $made->of(Prints::article($changes), (string) $key);
    }

    return (new Matcher(floor: $floor))->match($prints, $same, $different);
}

/** @return list<string> "a b certain" */
function told(MatchResult $result, array $pairs): array
{
    $said = array_map(function (Pair $pair) use ($result): string {
        $keys = [$result->prints[$pair->a]->key, $result->prints[$pair->b]->key];

        return implode(' ', [...$keys, $pair->verdict->value]);
    }, $pairs);
    sort($said);

    return $said;
}

/** @param  list<list<string>>  $groups */
function written(array $groups): string
{
    return implode(' | ', array_map(fn (array $group): string => implode(' ', $group), $groups));
}

it('joins what is certain, asks of the rest, and joins the likely where nothing else is against it', function (
    array $records,
    string $groups,
    string $withLikely,
    array $asked,
    array $same = [],
    array $different = [],
) {
    foreach ([$records, array_reverse($records, true)] as $inOrder) {
        $result = found($inOrder, $same, $different);
        $inAsked = $result->recordsAsked();
        sort($inAsked);
        $inPairs = array_unique(array_merge(...array_map(fn (string $line): array => array_slice(explode(' ', $line), 0, 2), $asked)));
        sort($inPairs);
        expect(written($result->groups()))->toBe($groups)
            ->and(written($result->groupsWithLikely()))->toBe($withLikely)
            ->and(told($result, $result->asked))->toBe($asked)
            ->and($inAsked)->toBe($inPairs)
            ->and(written($result->groups()))->toBe($groups); // asking for the likely joins nothing for good
    }
})->with([
    'three of the same' => [['a' => [], 'b' => [], 'c' => []], 'a b c', 'a b c', []],
    'two DOIs at one place, which two alone may have' => [
        ['a' => [], 'b' => ['doi' => '10.71999/other']],
        '', 'a b', ['a b likely'],
    ],
    'a third without a DOI, which is the same as both' => [
        ['a' => [], 'b' => ['doi' => ''], 'c' => ['doi' => '10.71999/other']],
        'a b', 'a b c', ['a c likely', 'b c certain'],
    ],
    'one that is like one of two only, and of another DOI than the other' => [
        ['a' => [], 'b' => ['doi' => ''], 'c' => ['doi' => '10.71999/other'] + NO_PLACE],
        'a b', 'a b c', ['b c certain'],
    ],
    'one that would bring together two of different pages' => [
        ['a' => [], 'b' => NO_PLACE, 'c' => ['firstPage' => '526', 'lastPage' => '533', 'doi' => '']],
        'a b', 'a b', ['a c doubtful', 'b c certain'],
    ],
    'one that is likely the same as one of two, and doubtful as the other' => [
        ['a' => [], 'b' => ['firstPage' => '526', 'lastPage' => '533'], 'c' => ['firstPage' => '526', 'lastPage' => '533', 'doi' => '']],
        'b c', 'b c', ['a b likely', 'a c doubtful'],
    ],
    'one that is likely the same as one of two, and years apart from the other' => [
        ['a' => [], 'b' => ['year' => 2012], 'c' => ['year' => 2012, 'doi' => '']],
        'b c', 'b c', ['a b likely'],
    ],
    'two that people ruled to be one' => [
        ['a' => [], 'b' => ['title' => 'On lamps', 'authors' => [], 'doi' => ''] + NO_PLACE],
        'a b', 'a b', [], [['b', 'a'], ['a', 'gone'], ['gone', 'b']],
    ],
    'two against which everything is, ruled to be one' => [
        ['a' => [], 'b' => ['doi' => ''], 'c' => ['doi' => '10.71999/other']],
        'a b c', 'a b c', [], [['a', 'c']],
    ],
    'two that people ruled to be two' => [['a' => [], 'b' => []], '', '', [], [], [['b', 'a'], ['a', 'gone'], ['gone', 'b']]],
    'two that people ruled to be two, and a third that is the same as both' => [
        ['a' => [], 'b' => [], 'c' => []],
        'a b', 'a b', ['b c certain'], [], [['c', 'a']],
    ],
    'two with DOIs of their own that people ruled to be two, and a third that is the same as both' => [
        ['a' => [], 'b' => ['doi' => ''], 'c' => ['doi' => '10.71999/other']],
        'a b', 'a b', ['b c certain'], [], [['c', 'a']],
    ],
    'nothing alike' => [['a' => [], 'b' => ['title' => 'On lamps', 'authors' => [], 'doi' => ''] + NO_PLACE], '', '', []],
]);

it('tells of pairs below those that people are asked about, if it is asked to', function () {
    $records = ['a' => [], 'b' => ['doi' => '10.71999/other', 'journal' => 'Other Wards', 'year' => 2003] + NO_PLACE];
    $all = found($records, floor: -20.0);
    expect(found($records)->pairs)->toBe([])
        ->and(found($records, floor: 20.0)->pairs)->toBe([]) // never fewer than people are asked about
        ->and(told($all, $all->pairs))->toBe(['a b apart'])
        ->and($all->pairs[0]->score)->toBeLessThan(5.0)
        ->and($all->asked)->toBe([])
        ->and($all->groupsWithLikely())->toBe([]);
    $same = found(['a' => [], 'b' => []], floor: 60.0);
    expect(told($same, $same->pairs))->toBe(['a b certain']);
});

it('tells the best pair first, and of those alike the one that comes first', function () {
    $result = found(['d' => [], 'c' => ['doi' => ''], 'b' => [], 'a' => []]);
    $places = array_map(fn (Pair $pair): array => [$pair->a, $pair->b], $result->pairs);
    $scores = $sorted = array_column($result->pairs, 'score');
    rsort($sorted);
    expect($places)->toBe([[0, 1], [0, 3], [1, 3], [0, 2], [1, 2], [2, 3]])
        ->and($scores)->toBe($sorted);
});

it('weighs with the weights that it is given, and by what the records have in common otherwise', function () {
    $made = new Fingerprints();
    $prints = [$made->of(Prints::article(), 'a'), $made->of(Prints::article(['year' => 2018]), 'b'), $made->of(Prints::article(['doi' => '']), 'c')];
    $score = fn (Matcher $matcher): float => $matcher->match($prints)->pairs[0]->score;
    $heavy = new Weights(
        array_map(fn (array $levels): array => array_map(fn (array $chances): array => [$chances[0], $chances[1] / 2], $levels), Weights::starting()->chances),
        Weights::starting()->prior,
    );
    $found = (new Matcher(weights: $heavy))->match($prints)->pairs[0];
    expect($found->score)->toEqualWithDelta((new Judge($heavy, new MatchSettings()))->score($found->comparison, $found->rarity), 1e-12)
        ->and($found->score)->toBeGreaterThan($score(new Matcher(weights: Weights::starting())) + 1)
        ->and(abs($score(new Matcher()) - $score(new Matcher(weights: Weights::starting()))))->toBeGreaterThan(0.0);
});
