<?php

namespace Tests\Core\Coding\OwnItems;

use Tests\Core\Coding\SmallPaper;
use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Briefing;
use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Coding\Lead\LeadEngine;

it('finds a number of one’s own by its unit, or next to its words', function (string $label, string $unit, string $said, ?string $value) {
    $item = new AskedItem('own', $label, ItemType::Number, unit: $unit);
    expect(SmallPaper::answer($item, 'Methods', $said))->toBe($value);
})->with([
    ['Light intensity', 'lux', 'Lamps gave 2,500 lux at the eye for 30 minutes.', '2500'],
    ['Dose', 'mg', 'The dose of the hormone was 3 mg at 22:00.', '3'],
    ['Session length', 'minutes', 'Sessions of 45 minutes were held twice a week for 12 weeks.', '45'],
    ['Session length', 'minutes', 'Sessions of 45 min were held twice a week.', '45'],
    ['Response rate', '%', 'Of 90 nurses, 64 replied, a response rate of 71%.', '71'],
    ['Room temperature', '°C', 'The room temperature was 21 °C and humidity 40%.', '21'],
    ['Number of sites', '', 'The trial ran at five sites between 2012 and 2014.', '5'],
    ['Number of sessions', '', 'The course had eight sessions of 45 minutes.', '8'],
    ['Number of sessions', '', 'The number of sessions was 8.', '8'],
    ['Hospital beds', '', 'The study took place in 2009 at a hospital with 780 beds.', '780'],
    ['Kappa', '', 'Agreement between raters was good (kappa 0.81).', '0.81'],
    'a year is no count' => ['Number of wards', '', 'In 2012, twelve wards of three hospitals with 240 nurses took part.', '12'],
    'a range' => ['Number of night shifts', '', 'Nurses worked 4 to 6 night shifts a month on 12 wards.', null],
    'a count of something else' => ['Number of lamps', '', 'In 3 of 12 wards lamps were hung.', null],
    'minutes, where nothing speaks of it' => ['Nap length', 'minutes', 'Lamps were lit for 30 minutes.', null],
]);

it('says yes or no where a passage speaks of all that is asked', function (string $label, string $said, ?string $told) {
    $item = new AskedItem('own', $label, ItemType::Choice, ['Yes', 'No', 'Unclear']);
    expect(SmallPaper::answer($item, 'Methods', $said))->toBe($told);
})->with([
    ['Allocation concealed', 'Allocation was concealed in sealed envelopes.', 'Yes'],
    ['Was allocation concealed?', 'Allocation was concealed in sealed envelopes.', 'Yes'],
    ['Allocation concealed', 'Allocation was not concealed.', 'No'],
    ['Allocation concealed', 'Allocation was concealed; nobody knew the next envelope.', 'Yes'],
    ['Allocation concealed', 'Without concealed allocation, selection is likely.', 'No'],
    ['Allocation concealed', 'There was no difference by allocation.', null],
    ['Assessors blinded', 'The assessors were blinded to the group.', 'Yes'],
    ['Assessors blinded', 'Assessors could not be blinded.', 'No'],
    ['Assessors blinded', 'Outcomes were assessed by unblinded assessors.', 'No'],
    ['Assessors blinded', 'Holt and colleagues (2011) blinded their assessors.', null],
]);

it('says yes or no by other names of an item, too', function (string $said, ?string $told) {
    $names = new Briefing('', ['concealed', 'sealed envelopes']);
    $item = new AskedItem('own', 'Nobody could foresee the next allocation', ItemType::Choice, ['Yes', 'No', 'Unclear'], briefing: $names);
    expect(SmallPaper::answer($item, 'Methods', $said))->toBe($told);
})->with([
    ['The list was concealed from nurses.', 'Yes'],
    ['Groups were drawn from sealed, opaque envelopes.', 'Yes'],
    ['The list was not concealed.', 'No'],
    ['Nurses were randomised.', null],
]);

it('offers the sentence that speaks of a text, and none for one weak word or numbers', function (string $label, string $said, ?string $told) {
    expect(SmallPaper::answer(new AskedItem('own', $label, ItemType::Text), 'Methods', $said))->toBe($told);
})->with([
    ['Duration of each session', 'The duration of a session was 30 minutes.', 'The duration of a session was 30 minutes.'],
    ['Duration of each session', 'The duration of follow-up was a year.', null],
    ['Sleep diary', 'Sleep was noted in a diary.', 'Sleep was noted in a diary.'],
    'a row of a table' => ['Sleep diary', "Sleep diary | Lamps | Usual\nNights | 4 | 5", null],
]);

it('takes what is measured for the main outcome where none is named, and says so', function (string $said, ?string $told, bool $isNamed) {
    $lead = (new LeadEngine())->lead(new AskedItem('own', 'Main outcome', ItemType::Text), SmallPaper::of('Methods', $said));
    expect([$lead?->value, $lead?->confidence() === Confidence::Firm])->toBe([$told, $isNamed]);
})->with([
    ['The primary outcome was fatigue.', 'fatigue', true],
    ['Outcomes were fatigue and sleepiness.', 'Outcomes were fatigue and sleepiness', false],
    ['Working memory was assessed with a two-back task.', 'Working memory was assessed with a two-back task', false],
    ['Lamps were lit.', null, false],
]);

it('proposes the option that title and abstract keep naming, where none speaks of the item', function (string $title, string $abstract, ?string $told) {
    $options = ['nurses', 'doctors', 'ambulance staff', 'pharmacy or laboratory', 'mixed or other'];
    $paper = SmallPaper::study($title, $abstract, 'Lamps were lit on all wards.');
    $lead = (new LeadEngine())->lead(new AskedItem('own', 'Occupation', ItemType::Choice, $options), $paper);
    expect([$lead?->value, $lead?->confidence()])->toBe([$told, $told === null ? null : Confidence::Check]);
})->with([
    'in the title' => ['Lamps for ward nurses', 'We hung lamps for nurses.', 'nurses'],
    'one of two words' => ['Lamps on nights', 'Laboratory staff had lamps. Of 40 laboratory staff, 30 slept.', 'pharmacy or laboratory'],
    'those who work there' => ['Lamps for ambulance crews', 'Sleep was better.', 'ambulance staff'],
    'of one' => ['Lamps for the night nurse', 'Sleep was better.', 'nurses'],
    'said in passing' => ['Lamps on nights', 'Lamps were hung. A nurse lit them.', null],
    'two alike' => ['Lamps for nurses and doctors', 'Sleep was better.', null],
    'what is said of everything' => ['Lamps and other light', 'Other lamps were lit. Mixed light was given.', null],
    'denied' => ['Lamps on wards', 'Staff other than nurses took part. There were no nurses, but not nurses alone.', null],
]);

it('finds options as papers write them, but not those that it denies', function (array $options, string $label, string $said, ?string $told) {
    expect(SmallPaper::answer(new AskedItem('own', $label, ItemType::Choice, $options), 'Methods', $said))->toBe($told);
})->with([
    'a hyphen' => [['double-blind', 'open'], 'Blinding', 'In this double blind trial, blinding was kept by dim lamps.', 'double-blind'],
    'denied' => [['double-blind', 'open'], 'Blinding', 'For blinding, the trial was not double-blind.', null],
    'another' => [['double-blind', 'open'], 'Blinding', 'This was an open trial; blinding was not possible.', 'open'],
    'several of a kind' => [['hospital', 'nursing home'], 'Kind of place', 'The place was three nursing homes.', 'nursing home'],
    'what is asked for as several' => [['night', 'rotating'], 'Kind of shift', 'Nurses on rotating shifts took part.', 'rotating'],
]);
