<?php

use WaryHeron\Core\Matching\Comparison;
use WaryHeron\Core\Matching\Judge;
use WaryHeron\Core\Matching\MatchField;
use WaryHeron\Core\Matching\MatchSettings;
use WaryHeron\Core\Matching\MatchVerdict;
use WaryHeron\Core\Matching\Weights;

/** @param  array<string, float>  $emphasis */
function judge(array $emphasis = [], float $certain = 10.0, float $ask = 5.0): Judge
{
    return new Judge(Weights::starting(), new MatchSettings($certain, $ask, $emphasis));
}

it('weighs each field by how much likelier its level is among records of one publication', function () {
    // title the same, first author the same, years apart; nothing else can be compared
    $comparison = Comparison::ofLevels([1, 2, 3]);
    $parts = judge()->parts($comparison);
    expect(array_keys($parts))->toBe(['title', 'authors', 'year'])
        ->and($parts['title'])->toEqualWithDelta(log(0.78 / 0.006, 2), 1e-12)
        ->and($parts['authors'])->toEqualWithDelta(log(0.06 / 0.006, 2), 1e-12)
        ->and($parts['year'])->toEqualWithDelta(log(0.005 / 0.5, 2), 1e-12)
        ->and(judge()->score($comparison))->toEqualWithDelta(array_sum($parts) - 2.0, 1e-12)
        ->and(judge()->parts(Comparison::ofLevels([])))->toBe([])
        ->and(judge()->score(Comparison::ofLevels([])))->toBe(-2.0);
});

it('lets people weigh a field more, less or not at all', function (float $times) {
    $comparison = Comparison::ofLevels([1, 2, 3]);
    $plain = judge()->parts($comparison);
    $parts = judge(['authors' => $times])->parts($comparison);
    expect($parts['authors'])->toEqualWithDelta($times * $plain['authors'], 1e-12)
        ->and(array_diff_key($parts, ['authors' => 1]))->toBe(array_diff_key($plain, ['authors' => 1]));
})->with([0.0, 0.5, 2.0, 3.0]);

it('lets a title that many bear weigh no more than it is rare', function () {
    $same = Comparison::ofLevels([1, 1]);
    $plain = judge()->parts($same);
    expect(judge()->parts($same, 3.0)['title'])->toBe(3.0)
        ->and(judge(['title' => 2.0])->parts($same, 3.0)['title'])->toBe(6.0)
        ->and(judge()->parts($same, 3.0)['authors'])->toBe($plain['authors'])
        // a rare one weighs what its level says, and one that differs weighs against as before
        ->and(judge()->parts($same, 40.0))->toBe($plain)
        ->and(judge()->parts(Comparison::ofLevels([7]), 3.0))->toBe(judge()->parts(Comparison::ofLevels([7])))
        ->and(judge()->score($same, 3.0))->toEqualWithDelta(judge()->score($same) - $plain['title'] + 3.0, 1e-12)
        // where titles cannot be compared, none is made up
        ->and(judge()->parts(Comparison::ofLevels([0, 1]), 3.0))->toBe(judge()->parts(Comparison::ofLevels([0, 1])));
});

it('tells bits as a chance', function (float $bits, float $chance) {
    expect(Judge::chance($bits))->toEqualWithDelta($chance, 1e-12);
})->with([[0.0, 0.5], [1.0, 2 / 3], [-1.0, 1 / 3], [3.0, 8 / 9], [-3.0, 1 / 9]]);

it('joins, asks and lets be by two thresholds, which count as reached', function (
    MatchVerdict $nature,
    float $score,
    MatchVerdict $verdict,
) {
    expect(judge()->settled($nature, $score))->toBe($verdict);
})->with([
    [MatchVerdict::Certain, 10.0, MatchVerdict::Certain],
    [MatchVerdict::Certain, 9.99, MatchVerdict::Likely],
    [MatchVerdict::Certain, 5.0, MatchVerdict::Likely],
    [MatchVerdict::Certain, 4.99, MatchVerdict::Apart],
    [MatchVerdict::Likely, 30.0, MatchVerdict::Likely],
    [MatchVerdict::Doubtful, 5.0, MatchVerdict::Doubtful],
    [MatchVerdict::Doubtful, 4.99, MatchVerdict::Apart],
    [MatchVerdict::Apart, 30.0, MatchVerdict::Apart],
]);

it('has a weight for each level of each field, none for what cannot be compared', function () {
    $weights = Weights::starting();
    $table = $weights->table();
    expect($table)->toHaveCount(count(MatchField::cases()))->and($weights->prior)->toBe(-2.0);
    foreach (MatchField::cases() as $place => $field) {
        expect(array_keys($table[$place]))->toBe([0, ...array_keys($field->levels())])->and($table[$place][0])->toBe(0.0)
            ->and($weights->of($field, 0))->toBe(0.0)
            // the best speaks for, the worst against
            ->and($table[$place][1])->toBeGreaterThan(0.0)
            ->and($table[$place][array_key_last($table[$place])])->toBeLessThan(0.0);
        foreach ($field->levels() as $level => [, $m, $u]) {
            expect($table[$place][$level])->toEqualWithDelta(log($m / $u, 2), 1e-12);
        }
    }
});

it('refuses settings that contradict themselves', function (float $certain, float $ask, array $emphasis, string $why) {
    expect(fn () => new MatchSettings($certain, $ask, $emphasis))->toThrow(InvalidArgumentException::class, $why);
})->with([
    [4.9, 5.0, [], 'What is joined without asking must be more certain than what people are asked about.'],
    [10.0, 5.0, ['colour' => 1.0], '“colour” cannot count 1 times.'],
    [10.0, 5.0, ['title' => 3.1], '“title” cannot count 3.1 times.'],
    [10.0, 5.0, ['title' => -0.1], '“title” cannot count -0.1 times.'],
]);

it('takes settings at their bounds', function () {
    $settings = new MatchSettings(5.0, 5.0, ['title' => 3.0, 'year' => 0.0]);
    expect($settings->emphasis(MatchField::Title))->toBe(3.0)
        ->and($settings->emphasis(MatchField::Year))->toBe(0.0)
        ->and($settings->emphasis(MatchField::Doi))->toBe(1.0)
        ->and($settings->toArray())->toBe(['certain' => 5.0, 'ask' => 5.0, 'emphasis' => ['title' => 3.0, 'year' => 0.0]]);
    foreach (array_keys(MatchSettings::PRESETS) as $name) {
        expect(MatchSettings::preset($name)->certain)->toBeGreaterThan(MatchSettings::preset($name)->ask);
    }
});
