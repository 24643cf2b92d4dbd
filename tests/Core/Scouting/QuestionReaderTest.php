<?php

declare(strict_types=1);

use WaryHeron\Core\Scouting\Asked\AskedConcept;
use WaryHeron\Core\Scouting\Asked\ConceptRole;
use WaryHeron\Core\Scouting\Asked\QuestionReader;
use WaryHeron\Core\Scouting\Kin\Families;
use WaryHeron\Core\Scouting\Kin\Family;
use WaryHeron\Core\Text\Stem;

it('takes a question apart', function (string $question, string $kind, array $parts) {
    $read = (new QuestionReader(new Families()))->read($question);

    expect($read->kind->value)->toBe($kind)
        ->and(array_map(fn (AskedConcept $one): string => "{$one->role->value}: {$one->text}", $read->concepts))->toBe($parts);
})->with([
    ['Does self-rostering reduce turnover among nurses?', 'effect', ['exposure: self-rostering', 'outcome: turnover', 'population: nurses']],
    ['What does caffeine do to the sleep of nurses after a night shift?', 'effect', ['exposure: caffeine', 'outcome: sleep', 'population: nurses', 'setting: night shift']],
    ['Do physicians who work on call make more errors?', 'effect', ['population: physicians', 'exposure: on call', 'outcome: errors']],
    ['Is overtime associated with needlestick injuries among nurses?', 'effect', ['exposure: overtime', 'outcome: needlestick injuries', 'population: nurses']],
    ['Are twelve-hour shifts worse than eight-hour shifts for medication errors?', 'comparison', ['exposure: twelve-hour shifts', 'comparator: eight-hour shifts', 'outcome: medication errors']],
    ['Which is better for preventing pressure ulcers: foam mattresses or air mattresses?', 'comparison', ['outcome: preventing pressure ulcers', 'exposure: foam mattresses', 'comparator: air mattresses']],
    ['How often do junior doctors make prescribing errors on night shifts?', 'prevalence', ['population: junior doctors', 'outcome: prescribing errors', 'setting: night shifts']],
    ['What share of nurses have been assaulted by patients?', 'prevalence', ['population: nurses', 'outcome: assaulted', 'setting: patients']],
    ['Which questionnaires measure fatigue in shift workers?', 'instrument', ['outcome: fatigue', 'population: shift workers']],
    ['How do night nurses experience rest breaks?', 'meaning', ['population: night nurses', 'outcome: experience rest breaks']],
    ['Do forward-rotating rosters let shift workers sleep longer?', 'effect', ['exposure: forward-rotating rosters', 'population: shift workers', 'outcome: sleep']],
    ['Are lapses of attention fewer with pulses of bright light?', 'effect', ['outcome: lapses of attention', 'exposure: pulses bright light']],
    ['Do patients with depression sleep better with light therapy?', 'effect', ['population: patients', 'setting: depression', 'outcome: sleep', 'exposure: light therapy']],
    ['Does playing music calm patients before surgery?', 'effect', ['exposure: playing music', 'outcome: calm', 'population: patients', 'setting: surgery']],
    ['Do light boxes in the staff room improve alertness?', 'effect', ['exposure: light boxes', 'setting: staff room', 'outcome: alertness']],
    ['Does double checking by two nurses prevent errors?', 'effect', ['exposure: double checking', 'setting: two nurses', 'outcome: errors']],
    ['Is bedside handover safer than handover in an office?', 'comparison', ['exposure: bedside handover', 'outcome: safety', 'comparator: handover', 'setting: office']],
    ['Is there a link between hospital noise and delirium?', 'effect', ['exposure: hospital noise', 'outcome: delirium']],
    ['What happens to sleep when night nurses take melatonin?', 'effect', ['outcome: sleep', 'population: night nurses', 'exposure: melatonin']],
    ['Does light before night duty shift the body clock?', 'effect', ['exposure: light', 'setting: night duty', 'outcome: body clock']],
    ['What predicts turnover among student nurses?', 'prognosis', ['outcome: turnover', 'population: student nurses']],
    ['???', 'effect', []],
]);

it('says what a question leaves open', function () {
    $read = fn (string $question): array => array_map(
        fn (ConceptRole $role): string => $role->value,
        (new QuestionReader(new Families()))->read($question)->missing(),
    );

    expect($read('Does bright light help?'))->toBe(['exposure', 'population'])
        ->and($read('Does bright light reduce errors among nurses?'))->toBe([]);
});

it('knows the other names of a heading of a thesaurus that is loaded', function () {
    $families = new Families([Family::ofHeading(['Naps on duty', 'duty naps', 'sanctioned rest'])]);

    expect($families->of(Stem::all('sanctioned rest'))->same)->toContain(Stem::all('duty naps'))
        ->and((new Families())->of(Stem::all('sanctioned rest')))->toBeNull();
});

it('brings the forms of a word to one stem and keeps different words apart', function (string $one, string $other, bool $alike) {
    expect(Stem::of($one) === Stem::of($other))->toBe($alike);
})->with([
    ['napped', 'naps', true],
    ['napping', 'nap', true],
    ['nurses', 'nurse', true],
    ['studies', 'study', true],
    ['reduced', 'reducing', true],
    ['fell', 'falls', true],
    ['midwives', 'midwife', true],
    ['sleepiness', 'sleep', false],
    ['nursing', 'nurse', true],
    ['illness', 'ill', false],
    ['status', 'state', false],
]);
