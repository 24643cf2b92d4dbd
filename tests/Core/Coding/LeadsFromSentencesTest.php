<?php

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\LeadEngine;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\FullText\Reading\HtmlPaper;

/** What is proposed where one section of an otherwise silent paper says one thing. */
function proposed(AskedItem $item, string $section, string $said): ?string
{
    $paper = '<h1>Bed lamps for wards</h1><h2>Abstract</h2><p>Nurses were randomly assigned to lamps or none.</p>'
        ."<h2>{$section}</h2><p>{$said}</p>";

    return (new LeadEngine())->lead($item, Passages::of(HtmlPaper::read($paper)))?->value;
}

it('knows a mean age in figures or words, and no other age', function (string $said, ?string $age) {
    expect(proposed(new AskedItem('age', 'Mean age', ItemType::Number, unit: 'years'), 'Results', $said))->toBe($age);
})->with([
    ['The nurses were on average thirty-eight years old.', '38'],
    ['Participants had a mean age of forty-one years.', '41'],
    ['The 48 drivers averaged forty-six years of age.', '46'],
    ['The 60 nurses were aged 41.2 years (standard deviation 9.8) and 48 were women.', '41.2'],
    ['The average participant was 44 years old.', '44'],
    ['Their ages ranged from 22 to 61 years with a mean of 37.9.', '37.9'],
    ['The median age was 40 years (interquartile range 33 to 49).', null],
    ['Mean age was 38.0 years in the lamp group and 41.5 years in the usual group.', null],
    ['Forty nurses aged twenty-two to fifty took part.', null],
    ['On average, nurses were in their thirties.', null],
    ['The mean length of service was 12.4 years.', null],
    ['The wards were on average thirty years old.', null],
]);

it('knows countries by their cities, several as one answer, and not where things come from', function (
    string $said,
    ?string $country,
) {
    expect(proposed(new AskedItem('country', 'Country', ItemType::Country), 'Methods', $said))->toBe($country);
})->with([
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

it('knows who paid, with money or in kind, or that nobody did', function (string $said, string $payer) {
    expect(proposed(new AskedItem('funding', 'Funding', ItemType::Text), 'Funding', $said))->toContain($payer);
})->with([
    ['Lamps were donated by Brightly Ltd, which had no part in the study.', 'Brightly Ltd'],
    ['The maker, Helio Lamps AS, gave the lamps but had no influence on the analysis.', 'Helio Lamps AS'],
    ['We thank Brightly Ltd for providing the lamps without charge.', 'Brightly Ltd'],
    ['Night Sleep Council, grant number 44-12; the sponsor had no role in the study.', 'Night Sleep Council'],
    ['The study was self-funded.', 'none'],
    ['The authors did not receive any funding.', 'none'],
]);

it('takes what funders did not do for no funder', function (string $said) {
    expect(proposed(new AskedItem('funding', 'Funding', ItemType::Text), 'Funding', $said))->toBeNull();
})->with(['The funder had no role in the study.', 'Not applicable.']);

it('knows what kind of estimate stands before an interval, wherever its name stands', function (string $said, string $told) {
    $item = new AskedItem('effect', 'Effect estimate', ItemType::Estimate, ['MD', 'OR', 'RR', 'HR', 'RD']);
    expect(proposed($item, 'Results', $said))->toBe($told);
})->with([
    ['Hazard ratio 0.81, 95% CI [0.70, 0.95].', 'HR 0.81 (0.70 to 0.95)'],
    ['Odds ratio for errors: 1.45 (95% CI 1.10–1.92).', 'OR 1.45 (1.10 to 1.92)'],
    ['Relative risks fell (RR 0.72; 95% confidence interval, 0.55 to 0.94).', 'RR 0.72 (0.55 to 0.94)'],
    ['Mean difference 24 min, 95% CI: 10 to 38.', 'MD 24 (10 to 38)'],
]);
