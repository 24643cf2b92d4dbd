<?php

use WaryHeron\Core\Matching\Comparison;
use WaryHeron\Core\Matching\Conflict;
use WaryHeron\Core\Matching\Evidence;
use WaryHeron\Core\Matching\Judge;
use WaryHeron\Core\Matching\MatchField;
use WaryHeron\Core\Matching\MatchRule;
use WaryHeron\Core\Matching\MatchSettings;
use WaryHeron\Core\Matching\Weights;

/** @return array{Comparison, bool} the comparison that a line of rules.txt tells, and whether its title is recurrent */
function evidenceOf(string $line): array
{
    [$agreements, $others, $recurrent] = [...array_map(trim(...), explode('|', $line)), '', ''];
    if ($others === 'recurrent') {
        [$others, $recurrent] = ['', $others];
    }
    $levels = array_fill(0, 9, 0);
    $conflicts = 0;
    foreach (explode(', ', $agreements) as $told) {
        [$field, $agreement] = explode(' ', $told);
        $field = MatchField::from($field);
        $enum = 'WaryHeron\Core\Matching\Field\\'.rtrim(ucfirst($field->value), 's').'Agreement';
        $enum = enum_exists($enum) ? $enum : 'WaryHeron\Core\Matching\Field\\'.ucfirst($field->value).'Agreement';
        $levels[$field->place()] = constant("{$enum}::{$agreement}")->value;
        $conflicts |= match ("{$field->value} {$agreement}") {
            'doi Different' => Conflict::Doi->value,
            'pages Different' => Conflict::Pages->value,
            'volume NearlySame', 'volume Different' => Conflict::Volume->value,
            'year YearsApart' => Conflict::Year->value,
            'title WordsDiffer' => Conflict::Words->value,
            default => 0,
        };
    }
    foreach ($others === '' ? [] : explode(' ', $others) as $name) {
        $conflicts |= constant(Conflict::class."::{$name}")->value;
    }

    return [Comparison::ofLevels($levels, $conflicts), $recurrent === 'recurrent'];
}

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
    [$comparison, $recurrent] = evidenceOf($line);
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
