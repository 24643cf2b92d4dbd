<?php

namespace Tests\Core\Coding\PutOtherwise;

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\LeadEngine;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\FullText\Reading\HtmlPaper;

/** A paper that says one thing of itself, under the heading where papers say it. */
function paper(string $heading, string $said): Passages
{
    $parts = ['Abstract' => 'We tried lamps.', 'Methods' => 'Lamps were lit.', 'Results' => 'People slept.', 'Discussion' => 'Lamps help.'];
    $parts[$heading] = $said;
    $html = '<h1>Lamps on wards</h1>';
    foreach ($parts as $name => $text) {
        $html .= "<h2>{$name}</h2><p>".htmlspecialchars($text).'</p>';
    }

    return Passages::of(HtmlPaper::read($html));
}

function answer(AskedItem $item, string $heading, string $said): ?string
{
    return (new LeadEngine())->lead($item, paper($heading, $said))?->value;
}

it('finds a mean age however it is put', function (string $said, ?string $age) {
    expect(answer(new AskedItem('age', 'Mean age', ItemType::Number, unit: 'years'), 'Results', $said))->toBe($age);
})->with([
    ['The mean age of participants was 43.2 years (SD 10.1).', '43.2'],
    ['Participants had a mean age of 43.2 (SD 10.1) years.', '43.2'],
    ['Participants were on average 43.2 years old.', '43.2'],
    ['The average age was 43 years.', '43'],
    ['Nurses (mean age 43.2 years; 80% women) took part.', '43.2'],
    ['Their age averaged 43.2 years.', '43.2'],
    ['Age was 43.2 ± 10.1 years.', '43.2'],
    ['Mean (SD) age was 43.2 (10.1) years.', '43.2'],
    ['The sample (N = 64, M age = 43.2, SD = 10.1) was mostly female.', '43.2'],
    ['Patients were aged 43.2 years (SD 10.1).', '43.2'],
    ['The 64 midwives were 43.2 (SD 10.1) years old.', '43.2'],
    ['At baseline, the mean age was 43·2 years.', '43.2'],
    ['The mean age at entry was 43.2 years, and 12 were men.', '43.2'],
    ['Mean ages were 40.0 and 42.0 years in the two groups of 30 each.', null],
    ['Nurses aged between 20 and 64 years took part.', null],
    ['Nurses had worked for a mean of 12.4 years.', null],
    ['Age averaged 43.2 ± 10.1 y.', '43.2'],
    ['Mean age was 52 years in the light group and 50 years in the control group.', null],
    ['The nurses were on average thirty-eight years old.', '38'],
    ['Participants had a mean age of forty-one years.', '41'],
    ['The 48 drivers averaged forty-six years of age.', '46'],
    ['The 60 nurses were aged 41.2 years (standard deviation 9.8) and 48 were women.', '41.2'],
    ['The average participant was 44 years old.', '44'],
    ['Their ages ranged from 22 to 61 years with a mean of 37.9.', '37.9'],
    ['The median age was 40 years (interquartile range 33 to 49).', null],
    ['Forty nurses aged twenty-two to fifty took part.', null],
    ['On average, nurses were in their thirties.', null],
    ['The mean length of service was 12.4 years.', null],
    ['The wards were on average thirty years old.', null],
]);

it('finds how many were women however it is put', function (string $said, ?string $share) {
    expect(answer(new AskedItem('female', 'Per cent female', ItemType::Number, unit: '%'), 'Results', $said))->toBe($share);
})->with([
    ['Of the 80 nurses, 60 (75%) were women.', '75'],
    ['Three quarters of the 80 nurses were women.', '75'],
    ['The 80 nurses, 75% of whom were female, took part.', '75'],
    ['Most participants were female (75%).', '75'],
    ['Women made up 75% of the sample.', '75'],
    ['Participants were predominantly female (n = 60; 75.0%).', '75'],
    ['Sixty of the 80 nurses were women.', '75'],
    ['There were 60 women and 20 men.', '75'],
    ['20 men and 60 women took part.', '75'],
    ['A quarter of the participants were men (25%).', '75'],
    ['25% were male.', '75'],
    ['All participants were women.', '100'],
    ['The sample was 75 per cent female.', '75'],
    ['Female sex was recorded for 75% of patients.', '75'],
    ['75% were married.', null],
    ['Only five of the 40 drivers were women.', '12.5'],
    ['Only women took part.', '100'],
    ['90 (75%) of the 120 participants were women.', '75'],
]);

it('finds how many were randomised or took part however it is put', function (string $said, ?string $count) {
    $item = new AskedItem('entered', 'Participants randomised or enrolled', ItemType::Number);
    expect(answer($item, 'Results', $said))->toBe($count);
})->with([
    ['Sixty-four nurses were randomised.', '64'],
    ['A total of 1,204 patients underwent randomisation.', '1204'],
    ['We enrolled 64 midwives between May and July 2019.', '64'],
    ['Of 90 nurses who were screened, 64 were eligible and were randomly allocated.', '64'],
    ['64 nurses were assigned at random, 32 to lamps and 32 to usual light.', '64'],
    ['Between 2017 and 2018, 64 patients were recruited.', '64'],
    ['In total, 64 participants entered the trial.', '64'],
    ['Randomisation of 64 nurses took place in May.', '64'],
    ['Ninety nurses were invited, of whom 64 agreed to take part.', '64'],
    ['The study included 64 nurses.', '64'],
    ['The nurses were tired.', null],
    ['Three of the 64 randomised nurses withdrew before the first night.', '64'],
    ['Of 90 invited, 64 (71%) completed the questionnaire.', '64'],
    ['We assigned 32 to dim and 32 to bright light.', '64'],
    ['32 nurses were randomly assigned to lamps and 32 to usual light.', '64'],
    'thousands by a blank' => ['In total, 2 314 nurses responded.', '2314'],
    'thousands by a point' => ['A sample of 1.204 nurses was enrolled.', '1204'],
    ['Questionnaires came back from 64 of 90 drivers.', '64'],
]);

it('finds how many were analysed however it is put', function (string $said, ?string $count) {
    $item = new AskedItem('analysed', 'Participants analysed', ItemType::Number);
    expect(answer($item, 'Results', $said))->toBe($count);
})->with([
    ['Data from 57 nurses were analysed.', '57'],
    ['The analysis included 57 nurses.', '57'],
    ['Of 64 randomised nurses, 57 were analysed.', '57'],
    ['Fifty-seven nurses completed the study and were included in the analysis.', '57'],
    ['The intention-to-treat analysis comprised 57 participants.', '57'],
    ['After 7 withdrawals, 57 nurses remained in the analysis.', '57'],
    ['Complete data were available for 57 of 64 nurses.', '57'],
    ['Of 64 who were randomised, 57 completed the trial and were analysed.', '57'],
]);

it('finds how long it went on however it is put', function (string $said, ?string $long) {
    expect(answer(new AskedItem('duration', 'Duration of the intervention', ItemType::Duration), 'Methods', $said))->toBe($long);
})->with([
    ['Lamps were used for eight weeks.', '8'],
    ['Participants used the lamps over 8 weeks.', '8'],
    ['An 8-week programme of light was given.', '8'],
    ['The intervention lasted two months.', '2'],
    ['The intervention lasted 56 days.', '56'],
    ['Lamps were lit each night during a period of 8 weeks.', '8'],
    ['The treatment period was 8 weeks.', '8'],
]);

it('finds an estimate and a p value however they are put', function (string $said, ?string $estimate, ?string $p) {
    $effect = new AskedItem('effect', 'Effect estimate', ItemType::Estimate, ['MD', 'OR', 'RR', 'HR', 'RD']);
    expect(answer($effect, 'Results', $said))->toBe($estimate)
        ->and(answer(new AskedItem('p', 'P value', ItemType::PValue), 'Results', $said))->toBe($p);
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
    expect(answer(new AskedItem('registration', 'Registration number', ItemType::Identifier), 'Methods', $said))->toBe($number);
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
]);

it('finds the country of a study however it is put', function (string $heading, string $said, ?string $country) {
    expect(answer(new AskedItem('country', 'Country', ItemType::Country), $heading, $said))->toBe($country);
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
]);

it('finds who paid and who has interests however it is put', function (string $said, ?string $funder, ?string $interests) {
    $conflict = new AskedItem('interests', 'Conflict of interest', ItemType::Choice, ['none declared', 'declared']);
    expect(answer(new AskedItem('funding', 'Funding', ItemType::Text), 'Funding', $said))->toBe($funder)
        ->and(answer($conflict, 'Funding', $said))->toBe($interests);
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

/** A paper by what it says of itself in title, abstract, methods and results. */
function study(string $title, string $abstract, string $methods, string $results = 'People slept.'): Passages
{
    $html = '<h1>'.htmlspecialchars($title).'</h1>';
    foreach (['Abstract' => $abstract, 'Methods' => $methods, 'Results' => $results, 'Discussion' => 'Lamps help.'] as $name => $text) {
        $html .= "<h2>{$name}</h2><p>".htmlspecialchars($text).'</p>';
    }

    return Passages::of(HtmlPaper::read($html));
}

it('tells a design however it is put', function (string $design, string $title, string $abstract, string $methods) {
    $designs = [
        'parallel-group trial', 'crossover trial', 'cluster trial', 'before-after study', 'cohort study', 'cross-sectional study',
        'case-control study', 'qualitative study', 'protocol', 'other',
    ];
    $item = new AskedItem('design', 'Study design', ItemType::Choice, $designs);
    expect((new LeadEngine())->lead($item, study($title, $abstract, $methods))?->value)->toBe($design);
})->with([
    [
        'parallel-group trial',
        'Bed lamps and sleep',
        'We randomly allocated 64 nurses to lamps or no lamps.',
        'Allocation was concealed in envelopes; assessors were blinded.',
    ],
    [
        'parallel-group trial',
        'Bed lamps: a double-blind, placebo-controlled study',
        'Nurses were randomised 1:1 to lamps or dim lamps.',
        'A computer drew the sequence.',
    ],
    [
        'parallel-group trial',
        'A three-arm trial of lamps',
        'Participants were randomised to bright lamps, dim lamps or none.',
        'Blocks of six were used.',
    ],
    [
        'crossover trial',
        'Lamps by night',
        'In random order, each nurse worked four nights with lamps and four without.',
        'Two weeks without lamps lay between the periods.',
    ],
    ['crossover trial', 'A randomised cross-over study of lamps', 'All nurses had both lights.', 'The order was drawn by lot.'],
    [
        'cluster trial',
        'Lamps in nursing homes',
        'Twelve homes were randomised to lamps or usual light; 240 residents took part.',
        'The unit of randomisation was the home.',
    ],
    [
        'cluster trial',
        'A stepped-wedge trial of lamps',
        'Wards changed to lamps in random order, every four weeks.',
        'Analysis took account of clustering.',
    ],
    [
        'before-after study',
        'New lamps on one ward',
        'We compared errors in the year before and the year after lamps were put in.',
        'There was no control ward.',
    ],
    [
        'before-after study',
        'Lamps on a ward: an uncontrolled pre-post study',
        'Sleep was measured before and after six weeks of lamps.',
        'All nurses of the ward had lamps.',
    ],
    [
        'cohort study',
        'Night work and falls',
        'We followed 9,000 nurses for ten years and compared those with and without night work.',
        'Incidence was by person-years.',
    ],
    [
        'cohort study',
        'A prospective cohort of ward nurses',
        'Nurses were enrolled in 2001 and followed until 2011.',
        'Cox models were fitted.',
    ],
    [
        'cohort study',
        'Night work and errors: a retrospective cohort study',
        'Records of 4,000 nurses from 2001 to 2011 were used.',
        'Exposure was by payroll.',
    ],
    [
        'cross-sectional study',
        'How nurses sleep',
        'A survey of 1,204 nurses at one time asked how they sleep.',
        'Questionnaires were sent by post.',
    ],
    [
        'cross-sectional study',
        'Prevalence of poor sleep among midwives: a cross-sectional study',
        'Midwives filled in a questionnaire once.',
        'Logistic regression was used.',
    ],
    [
        'case-control study',
        'Night work and accidents',
        'We compared 120 nurses who had had an accident with 240 controls who had not.',
        'Controls were matched by age.',
    ],
    [
        'qualitative study',
        'What night nurses say of light',
        'We interviewed 22 nurses and analysed what they said by themes.',
        'Interviews were recorded and transcribed.',
    ],
    ['qualitative study', 'Living by night: a phenomenological study', 'Twelve nurses told of their nights.', 'Interviews were open.'],
    [
        'protocol',
        'Lamps for wards: study protocol for a randomised controlled trial',
        'We will randomise 64 nurses.',
        'Recruitment will begin in May.',
    ],
    [
        'parallel-group trial',
        'Lamps for night nurses',
        'A randomised trial of lamps. An earlier cohort study had suggested an effect.',
        'Nurses were randomised by a list.',
    ],
]);

it('finds the setting and the main outcome however they are put', function (string $id, string $methods, string $holds) {
    $item = new AskedItem($id, $id === 'setting' ? 'Setting' : 'Primary outcome', ItemType::Text);
    $lead = (new LeadEngine())->lead($item, study('Bed lamps and sleep', 'We tried lamps.', $methods));
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
]);

it('is not taken in by what looks like it', function (AskedItem $item, string $heading, string $said, ?string $value) {
    expect(answer($item, $heading, $said))->toBe($value);
})->with(function () {
    $age = new AskedItem('age', 'Mean age', ItemType::Number, unit: 'years');
    $female = new AskedItem('female', 'Per cent female', ItemType::Number, unit: '%');
    $entered = new AskedItem('entered', 'Participants randomised or enrolled', ItemType::Number);
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

it('finds a design whatever the team calls it', function (string $said, ?string $design) {
    $item = new AskedItem('design', 'Study design', ItemType::Choice, [
        'Randomised trial', 'Cluster-randomised trial', 'Crossover RCT', 'Longitudinal study', 'Case–control study', 'Survey',
        'Pre–post comparison', 'Interviews',
    ]);
    expect(answer($item, 'Methods', $said))->toBe($design);
})->with([
    ['We did a randomised controlled trial of lamps.', 'Randomised trial'],
    ['Nurses were randomly assigned to dim or bright lamps.', 'Randomised trial'],
    ['Wards were randomised to dim or bright lamps.', 'Cluster-randomised trial'],
    ['In this randomised crossover trial each nurse had both lamps.', 'Crossover RCT'],
    ['This prospective cohort followed nurses for a year.', 'Longitudinal study'],
    ['Cases were matched with controls of the same age.', 'Case–control study'],
    ['We conducted a cross-sectional survey.', 'Survey'],
    ['Sleep was compared before and after lamps were installed.', 'Pre–post comparison'],
    ['We interviewed 12 nurses; transcripts were coded.', 'Interviews'],
    ['Semi-structured interviews were held with nurses.', 'Interviews'],
    ['Lamps were of three makes.', null],
    ['We followed 4,210 nurses for eleven years from their first night shift.', 'Longitudinal study'],
    ['Registry data of all staff were linked to records of accidents.', 'Longitudinal study'],
    ['Nurses who had erred were matched to two nurses who had not.', 'Case–control study'],
    ['Patients and population controls of the same age were asked.', 'Case–control study'],
    ['Errors in the six months before the new roster were set against those in the six months after it.', 'Pre–post comparison'],
]);

it('finds how long people were followed, and not what came before', function (string $said, ?string $value) {
    expect(answer(new AskedItem('follow_up', 'Followed for', ItemType::Duration), 'Methods', $said))->toBe($value);
})->with([
    ['After a six-week run-in, participants were followed for 52 weeks.', '52'],
    ['After a wash-out of 2 weeks, nurses wore visors for 8 weeks.', '8'],
    ['Questionnaires were sent again after 18 months.', '18'],
    ['Each session lasted 30 minutes.', null],
]);

it('finds a place where people took part', function () {
    expect(answer(new AskedItem('setting', 'Setting', ItemType::Text), 'Methods', 'Drivers of two bus depots took part.'))
        ->toBe('Drivers of two bus depots took part');
});

it('tells countries by their names, their cities, several as one, and from what is called after them or made there', function (string $said, ?string $country) {
    expect(answer(new AskedItem('country', 'Country', ItemType::Country), 'Methods', $said))->toBe($country);
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
    expect(answer(new AskedItem('funding', 'Funding', ItemType::Text), 'Funding', $said))->toContain($funder);
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
    expect(answer(new AskedItem('funding', 'Funding', ItemType::Text), 'Funding', $said))->toBeNull();
})->with(['The funder had no role in the study.', 'Not applicable.']);
