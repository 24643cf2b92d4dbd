<?php

namespace Tests\Core\Coding\PutOtherwise;

use Tests\Core\Coding\SmallPaper;
use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\LeadEngine;

it('finds how long it went on however it is put', function (string $said, ?string $long) {
    expect(SmallPaper::answer(new AskedItem('duration', 'Duration of the intervention', ItemType::Duration), 'Methods', $said))->toBe($long);
})->with([
    ['Lamps were used for eight weeks.', '8'],
    ['Participants used the lamps over 8 weeks.', '8'],
    ['An 8-week programme of light was given.', '8'],
    ['The intervention lasted two months.', '2'],
    ['The intervention lasted 56 days.', '56'],
    ['Lamps were lit each night during a period of 8 weeks.', '8'],
    ['The treatment period was 8 weeks.', '8'],
    ['Participants wore the mask every night for a month.', '1'],
    ['Lamps were lit for three consecutive night shifts.', '3'],
    ['Treatment was continued until discharge or for at most 14 days.', '14'],
    ['Each period lasted four weeks, with a washout of one week.', '4'],
    ['The two treatment periods of 10 nights were separated by 2 weeks.', '10'],
    ['Median follow-up was 6.4 years (interquartile range 4.1 to 8.0).', '6.4'],
    ['Nurses were followed for a mean of 7.9 years.', '7.9', 'Results'],
    ['Recruitment lasted 18 months.', null],
    ['Sessions of 45 minutes were held twice a week for twelve weeks.', '12'],
    ['The 12-week intervention consisted of two sessions of 45 minutes a week.', '12'],
    ['Patients exercised three times per week over 3 months.', '3'],
    ['Follow-up visits took place at 3, 6 and 12 months.', null],
    ['The programme was delivered during one school year.', '1'],
    ['The supplement was taken daily from the day of surgery to day 42.', null],
    ['For five nights running, participants slept with earplugs.', '5'],
    ['One night in the laboratory was spent with each lamp.', '1'],
    ['The study period was from January 2012 to December 2014.', null],
    ['Participants kept a diary for one week before and used the lamp for four weeks.', '4'],
    ['A fortnight of training preceded the trial; lamps were then lit for ten weeks.', '10'],
    ['The trial ran from March to June 2014.', null],
    ['The follow-up period was two years.', '2'],
    ['Each participant was studied for two 5-day periods.', '5'],
    ['Blood was drawn every 2 weeks for 24 weeks.', '24'],
    ['Nurses had to have worked nights for at least 12 months.', null],
    ['Lamps were worn for 30 minutes a day for six weeks.', '6'],
    ['The course comprised ten lessons in ten weeks.', '10'],
    ['Patients were interviewed 6 months after discharge.', null],
    ['Mean (SD) follow-up was 26 (8) months.', '26'],
    ['Three-month treatment periods were separated by a one-month washout.', '3'],
    ['Participants followed the plan for 12 weeks.', '12'],
    ['The course took place over one month.', '1'],
    ['Six months of weekly coaching were offered.', '6'],
    ['Each condition was kept for two weeks, with one week between them.', '2'],
    ['Recruits were observed for their first year of service.', null],
    ['The average follow-up was 3.2 years.', '3.2'],
    ['The questionnaire took 15 minutes.', null],
    ['Data were collected during January 2015.', null],
    ['The 10-day regimen was repeated once.', '10'],
    ['Gardening took place twice a week for ten weeks.', '10'],
    ['The lessons ran for one school term of 14 weeks.', '14'],
    ['The intervention period was from May to July, 12 weeks in all.', '12'],
    ['Workers were followed up for a median of 4.5 years.', '4.5'],
    ['Tests were taken 2 weeks before the course.', null],
    ['A three-week baseline was followed by six weeks of gardening.', '6'],
    ['“You cannot stop,” said a woman of 52 years.', null],
    'a point in time' => ['Sleep was measured at three months.', null],
]);

it('finds an estimate and a p value however they are put', function (string $said, ?string $estimate, ?string $p) {
    $effect = new AskedItem('effect', 'Effect estimate', ItemType::Estimate, ['MD', 'OR', 'RR', 'HR', 'RD']);
    expect(SmallPaper::answer($effect, 'Results', $said))->toBe($estimate)
        ->and(SmallPaper::answer(new AskedItem('p', 'P value', ItemType::PValue), 'Results', $said))->toBe($p);
})->with([
    ['The odds ratio for errors was 0.62 (95% CI 0.41 to 0.94; p = 0.02).', 'OR 0.62 (0.41 to 0.94)', '0.02'],
    ['Errors were rarer with lamps (OR 0.62, 95% CI 0.41–0.94, P=.02).', 'OR 0.62 (0.41 to 0.94)', '0.02'],
    ['Errors were rarer (relative risk, 0.62; 95% confidence interval [CI], 0.41 to 0.94; P = 0.02).', 'RR 0.62 (0.41 to 0.94)', '0.02'],
    ['The hazard ratio was 0.62 [95% CI: 0.41, 0.94], p<0.05.', 'HR 0.62 (0.41 to 0.94)', '<0.05'],
    ['Sleep was longer (mean difference, 0.8 h; 95% CI, 0.2–1.4; P < .001).', 'MD 0.8 (0.2 to 1.4)', '<0.001'],
    ['The difference between groups was −0.8 hours (95% CI −1.4 to −0.2; p=0·01).', 'MD -0.8 (-1.4 to -0.2)', '0.01'],
    ['The risk ratio was 0.62 (0.41 to 0.94).', 'RR 0.62 (0.41 to 0.94)', null],
    'an interval that is of something else' => ['Sleep rose by a difference of 26 minutes (95% CI 40 to 70).', 'MD 26', null],
    ['Hazard ratio 0.81, 95% CI [0.70, 0.95].', 'HR 0.81 (0.70 to 0.95)', null],
    ['Odds ratio for errors: 1.45 (95% CI 1.10–1.92).', 'OR 1.45 (1.10 to 1.92)', null],
    ['Relative risks fell (RR 0.72; 95% confidence interval, 0.55 to 0.94).', 'RR 0.72 (0.55 to 0.94)', null],
    ['Mean difference 24 min, 95% CI: 10 to 38.', 'MD 24 (10 to 38)', null],
    ['Sleep did not differ (p = 0.40).', null, '0.40'],
    ['Sleep did not differ.', null, null],
]);

it('finds where a trial is registered however it is put', function (string $said, ?string $number) {
    expect(SmallPaper::answer(new AskedItem('registration', 'Registration number', ItemType::Identifier), 'Methods', $said))->toBe($number);
})->with([
    ['The trial was registered as NCT01234567.', 'NCT01234567'],
    ['Trial registration number: ISRCTN12345678.', 'ISRCTN12345678'],
    ['It is registered in the German register (DRKS00001234).', 'DRKS00001234'],
    ['Registered prospectively, ACTRN12612000123456.', 'ACTRN12612000123456'],
    ['The review was registered (CRD42012345678).', 'CRD42012345678'],
    ['Registration: NTR1234, 4 May 2012.', 'NTR1234'],
    ['EudraCT number 2012-001234-56.', '2012-001234-56'],
    ['Registered at ChiCTR (ChiCTR2000030000).', 'ChiCTR2000030000'],
    ['PROSPERO CRD42019123456.', 'CRD42019123456'],
    ['This trial is registered with ISRCTN (number 12345678).', 'ISRCTN12345678'],
    ['The ethics committee gave approval (NCH 12-34).', null],
    ['UMIN000012345 is its number in the register.', 'UMIN000012345'],
    ['The trial was registered in the Netherlands Trial Register (NL1234).', 'NL1234'],
    ['It was registered with the Iranian register: IRCT20180101012345N1.', 'IRCT20180101012345N1'],
    ['The trial was not registered.', null],
    ['Grant number NCH-2012-44; ethics 2012/45.', null],
    ['PACTR201501000999 was given by the African register.', 'PACTR201501000999'],
    ['CTRI/2018/01/011234 is the number in India’s register.', 'CTRI/2018/01/011234'],
    ['Trial registration number ACTRN12611000123456.', 'ACTRN12611000123456'],
    ['(Registered: DRKS00012345, 3 March 2017)', 'DRKS00012345'],
]);

it('finds the country of a study however it is put', function (string $heading, string $said, ?string $country) {
    expect(SmallPaper::answer(new AskedItem('country', 'Country', ItemType::Country), $heading, $said))->toBe($country);
})->with([
    ['Methods', 'The study was carried out at two hospitals in Norway.', 'Norway'],
    ['Methods', 'Nurses of a Norwegian teaching hospital took part.', 'Norway'],
    ['Abstract', 'A trial in twelve wards in northern Norway.', 'Norway'],
    ['Methods', 'Wards in Oslo, Norway, were chosen.', 'Norway'],
    ['Methods', 'Lamps made in Norway were lit.', null],
    ['Discussion', 'In Norway others have found the same.', null],
    ['Abstract', 'A nationwide survey of South Korean nurses.', 'South Korea'],
    ['Methods', 'A survey of Norwegian nurses was held.', 'Norway'],
    ['Methods', 'A survey of Halvorsen and others was used.', null],
    ['Methods', 'English nurses of three trusts took part.', 'United Kingdom'],
    ['Methods', 'The paper was in English, as nurses asked.', null],
    ['Methods', 'Staff of hospitals across Ontario and Quebec took part.', 'Canada'],
    ['Methods', 'Nurses filled in the California Sleep Scale.', null],
    ['Methods', 'Nurses filled in scales, among them of Ohio Sleep.', null],
    ['Methods', 'Teachers at four primary schools in rural Kenya took part.', 'Kenya'],
    ['Methods', 'Participants came from the Republic of Ireland.', 'Ireland'],
    ['Methods', 'Patients of a university hospital in the north of the Netherlands were asked.', 'Netherlands'],
    ['Methods', 'The cohort was set up in the US in 1989.', 'United States'],
    ['Methods', 'Data came from New Zealand’s national register.', 'New Zealand'],
    ['Methods', 'The study was run in Georgia, USA.', 'United States'],
    ['Methods', 'Wards in Tbilisi, Georgia, took part.', 'Georgia'],
    ['Methods', 'Jordan and Blake (2003) describe the scale.', null],
    ['Methods', 'The scale was translated into Turkish.', null],
    ['Methods', 'Nurses at hospitals in mainland China and Taiwan took part.', 'China; Taiwan'],
    ['Methods', 'Students at a Scottish university took part.', 'United Kingdom'],
    ['Methods', 'The trial was done in the Federal Republic of Germany.', 'Germany'],
    ['Methods', 'Turkey and rice were served at night to staff in Hungary.', 'Hungary'],
]);

it('finds who paid and who has interests however it is put', function (string $said, ?string $funder, ?string $interests) {
    $conflict = new AskedItem('interests', 'Conflict of interest', ItemType::Choice, ['none declared', 'declared']);
    expect(SmallPaper::answer(new AskedItem('funding', 'Funding', ItemType::Text), 'Funding', $said))->toBe($funder)
        ->and(SmallPaper::answer($conflict, 'Funding', $said))->toBe($interests);
})->with([
    ['This work was supported by the Ward Light Foundation. Conflict of interest: none.', 'the Ward Light Foundation', 'none declared'],
    [
        'Supported by a grant from the Ward Light Foundation. The authors declare no conflict of interest.',
        'the Ward Light Foundation',
        'none declared',
    ],
    [
        'Funded by the Ward Light Foundation (grant 12/34). All authors declare that they have no competing interests.',
        'the Ward Light Foundation (grant 12/34)',
        'none declared',
    ],
    ['No external funding was received. The authors report no conflicts.', 'none', 'none declared'],
    ['None declared.', 'none', null],
    ['TA has received lecture fees from Lampworks. The other authors declare nothing.', null, 'declared'],
]);

it('finds the setting and the main outcome however they are put', function (string $id, string $methods, string $holds) {
    $item = new AskedItem($id, $id === 'setting' ? 'Setting' : 'Primary outcome', ItemType::Text);
    $lead = (new LeadEngine())->lead($item, SmallPaper::study('Bed lamps and sleep', 'We tried lamps.', $methods));
    expect((string) $lead?->value)->toContain($holds);
})->with([
    ['setting', 'The study took place on the surgical wards of a teaching hospital.', 'teaching hospital'],
    ['setting', 'Participants were recruited from three nursing homes.', 'three nursing homes'],
    ['setting', 'Nurses worked in an intensive care unit with 20 beds.', 'intensive care unit'],
    ['setting', 'We carried out the trial in two general practices in a rural district.', 'general practices'],
    ['outcome', 'The primary outcome was sleep duration measured by actigraphy.', 'sleep duration'],
    ['outcome', 'The primary endpoint was the number of medication errors per 100 shifts.', 'medication errors'],
    ['outcome', 'Our main outcome measure was the score of a sleepiness scale at 4 a.m.', 'sleepiness scale'],
    ['outcome', 'The main outcome was alertness; secondary outcomes were errors and sleep.', 'alertness'],
    ['outcome', 'Primary outcome: hours of sleep. Secondary outcomes: errors.', 'hours of sleep'],
    ['setting', 'The trial was set in the emergency departments of two county hospitals.', 'emergency departments of two county hospitals'],
    ['setting', 'Bus drivers were studied at their depot.', 'depot'],
    ['setting', 'Subjects slept in a sleep laboratory.', 'sleep laboratory'],
    ['setting', 'All took place at the participants’ own homes.', 'homes'],
    ['setting', 'Four primary schools in a rural district agreed to take part.', 'Four primary schools'],
    ['setting', 'Participants were employees of a paper mill.', 'paper mill'],
    ['setting', 'Patients on the orthopaedic ward of Aldermoor Hospital were eligible.', 'orthopaedic ward'],
    ['setting', 'Crew members of three ferries took part.', 'ferries'],
    ['setting', 'Participants were recruited through general practitioners’ surgeries.', 'surgeries'],
    ['setting', 'The study was done in a call centre with 300 seats.', 'call centre'],
    ['setting', 'Guards of two prisons were invited.', 'two prisons'],
    ['setting', 'Pupils of eighteen classes were taught as usual.', 'classes'],
    ['setting', 'The questionnaire was sent to nurses of all public hospitals of the county.', 'public hospitals'],
    ['outcome', 'The primary outcome, sleep efficiency by actigraphy, was measured at week 8.', 'sleep efficiency'],
    ['outcome', 'As primary outcome we chose the number of falls.', 'number of falls'],
    ['outcome', 'Sleep efficiency at week 8 was the primary end point.', 'Sleep efficiency'],
    ['outcome', 'The co-primary outcomes were sleep and mood.', 'sleep and mood'],
    ['outcome', 'Main outcome measures: time to sleep.', 'time to sleep'],
    ['outcome', 'The chief outcome was time to first fall within a year.', 'time to first fall'],
    ['outcome', 'The outcome of main interest was burnout, measured with a 22-item inventory.', 'burnout'],
    ['outcome', 'Our primary aim was to lower falls. The outcome was falls per 1,000 bed days.', 'falls per 1,000 bed days'],
    ['outcome', 'The trial was powered on pain at rest (0 to 10).', 'pain at rest'],
    ['outcome', 'The primary outcome measure was the Sleep Log score, range 0 to 20.', 'Sleep Log score'],
    ['outcome', 'Primary outcome was mood. Secondary outcome was sleep.', 'mood'],
    ['outcome', 'We defined time to first fall as the primary outcome.', 'time to first fall'],
    ['outcome', 'Falls, the primary outcome, were counted by staff.', 'Falls'],
    ['setting', 'We interviewed 23 housekeepers of six hotels.', 'six hotels'],
    ['setting', 'Agents of a call centre were asked.', 'call centre'],
    ['setting', 'A questionnaire was answered by 1,318 technicians of 31 public hospitals.', '31 public hospitals'],
    ['outcome', 'The primary outcome will be late arrivals in the last four weeks.', 'late arrivals'],
    ['setting', 'Cashiers of nine supermarkets in Hungary were asked.', 'nine supermarkets'],
]);

it('is not taken in by what looks like it', function (AskedItem $item, string $heading, string $said, ?string $value) {
    expect(SmallPaper::answer($item, $heading, $said))->toBe($value);
})->with(function () {
    [$age, $female, $entered] = [SmallPaper::age(), SmallPaper::women(), SmallPaper::entered()];
    $p = new AskedItem('p', 'P value', ItemType::PValue);

    return [
        'an age in a study that is cited' => [$age, 'Discussion', 'Holt and colleagues (2011) tried it in clerks with a mean age of 29.1 years.', null],
        'years of work' => [$age, 'Results', 'On average they had 12.4 years of experience.', null],
        'an age of eligibility' => [$age, 'Methods', 'Nurses aged 22 to 60 years were eligible.', null],
        'a rate in women' => [$female, 'Results', 'Poor sleep was reported by 75% of women.', null],
        'more in women' => [$female, 'Results', 'Falls were 75% more likely in women.', null],
        'a number needed' => [$entered, 'Methods', 'We calculated that 120 nurses were needed.', null],
        'nurses who were asked' => [$entered, 'Results', 'We invited 300 nurses; 64 took part.', '64'],
        'a level of significance' => [$p, 'Methods', 'We took p < 0.05 to be significant.', null],
    ];
});

it('finds how long people were followed, and not what came before', function (string $said, ?string $value) {
    expect(SmallPaper::answer(new AskedItem('follow_up', 'Followed for', ItemType::Duration), 'Methods', $said))->toBe($value);
})->with([
    ['After a six-week run-in, participants were followed for 52 weeks.', '52'],
    ['After a wash-out of 2 weeks, nurses wore visors for 8 weeks.', '8'],
    ['Questionnaires were sent again after 18 months.', '18'],
    ['Each session lasted 30 minutes.', null],
]);

it('finds a place where people took part', function () {
    expect(SmallPaper::answer(new AskedItem('setting', 'Setting', ItemType::Text), 'Methods', 'Drivers of two bus depots took part.'))
        ->toBe('Drivers of two bus depots took part');
});

it('tells countries by their names, their cities, several as one, and from what is made there', function (string $said, ?string $country) {
    expect(SmallPaper::answer(new AskedItem('country', 'Country', ItemType::Country), 'Methods', $said))->toBe($country);
})->with([
    ['Lamps made in Japan were used in our ward in Chile.', 'Chile'],
    ['Norwegian spruce was used for the frames.', null],
    ['Danish nurses were invited.', 'Denmark'],
    ['Nurses at two hospitals in Oslo and Bergen were recruited.', 'Norway'],
    ['We recruited night workers from factories in Osaka and Kobe.', 'Japan'],
    ['Shift workers at a plant in São Paulo were surveyed.', 'Brazil'],
    ['Three nursing homes in Flanders took part.', 'Belgium'],
    ['Lamps (Brightly GmbH, Munich, Germany) were fitted in wards of a hospital in Lyon.', 'France'],
    ['Participants were recruited at three clinics in London, Ontario.', 'Canada'],
    ['Nurses from hospitals in Sweden, Denmark and Finland took part.', 'Denmark; Finland; Sweden'],
    ['The trial was conducted in Italy (three sites) and Spain (two sites).', 'Italy; Spain'],
    ['Recruitment was at one hospital each in Vienna, Austria, and Zürich, Switzerland.', 'Austria; Switzerland'],
    ['Wards of six hospitals (four in Denmark, two in Norway) took part.', 'Denmark; Norway'],
    ['Nurses born in Poland or Lithuania and working in Norway were invited.', 'Norway'],
    ['The study took place in Ireland. Questionnaires had been validated in Spain and Italy.', 'Ireland'],
    ['Nurses answered the Oslo Sleep Scale every week.', null],
    ['Sleep was scored with software from Paris (Dormiens SA).', null],
]);

it('finds who paid, with money or in kind, or is thanked for it', function (string $said, string $funder) {
    expect(SmallPaper::answer(new AskedItem('funding', 'Funding', ItemType::Text), 'Funding', $said))->toContain($funder);
})->with([
    ['We thank the Ward Foundation for financial support.', 'the Ward Foundation'],
    ['AK holds a fellowship from the Ward Foundation.', 'the Ward Foundation'],
    ['Lamps were donated by Brightly Ltd, which had no part in the study.', 'Brightly Ltd'],
    ['The maker, Helio Lamps AS, gave the lamps but had no influence on the analysis.', 'Helio Lamps AS'],
    ['We thank Brightly Ltd for providing the lamps without charge.', 'Brightly Ltd'],
    ['Night Sleep Council, grant number 44-12; the sponsor had no role in the study.', 'Night Sleep Council'],
    ['The study was self-funded.', 'none'],
    ['The authors did not receive any funding.', 'none'],
]);

it('takes what funders did not do for no funder', function (string $said) {
    expect(SmallPaper::answer(new AskedItem('funding', 'Funding', ItemType::Text), 'Funding', $said))->toBeNull();
})->with(['The funder had no role in the study.', 'Not applicable.']);

it('finds an estimate of a comparison, and no other number with an interval', function (string $said, ?string $estimate) {
    $effect = new AskedItem('effect', 'Effect estimate', ItemType::Estimate, ['MD', 'OR', 'RR', 'HR', 'RD']);
    expect(SmallPaper::answer($effect, 'Results', $said))->toBe($estimate);
})->with([
    ['The adjusted odds ratio was 0.62 (95% CI, 0.41 to 0.94); crude OR 0.58 (0.39 to 0.88).', 'OR 0.62 (0.41 to 0.94)'],
    ['The between-group difference was 3.4 points (95% CI 1.2 to 5.6) in favour of lamps.', 'MD 3.4 (1.2 to 5.6)'],
    ['Lamps lowered errors by 3.4 per 100 shifts (95% CI 1.2 to 5.6).', 'MD 3.4 (1.2 to 5.6)'],
    ['The absolute risk difference was −8.1 percentage points (95% CI −14.0 to −2.2).', 'RD -8.1 (-14.0 to -2.2)'],
    ['Sleep was 26 minutes longer with lamps (95% confidence interval 8 to 44; P=0.005).', 'MD 26 (8 to 44)'],
    ['HR = 0.81; 95%-CI: [0.70; 0.95]; p = 0.008', 'HR 0.81 (0.70 to 0.95)'],
    ['The odds of an error were 0.62 times those without lamps (95% CI 0.41 to 0.94).', 'OR 0.62 (0.41 to 0.94)'],
    ['The mean difference was 4·2 (95% CI 1·1–7·3).', 'MD 4.2 (1.1 to 7.3)'],
    ['The difference was not significant (0.3 hours, 95% CI −0.4 to 1.0).', 'MD 0.3 (-0.4 to 1.0)'],
    ['Risk ratio of 0,62 (95% CI 0,41 to 0,94).', 'RR 0.62 (0.41 to 0.94)'],
    ["Outcome | Lamps | Usual | Difference (95% CI) | P\nSleep (min) | 402 (51) | 376 (49) | 26 (8 to 44) | 0.005", 'MD 26 (8 to 44)'],
    ['Patients in the lamp group fell less often (rate ratio 0.71, 95% confidence interval from 0.55 to 0.92).', null],
    ['The lamp group scored 4.2 points higher (95% CI: 1.1; 7.3).', 'MD 4.2 (1.1 to 7.3)'],
    ['Lamps raised the odds of sleeping well (adjusted OR = 2.10 [1.20–3.68]).', 'OR 2.10 (1.20 to 3.68)'],
    ['The relative risk of falling was 0.62 (95% CI 0.41 to 0.94) with lamps and 0.90 (0.70 to 1.16) with alarms.', 'RR 0.62 (0.41 to 0.94)'],
    ['Reliability was high (ICC 0.81, 95% CI 0.70 to 0.90).', null],
    ['The mean score was 12.4 (95% CI 11.0 to 13.8) with lamps.', null],
    ['Sensitivity was 0.81 (95% CI 0.70 to 0.90).', null],
    ['Prevalence was 24% (95% CI 20 to 28).', null],
    ['Lamps cut falls by 38% (RR 0.62).', 'RR 0.62'],
    'a standardised difference, which is not asked for' => ['The standardised mean difference was −0.42 (−0.71 to −0.13).', null],
    'a ratio of rates where others are asked for' => ['The incidence rate ratio was 0.71 (95% CI 0.55 to 0.92).', null],
    ['The adjusted difference in means was 2.1 (95% CI 0.4 to 3.8).', 'MD 2.1 (0.4 to 3.8)'],
    ['Early rounds reduced stay by 1.2 days (95% CI 0.3–2.1, p = 0.01).', 'MD 1.2 (0.3 to 2.1)'],
    ['The relative risk was 0.74 (95% CI: 0.58, 0.95).', 'RR 0.74 (0.58 to 0.95)'],
    ['aOR 1.8 (95% CI 1.1-2.9)', 'OR 1.8 (1.1 to 2.9)'],
    ['Hazard of leaving fell by a third (HR 0.67; CI95% 0.50–0.90).', 'HR 0.67 (0.50 to 0.90)'],
    ['The risk was 12.1% against 18.4% (risk difference −6.3 percentage points, 95% CI −11.9 to −0.7).', 'RD -6.3 (-11.9 to -0.7)'],
    ['Mean scores were 12.4 (95% CI 11.0 to 13.8) and 14.1 (95% CI 12.7 to 15.5).', null],
    ['The score was 3.2 points higher in the garden group (95% CI 0.9 to 5.5).', 'MD 3.2 (0.9 to 5.5)'],
    ['Compared with usual care, gardening improved mood (difference 3.2, 95% CI 0.9–5.5).', 'MD 3.2 (0.9 to 5.5)'],
    ['The odds ratio of sick leave was 1.36 (95 % confidence interval 1.10 to 1.68).', 'OR 1.36 (1.10 to 1.68)'],
    ['The adjusted hazard ratio per year was 1.02 (95% CI 1.00–1.04).', 'HR 1.02 (1.00 to 1.04)'],
    ['Classes gained 4.1 points on average (95% CI 2.2 to 6.0).', 'MD 4.1 (2.2 to 6.0)'],
    ['The difference was 26.5 minutes.', 'MD 26.5'],
    ['Sleep rose by a difference of 0.5 h.', 'MD 0.5'],
    ['There was an effect of condition (F = 9.8, p < 0.001).', null],
    ['The change was smaller (a break: 41% before, 55% after).', null],
    ['Pupils were on task more, B = 7.1 percentage points, SE = 2.4.', 'RD 7.1'],
    'a correlation, which is not asked for' => ['Sleep was correlated with light (r = 0.41).', null],
    ['Sleep quality was 1.9 points better with lamps (95% CI 0.7 to 3.1).', 'MD 1.9 (0.7 to 3.1)'],
]);

it('finds a p value by itself', function (string $said, ?string $p) {
    expect(SmallPaper::answer(new AskedItem('p', 'P value', ItemType::PValue), 'Results', $said))->toBe($p);
})->with([
    ['Sleep was longer with lamps (t(62) = 2.9, p = .005).', '0.005'],
    ['Errors did not differ (χ2 = 1.2, df = 1, p = 0.27).', '0.27'],
    ['Errors were rarer (P<0·001).', '<0.001'],
    ['The difference was not significant (n.s.).', null],
    ['Errors were rarer (two-sided p value 0.03).', '0.03'],
    ['Errors were rarer (p-value: 0.03).', '0.03'],
    ['Errors were rarer (p=3×10−5).', null],
    ['Neither sleep (P = 0.41) nor mood (P = 0.62) differed.', '0.41'],
    ['Sleep was longer with lamps, p .004.', null],
    ['Sleep was longer with lamps (p < 0.01).', '<0.01'],
    ['Differences were not significant (p > 0.05).', '>0.05'],
    'of a trend' => ['Risk rose with each year; the P value for trend was 0.03.', null],
    ['Stay was shorter with early rounds (P = .011).', '0.011'],
    ['The groups differed (F(1,102) = 6.7, p = 0.011, partial eta squared 0.06).', '0.011'],
    ['There was no difference (p=0.62).', '0.62'],
    ['Mood improved more with gardening (P = 0.007 by the mixed model).', '0.007'],
    ['p was 0.007.', '0.007'],
]);

it('finds who paid, and who says nothing of it', function (string $said, ?string $holds) {
    $answer = SmallPaper::answer(new AskedItem('funding', 'Funding', ItemType::Text), 'Funding', $said);
    expect($holds === null ? $answer : str_contains((string) $answer, $holds))->toBe($holds === null ? null : true);
})->with([
    ['Financial support came from the Nordic Board for Night Work (NBN-44).', 'Nordic Board for Night Work'],
    ['This research received no specific grant from any funding agency in the public, commercial or not-for-profit sectors.', 'none'],
    ['The Harrow Trust paid for the lamps, and the Council of Aldermoor for the assessors.', 'Harrow Trust'],
    ['None.', 'none'],
    ['Funding: Aldermoor Research Council.', 'Aldermoor Research Council'],
    ['The study was financed by the hospital’s own budget.', 'hospital'],
    ['Lampworks provided the lamps free of charge.', 'Lampworks'],
    ['KB is supported by a doctoral scholarship of the Aldermoor Academy.', 'Aldermoor Academy'],
    ['We did not have any sponsor.', 'none'],
    ['This study was made possible by a gift from the Brook family.', 'Brook family'],
    ['Sponsor: University of Aldermoor.', 'University of Aldermoor'],
    ['Unfunded.', 'none'],
    ['This research was funded by a grant of the Council for Ambulance Work.', 'Council for Ambulance Work'],
    ['No funding.', 'none'],
    ['Financed by the municipality of Aldermoor and the Garden Fund.', 'municipality of Aldermoor'],
    ['The authors received no money for this work.', 'none'],
    ['The employer paid the teacher; no other funding.', 'The employer'],
    ['The lamps were paid for by the wards; nobody funded the study.', 'none'],
]);

it('finds whether somebody has interests', function (string $said, ?string $interests) {
    $item = new AskedItem('interests', 'Conflict of interest', ItemType::Choice, ['none declared', 'declared']);
    expect(SmallPaper::answer($item, 'Competing interests', $said))->toBe($interests);
})->with([
    ['The authors have no competing interests to declare.', 'none declared'],
    ['None.', 'none declared'],
    ['KB is a paid adviser of Lampworks; the others have nothing to declare.', 'declared'],
    ['KB owns shares in Lampworks.', 'declared'],
    ['Nothing to disclose.', 'none declared'],
    ['The authors state that they had no ties to any maker of lamps.', 'none declared'],
    ['KB’s department received lamps from Lampworks.', 'declared'],
    ['There are no conflicts.', 'none declared'],
    ['KB invented the lamp and holds a patent on it.', 'declared'],
    ['The authors did not provide a statement.', null],
    ['No potential conflict of interest was reported by the authors.', 'none declared'],
    ['All authors completed the disclosure form and declare: no support from any organisation.', 'none declared'],
    ['KB is married to the director of Lampworks.', 'declared'],
    ['See the online supplement.', null],
    ['MH works for the maker of the device.', 'declared'],
    ['The authors have nothing to disclose.', 'none declared'],
    ['None of the authors has a conflict of interest.', 'none declared'],
    ['LB receives royalties for the manual.', 'declared'],
]);
