<?php

namespace Tests\Core\Coding\ArmsTold;

use Tests\Core\Coding\SmallPaper;
use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\LeadEngine;
use WaryHeron\Core\Coding\Lead\Told\Contrast;

it('tells what was tested from what it was compared with', function (
    string $said,
    ?string $tested,
    ?string $compared,
    string $heading = 'Methods',
) {
    $intervention = new AskedItem('intervention', 'Intervention or exposure', ItemType::Text);
    $comparator = new AskedItem('comparator', 'Comparator', ItemType::Text);
    expect($tested === null || str_contains((string) SmallPaper::answer($intervention, $heading, $said), $tested))->toBeTrue()
        ->and($compared === null || str_contains((string) SmallPaper::answer($comparator, $heading, $said), $compared))->toBeTrue();
})->with([
    ['Participants were randomly assigned to a weighted blanket or a light blanket.', 'weighted blanket', 'light blanket'],
    ['We compared melatonin 3 mg with placebo in night nurses.', 'melatonin', 'placebo', 'Abstract'],
    ['Thirty wards were allocated to a coaching programme and thirty to written advice.', 'coaching programme', 'written advice'],
    ['Patients received either a walking programme or usual physiotherapy.', 'walking programme', 'usual physiotherapy'],
    ['The intervention was a two-hour class on sleep, given once.', 'two-hour class on sleep', null],
    ['To examine the effect of standing desks compared with ordinary desks on back pain.', 'standing desks', 'ordinary desks', 'Abstract'],
    ['We tested whether blue-blocking glasses, rather than clear glasses, improve sleep.', 'blue-blocking glasses', 'clear glasses', 'Abstract'],
    ['The wards of the experimental arm were fitted with sound-absorbing panels.', 'sound-absorbing panels', null],
    ['Half of them took the supplement, the other half an identical capsule of starch.', 'supplement', 'capsule of starch'],
    ['The music group listened to slow music for 30 minutes at bedtime. The other group read a book.', null, 'read a book'],
    ['The controls stayed on their ordinary rota.', null, 'ordinary rota'],
    ['Schools of the control arm carried on as before.', null, 'as before'],
    ['Nurses on fixed days served as the reference group.', null, 'fixed days'],
    ['Those who never worked nights were the reference.', null, 'never worked nights'],
    ['Scores after the course were compared with those before it.', null, 'before'],
    ['The comparator was an information leaflet.', null, 'information leaflet'],
    ['Participants on the waiting list were offered the course after the trial.', null, 'waiting list'],
    ['Dim red light served as placebo.', null, 'Dim red light'],
    ['In the comparison homes nothing was changed.', null, 'nothing was changed'],
    ['Unexposed workers were clerks of the same firm.', null, 'clerks'],
    ['Paramedics were randomised to a rest break of 20 minutes or no break.', 'rest break', 'no break'],
    ['We evaluated early rounds against usual rounds on twelve wards.', 'early rounds', 'usual rounds', 'Abstract'],
    ['Residents were randomised to gardening in groups of six or to usual activities.', 'gardening', 'usual activities'],
    ['To test whether lessons outdoors, compared with lessons indoors, improve attention.', 'lessons outdoors', 'lessons indoors', 'Abstract'],
    ['Stations in the control arm kept their roster.', null, 'kept their roster'],
    ['The other classes stayed indoors.', null, 'stayed indoors'],
    ['PURPOSE: To test yoga in the break against a waiting list.', 'yoga', 'a waiting list', 'Abstract'],
    ['We will randomise 140 nurses to a light alarm or to their usual alarm.', 'light alarm', 'usual alarm'],
]);

it('sets apart what is set against something else', function (string $said, ?string $tested, ?string $compared) {
    $contrast = Contrast::in($said);
    expect([$contrast?->tested, $contrast?->compared])->toBe([$tested, $compared]);
})->with([
    ['Participants were randomly assigned to a weighted blanket or a light blanket for four weeks.', 'a weighted blanket', 'a light blanket'],
    'the usual first' => ['Thirty wards were allocated to usual care and thirty to a coaching programme.', 'a coaching programme', 'usual care'],
    'numbers in brackets' => ['We compared lamps (n = 30) with dim lamps (n = 31).', 'lamps', 'dim lamps'],
    ['Nurses received either lamps, or nothing.', 'lamps', 'nothing'],
    'groups' => ['The groups were compared with each other.', null, null],
    'tests' => ['Paired data were compared with the t test.', null, null],
    'what people were told' => ['They knew that two tints were compared and were not told which was expected to work.', null, null],
]);

it('takes the time before for what is compared, and people for no comparator, as a design has it', function (string $methods, ?string $compared) {
    $paper = SmallPaper::of('Methods', $methods);
    $comparator = new AskedItem('comparator', 'Comparator', ItemType::Text);
    expect((new LeadEngine())->lead($comparator, $paper)?->value)->toBe($compared);
})->with([
    'before and after' => ['Errors were compared in this before-after study. Calls were counted before the room was opened, and after it.', 'before the room was opened'],
    'cases and controls' => ['This was a matched case-control study. Two controls were drawn for each case.', null],
    'before and after in one' => ['In this before-after study nurses were asked four weeks before and three months after the refitting.', 'before the refitting'],
]);

it('knows a place from what is named in passing', function (string $methods, ?string $holds) {
    $setting = SmallPaper::answer(new AskedItem('setting', 'Setting', ItemType::Text), 'Methods', $methods);
    expect($holds === null ? $setting : str_contains((string) $setting, $holds))->toBe($holds === null ? null : true);
})->with([
    ['Pupils in classes were treated by multilevel regression. Eighteen primary schools agreed to take part.', 'Eighteen primary schools'],
    ['Interviews were held in a quiet room. Nurses of two county hospitals were asked.', 'two county hospitals'],
    ['Setting: 16 care homes. The order was drawn by a computer of the university.', '16 care homes'],
]);
