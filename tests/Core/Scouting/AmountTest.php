<?php

declare(strict_types=1);

use WaryHeron\Core\Scouting\Answer\Amount;

it('tells by how much in the words of the sentence', function (string $sentence, string $amount) {
    expect(Amount::told($sentence))->toBe($amount);
})->with([
    ['Falls were rarer with rounding (OR 0.56, 95% CI 0.31 to 0.90).', 'OR 0.56, 95% CI 0.31 to 0.90'],
    ['Falls were rarer with rounding (odds ratio 0.56 (95% CI 0.31–0.90)).', 'odds ratio 0.56 (95% CI 0.31–0.90)'],
    ['The rate ratio was 1.31 (95% confidence interval 1.08 to 1.59; p = 0.01).', 'rate ratio was 1.31 (95% confidence interval 1.08 to 1.59)'],
    ['The difference in lapses was −1.40 lapses (95% CI −2.25 to −0.55).', 'difference in lapses was −1.40 lapses (95% CI −2.25 to −0.55)'],
    ['Sleep after the shift was 41 minutes shorter with caffeine (95% CI 22 to 60).', '41 minutes shorter with caffeine (95% CI 22 to 60)'],
    ['Medication errors were 14% less frequent with a second check.', '14% less'],
    ['Sick leave was lower by 2.1 days a year on these wards.', 'lower by 2.1 days'],
    ['Drug errors fell from 41 to 28 a month after the check was brought in (p = 0.01).', 'from 41 to 28'],
    ['Hand hygiene rose from 48% before to 61% after the posters were hung.', 'from 48% before to 61%'],
    ['Staff cleaned their hands less often with posters (52% v 58%, p = 0.03).', '52% v 58%'],
    ['Pain was reported by 31% of clerks with the desk and by 47% of those without.', '31% of clerks with the desk and by 47%'],
    ['Falls were rarer (HR 0.71 [0.55–0.92]).', 'HR 0.71 [0.55–0.92]'],
    ['Errors were commoner (aOR = 1.45; 95% CI = 1.10, 1.92).', 'aOR = 1.45; 95% CI = 1.10, 1.92'],
    ['Median stay was 8 v 7 days.', '8 v 7 days'],
    ['A 32% reduction in falls was seen.', '32% reduction'],
    ['There were 1,204 nurses in 14 hospitals.', ''],
    ['Nurses were less sleepy after the nap (p = 0.03).', ''],
    ['The work took place from 2014 onwards.', ''],
    ['', ''],
]);

it('only ever tells what stands in the sentence', function () {
    $sentences = [
        'Errors (OR 0.4 [95% CI 0.2 to 0.8]) were rarer.',
        'By 3 points more (95% CI 1 to 5), and 4% v 5%.',
        'A 58% reduction (95% CI 31% to 75%) in mislabelled samples.',
    ];
    foreach ($sentences as $sentence) {
        expect(Amount::told($sentence))->not->toBe('')
            ->and($sentence)->toContain(rtrim(Amount::told($sentence), ')]'));
    }
});
