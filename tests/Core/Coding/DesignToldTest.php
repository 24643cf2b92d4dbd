<?php

namespace Tests\Core\Coding\DesignTold;

use Tests\Core\Coding\SmallPaper;
use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\LeadEngine;

it('tells a design however it is put', function (string $design, string $title, string $abstract, string $methods) {
    $designs = [
        'parallel-group trial', 'crossover trial', 'cluster trial', 'before-after study', 'cohort study', 'cross-sectional study',
        'case-control study', 'qualitative study', 'protocol', 'other',
    ];
    $item = new AskedItem('design', 'Study design', ItemType::Choice, $designs);
    expect((new LeadEngine())->lead($item, SmallPaper::study($title, $abstract, $methods))?->value)->toBe($design);
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
    [
        'parallel-group trial',
        'Lavender oil and sleep of night nurses',
        'Fifty nurses were allocated by coin toss to lavender oil or to almond oil.',
        'Groups were alike at the start.',
    ],
    [
        'parallel-group trial',
        'Earplugs in intensive care: a single-centre RCT',
        'Patients got earplugs or none, by sealed envelopes drawn at random.',
        'Nurses who rated sleep did not know the group.',
    ],
    [
        'parallel-group trial',
        'Walking in pregnancy',
        'Women were randomized to walking or usual care.',
        'Randomization was stratified by parity.',
    ],
    [
        'crossover trial',
        'Caffeine gum at night',
        'Each driver had caffeine gum one night and plain gum another, in an order drawn by lot.',
        'At least a week lay between both nights.',
    ],
    [
        'crossover trial',
        'Cool vests for bakers: a within-subject trial',
        'All bakers worked one week with and one week without a vest; the order was randomised.',
        'A week of rest came between.',
    ],
    [
        'cluster trial',
        'Hand hygiene in kindergartens',
        'Twenty kindergartens were drawn by lot: ten taught hand washing, ten did not.',
        'The kindergarten was the unit of allocation.',
    ],
    [
        'cluster trial',
        'A reminder for general practices: cluster randomised',
        'Practices, not patients, were randomised.',
        'We allowed for clustering.',
    ],
    [
        'before-after study',
        'A new rota for midwives',
        'Sick leave in the year before the new rota was compared with the year after.',
        'No other unit served as a control.',
    ],
    [
        'before-after study',
        'Teaching handover: pre- and post-test',
        'Students filled in a test before and after a course.',
        'There was no control group.',
    ],
    [
        'cohort study',
        'Shift work and diabetes in 12,000 nurses',
        'Nurses without diabetes were followed through registers for 14 years.',
        'Hazard ratios were estimated by Cox regression.',
    ],
    [
        'cohort study',
        'Bullying and later sick leave',
        'Employees answered at baseline; sick leave during the next two years was taken from registers.',
        'Exposure was measured before the outcome.',
    ],
    [
        'cross-sectional study',
        'Back pain among postal workers',
        'A questionnaire was sent once to 2,000 postal workers; 1,120 answered.',
        'Prevalence ratios were calculated.',
    ],
    [
        'cross-sectional study',
        'Sleep and shift type: a cross-sectional analysis',
        'At one health check, 640 workers were asked about sleep.',
        'Logistic regression was used.',
    ],
    [
        'case-control study',
        'Needlestick injuries and hours of work',
        'Each injured worker was compared with three uninjured ones of the same ward.',
        'Controls were matched by occupation.',
    ],
    [
        'case-control study',
        'Night light and breast cancer: a case-control study',
        'Women with breast cancer and women without were asked about light at night.',
        'Controls came from the population register.',
    ],
    [
        'qualitative study',
        '“Nobody sees us”: cleaners’ accounts of night work',
        'Fifteen cleaners were interviewed; interviews were transcribed and coded.',
        'Themes were built from the codes.',
    ],
    [
        'qualitative study',
        'Focus groups with porters on lifting',
        'Four focus groups discussed lifting.',
        'Transcripts were read by two people.',
    ],
    [
        'protocol',
        'NAPWELL: protocol of a trial of naps',
        'Nurses will be randomised to naps or none.',
        'The first results are expected in 2025.',
    ],
    [
        'other',
        'Errors after an electronic chart: interrupted time series',
        'Monthly errors over four years were modelled.',
        'Segmented regression was used.',
    ],
    [
        'protocol',
        'Does light help? Rationale and design of the GLOW trial',
        'We describe the design; 200 nurses will be recruited.',
        'The study will start in spring.',
    ],
]);

it('finds a design whatever the team calls it', function (string $said, ?string $design) {
    $item = new AskedItem('design', 'Study design', ItemType::Choice, [
        'Randomised trial', 'Cluster-randomised trial', 'Crossover RCT', 'Longitudinal study', 'Case–control study', 'Survey',
        'Pre–post comparison', 'Interviews',
    ]);
    expect(SmallPaper::answer($item, 'Methods', $said))->toBe($design);
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
