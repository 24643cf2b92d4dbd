<?php

namespace Tests\Core\Matching;

use Generator;
use WaryHeron\Core\Matching\Evidence;
use WaryHeron\Core\Matching\Judge;
use WaryHeron\Core\Matching\MatchSettings;
use WaryHeron\Core\Matching\Rule\MatchRule;
use WaryHeron\Core\Matching\Weights;

/** @return Generator<string, array{string, string, string}> rule, verdict and evidence */
function ruleCases(): Generator
{
    $rule = $verdict = '';
    foreach (file(__DIR__.'/rules.txt', FILE_IGNORE_NEW_LINES) as $line) {
        if (preg_match('/^\[(\w+): (\w+)\]$/', $line, $head) === 1) {
            [, $rule, $verdict] = $head;
        } elseif ($line !== '' && $line[0] !== '#') {
            yield "{$rule} {$verdict}: {$line}" => [$rule, $verdict, $line];
        }
    }
}

it('comes from evidence to its verdict by the rule that decides', function (string $rule, string $verdict, string $line) {
    [$comparison, $recurrent] = Told::evidence($line);
    $judge = new Judge(Weights::starting(), new MatchSettings());
    expect(MatchRule::deciding(new Evidence($comparison, $recurrent))->name)
        ->toBe($rule)
        ->and($judge->nature($comparison, $recurrent)->value)
        ->toBe($verdict);
})->with(ruleCases());

it('has cases for each rule, and a sentence of its own', function () {
    $tried = array_unique(array_column(iterator_to_array(ruleCases()), 0));
    $sentences = array_map(fn (MatchRule $rule): string => $rule->sentence(), MatchRule::cases());
    expect($tried)->toHaveCount(count(MatchRule::cases()))->and(array_unique($sentences))->toHaveCount(count($tried));
});
