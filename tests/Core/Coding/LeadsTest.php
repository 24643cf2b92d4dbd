<?php

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\BadCodebook;
use WaryHeron\Core\Coding\Lead\Asked\Codebook;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Briefing;
use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Coding\Lead\Count;
use WaryHeron\Core\Coding\Lead\Figures;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\LeadEngine;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\People;
use WaryHeron\Core\Coding\Lead\Place\Countries;
use WaryHeron\Core\Coding\Lead\Sentences;
use WaryHeron\Core\FullText\Reading\HtmlPaper;

/** A small paper; what is given stands in place of some of its parts. */
function told(array $parts = []): Passages
{
    $parts += [
        'title' => 'Bed lamps for wards: a randomised trial',
        'abstract' => 'Nurses were randomly assigned to bed lamps or to usual light.',
        'introduction' => 'Nurses sleep badly.',
        'methods' => 'The trial took place on four wards of a hospital in Norway. The lamps were used for six weeks. The primary outcome was hours of sleep, from a diary.',
        'results' => 'Of 90 nurses asked, 64 were randomised and 60 were included in the analysis. Their mean age was 38.4 years and 75% were women. They slept 0.8 hours longer with lamps (mean difference 0.8 hours, 95% CI 0.2 to 1.4; p = 0.012).',
        'discussion' => 'Lamps help.',
        'funding' => 'The work was funded by the Ward Light Foundation. The authors have no competing interests. Trial registration: ISRCTN99000001.',
    ];
    $html = "<h1>{$parts['title']}</h1>";
    foreach (array_diff_key($parts, ['title' => 1]) as $section => $text) {
        $html .= "<h2>{$section}</h2>".(str_starts_with($text, '<') ? $text : "<p>{$text}</p>");
    }

    return Passages::of(HtmlPaper::read($html));
}

function asked(string $id): AskedItem
{
    $designs = [
        'parallel-group trial',
        'crossover trial',
        'cluster trial',
        'before-after study',
        'cohort study',
        'cross-sectional study',
        'case-control study',
        'qualitative study',
        'protocol',
        'other',
    ];

    return match ($id) {
        'design' => new AskedItem($id, 'Study design', ItemType::Choice, $designs),
        'interests' => new AskedItem($id, 'Conflict of interest', ItemType::Choice, ['none declared', 'declared']),
        'country' => new AskedItem($id, 'Country', ItemType::Country),
        'analysed' => new AskedItem($id, 'Participants analysed', ItemType::Number),
        'entered' => new AskedItem($id, 'Participants randomised or enrolled', ItemType::Number),
        'age' => new AskedItem($id, 'Mean age', ItemType::Number, unit: 'years'),
        'female' => new AskedItem($id, 'Per cent female', ItemType::Number, unit: '%'),
        'duration' => new AskedItem($id, 'Duration', ItemType::Duration),
        'effect' => new AskedItem($id, 'Effect estimate', ItemType::Estimate, ['MD', 'OR', 'RR', 'HR', 'RD']),
        'p' => new AskedItem($id, 'P value', ItemType::PValue),
        'registration' => new AskedItem($id, 'Registration number', ItemType::Identifier),
        'funding' => new AskedItem($id, 'Funding', ItemType::Text),
        'outcome' => new AskedItem($id, 'Primary outcome', ItemType::Text),
        'setting' => new AskedItem($id, 'Setting', ItemType::Text),
        'noise' => new AskedItem(
            $id,
            'Noise at night',
            ItemType::Text,
            briefing: new Briefing('', ['decibel', 'sound level']),
        ),
    };
}

function lead(string $id, array $parts = []): ?Lead
{
    return (new LeadEngine())->lead(asked($id), told($parts));
}

it('finds what a paper plainly says', function (string $item, string $value) {
    $lead = lead($item);
    expect($lead?->value)->toBe($value)->and($lead->confidence())->not->toBe(Confidence::Check);
})->with([
    ['design', 'parallel-group trial'],
    ['country', 'Norway'],
    ['entered', '64'],
    ['analysed', '60'],
    ['age', '38.4'],
    ['female', '75'],
    ['duration', '6'],
    ['effect', 'MD 0.8 (0.2 to 1.4)'],
    ['p', '0.012'],
    ['registration', 'ISRCTN99000001'],
    ['funding', 'the Ward Light Foundation'],
    ['outcome', 'hours of sleep, from a diary'],
    ['interests', 'none declared'],
]);

it('tells designs apart', function (string $design, array $parts) {
    expect(lead('design', $parts)?->value)->toBe($design);
})->with([
    [
        'cluster trial',
        [
            'title' => 'Lamps on wards',
            'abstract' => 'Twelve wards were randomly assigned to lamps or none, in a cluster randomised trial.',
        ],
    ],
    [
        'crossover trial',
        [
            'title' => 'Lamps and sleep',
            'abstract' => 'Each nurse was her own control in a two-period crossover trial, with a washout of a week.',
        ],
    ],
    [
        'cohort study',
        [
            'title' => 'Lamps and falls: a cohort study',
            'abstract' => 'A cohort of nurses was followed for 9,000 person-years.',
            'methods' => 'We followed the cohort.',
            'results' => 'None.',
        ],
    ],
    [
        'qualitative study',
        [
            'title' => 'What lamps mean',
            'abstract' => 'In a qualitative study we held focus groups and in-depth interviews; a thematic analysis followed.',
            'methods' => 'Interviews were transcribed.',
            'results' => 'Light was home.',
        ],
    ],
    [
        'protocol',
        [
            'title' => 'Lamps: protocol for the WARD trial',
            'abstract' => 'Nurses will be randomised to lamps or none. The trial will start in May.',
            'methods' => 'Nurses will be recruited.',
            'results' => 'None yet.',
        ],
    ],
]);

it('is not taken in by what looks like an answer', function (string $item, array $parts, ?string $value) {
    expect(lead($item, $parts)?->value)->toBe($value);
})->with([
    'the people of a study that is cited' => [
        'age',
        [
            'introduction' => 'Holt et al. (2011) lit lamps for 46 clerks (mean age 29.1 years).',
            'results' => 'We saw 12 nurses. They had a mean age of 41.2 years.',
        ],
        '41.2',
    ],
    'a planned number' => [
        'entered',
        [
            'methods' => 'To detect half an hour, 120 nurses were needed.',
            'results' => 'In all, 64 nurses were randomised.',
        ],
        '64',
    ],
    'a limit of age' => [
        'age',
        ['methods' => 'Nurses aged 22 to 60 years were eligible.', 'results' => 'They slept.'],
        null,
    ],
    'wards' => [
        'entered',
        ['abstract' => 'x', 'results' => 'Sixteen wards were randomised. On them, 212 nurses were enrolled.'],
        '212',
    ],
    'those who were lost' => [
        'analysed',
        ['results' => 'Seven nurses left; 57 nurses were included in the analysis.'],
        '57',
    ],
    'one of two groups' => ['entered', ['results' => 'We randomised 64 nurses: 32 nurses to each group.'], '64'],
    'the number of an ethics committee' => [
        'registration',
        ['funding' => 'The ethics committee approved it (file 14-0771).'],
        null,
    ],
    'a secondary outcome' => [
        'p',
        ['results' => 'Hours of sleep rose (p = 0.03). In secondary analyses errors fell (p = 0.001).'],
        '0.03',
    ],
    'an interval that is not of the number before it' => [
        'effect',
        ['results' => 'At 12 weeks sleep was 0.8 hours longer in 1,204 nights (95% CI 0.2 to 1.4).'],
        'MD 0.8 (0.2 to 1.4)',
    ],
    'a funder that did nothing else' => [
        'funding',
        ['funding' => 'Funding: the Ward Light Foundation. The funder had no role in the study.'],
        'the Ward Light Foundation',
    ],
    'nobody' => ['funding', ['funding' => 'The authors received no funding for this work.'], 'none'],
    'one interest among none' => [
        'interests',
        ['funding' => 'Competing interests: IO owns shares in a maker of lamps; the other authors have none.'],
        'declared',
    ],
    'a protocol has no results' => [
        'age',
        [
            'title' => 'Lamps: protocol for the WARD trial',
            'abstract' => 'Nurses will be randomised. The trial will start in May.',
            'methods' => 'Nurses will be recruited; a mean age of 40 years is expected.',
            'results' => 'x',
        ],
        null,
    ],
    'nothing' => ['noise', [], null],
]);

it('reads tables', function (string $item, string $table, string $value) {
    expect(lead($item, ['results' => $table])?->value)->toBe($value);
})->with([
    'the column of all' => [
        'age',
        '<table><tr><td></td><td>Lamps (n = 30)</td><td>None (n = 34)</td><td>All</td></tr><tr><td>Age, mean (SD)</td><td>38.0 (9)</td><td>39.0 (8)</td><td>38.5 (8)</td></tr></table>',
        '38.5',
    ],
    'the mean over groups' => [
        'age',
        '<table><tr><td></td><td>Lamps (n = 10)</td><td>None (n = 30)</td></tr><tr><td>Age, mean (SD)</td><td>30.0 (9)</td><td>40.0 (8)</td></tr></table>',
        '37.5',
    ],
    'women over groups' => [
        'female',
        '<table><tr><td></td><td>Lamps (n = 10)</td><td>None (n = 30)</td></tr><tr><td>Women, n (%)</td><td>5 (50)</td><td>25 (83)</td></tr></table>',
        '75',
    ],
    'women and men' => [
        'female',
        '<table><tr><td>Characteristic</td><td>Value</td></tr><tr><td>Women</td><td>30</td></tr><tr><td>Men</td><td>10</td></tr></table>',
        '75',
    ],
    'an estimate' => [
        'effect',
        '<table><tr><td>Outcome</td><td>Lamps</td><td>None</td><td>Difference (95% CI)</td><td>p</td></tr><tr><td>Hours of sleep</td><td>7.1</td><td>6.3</td><td>0.8 (0.2 to 1.4)</td><td>0.012</td></tr></table>',
        'MD 0.8 (0.2 to 1.4)',
    ],
    'an estimate under a head that is one short' => [
        'effect',
        '<table><tr><td>Lamps</td><td>None</td><td>Difference</td><td>p</td></tr>'.
            '<tr><td>Hours of sleep</td><td>7.1</td><td>6.3</td><td>0.8 (0.2 to 1.4)</td><td>0.012</td></tr></table>',
        'MD 0.8 (0.2 to 1.4)',
    ],
    'a p value under a head that is one short' => [
        'p',
        '<table><tr><td>Lamps</td><td>None</td><td>p</td></tr>'.
            '<tr><td>Hours of sleep</td><td>7.1</td><td>6.3</td><td>0.012</td></tr></table>',
        '0.012',
    ],
    'a p value' => [
        'p',
        '<table><tr><td>Outcome</td><td>Lamps</td><td>None</td><td>p</td></tr><tr><td>Hours of sleep</td><td>7.1</td><td>6.3</td><td>&lt;0.001</td></tr></table>',
        '<0.001',
    ],
]);

it('quotes only what stands in the paper, where it stands', function () {
    $paper = told();
    $text = implode("\n", array_column($paper->all, 'text'));
    foreach (
        [
            'design',
            'country',
            'entered',
            'analysed',
            'age',
            'female',
            'duration',
            'effect',
            'p',
            'registration',
            'funding',
            'outcome',
            'setting',
            'interests',
        ] as $id
    ) {
        $lead = (new LeadEngine())->lead(asked($id), $paper);
        expect($text)->toContain($lead->quote)->and($lead->reason)->not->toBe('');
    }
});

it('knows numbers in figures and in words', function (string $told, ?float $value) {
    expect(Figures::value($told))->toBe($value);
})->with([
    ['12', 12.0],
    ['1,204', 1204.0],
    ['0.8', 0.8],
    ['12·5', 12.5],
    ['twenty-eight', 28.0],
    ['one hundred and six', 106.0],
    ['two thousand three hundred', 2300.0],
    ['Ninety', 90.0],
    ['lamps', null],
    ['', null],
]);

it('counts persons and nothing else', function (string $text, array $counts) {
    expect(array_map(fn (Count $one): float => $one->value, People::counts($text)))->toBe(
        array_map(floatval(...), $counts),
    );
})->with([
    ['We asked 64 nurses on 12 wards for 6 weeks in 2019.', [64]],
    ['Twenty-three nurses and 1,204 patients', [23, 1204]],
    ['aged 22 to 60 years, 75% women, p = 0.04', []],
    ['on 3 February 2015 at 4 o’clock in week 16', []],
    ['Table 2 shows 30 of 64 women', [30, 64]],
    ['They left for illness and, in two cases, headache.', []],
    ['It was found in 40 cases and 80 controls.', [40, 80]],
]);

it('parts sentences at their ends only', function (string $text, int $sentences) {
    expect(Sentences::of($text))->toHaveCount($sentences)->and(implode(' ', Sentences::of($text)))->toBe($text);
})->with([
    ['Lamps help. They do.', 2],
    ['Holt et al. lit 1.5 lamps (e.g. at night) vs. none. It helped.', 2],
    ['I. N. Okafor slept. “It is so.” Nobody asked.', 3],
    ['No end', 1],
    ['It began in Sept. 2011. It ended in Oct. 2012.', 2],
    ['Dr. Lind and Prof. Ost took part. They slept.', 2],
    ['See Fig. 2 and Table 3. No. 4 was lost.', 2],
    ['Lamps (Lampworks Ltd., Oslo) were lit. They shone.', 2],
    ['Was it light? Yes! It was.', 3],
    ['St. Anne’s Hospital took part. So did we.', 2],
]);

it('knows countries by name and by adjective, and not within words', function (string $text, array $countries) {
    expect(array_keys(Countries::in($text)))->toBe($countries);
})->with([
    ['In Danish and Swedish wards', ['Denmark', 'Sweden']],
    ['the Netherlands and the UK', ['Netherlands', 'United Kingdom']],
    ['the German version of the scale', []],
    ['Indiana, Nigerian', ['Nigeria']],
    ['nurses in Georgia, USA', ['United States']],
    ['nurses in Tbilisi, Georgia', ['Georgia']],
    ['wards in Northern Ireland', ['United Kingdom']],
    ['an Irish ward', ['Ireland']],
    ['New Mexico', []],
    ['Mexico City', ['Mexico']],
    ['Chinese herbal medicine', []],
    ['Chinese nurses in Hong Kong', ['China']],
    ['a hospital in the UAE', ['United Arab Emirates']],
    ['South Korean nurses', ['South Korea']],
]);

it('refuses a codebook that it cannot use, and says why', function (string $json, string $why) {
    expect(fn () => Codebook::fromJson($json))->toThrow(BadCodebook::class, $why);
})->with([
    'nothing' => ['', 'It holds no items'],
    'a list' => ['[1, 2]', 'It holds no items'],
    'no id' => ['{"items": [{"type": "text"}]}', 'Item 1 needs an id'],
    'no such type' => ['{"items": [{"id": "a", "type": "colour"}]}', 'one of these types: choice'],
]);
