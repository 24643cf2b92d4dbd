<?php

declare(strict_types=1);

use WaryHeron\Core\Scouting\Answer\DirectionReader;
use WaryHeron\Core\Scouting\Asked\QuestionReader;
use WaryHeron\Core\Scouting\Kin\Families;
use WaryHeron\Core\Scouting\Reading\RecordSentence;
use WaryHeron\Core\Scouting\Reading\SentencePart;

it('reads which way a sentence points', function (string $question, array $sentences) {
    $reader = new DirectionReader((new QuestionReader(new Families()))->read($question));
    $read = [];
    foreach (array_keys($sentences) as $sentence) {
        $read[$sentence] = $reader->read(new RecordSentence($sentence, SentencePart::Result, 0.6))?->value;
    }

    expect($read)->toBe($sentences);
})->with([
    'mistakes in giving drugs' => ['Does a second nurse checking drugs reduce medication errors on wards?', [
        'Medication errors were 14% less frequent on wards with a second check (95% CI 5 to 22).' => 'less',
        'Wards with double checking reported more drug errors than wards without it (rate ratio 1.31, 95% CI 1.08 to 1.59).' => 'more',
        'The rate of wrong doses was 3.1 per 1000 in the checking period and 3.2 per 1000 in the control period (p = 0.71).' => 'no difference',
        'Drug errors fell from 41 to 28 a month after the second check was brought in (p = 0.01).' => 'less',
        'Errors were fewer on surgical wards with the check (OR 0.6), whereas on medical wards there was no difference (OR 1.0).' => 'mixed',
        'It remains unclear whether the second check has any effect on medication errors.' => 'unclear',
        'Neither the number nor the gravity of medication errors differed between the wards.' => 'no difference',
    ]],
    'leaving the job' => ['Does mentoring of new nurses reduce turnover?', [
        'Fewer mentored nurses had left the hospital after a year (9% v 17%; risk ratio 0.53, 95% CI 0.31 to 0.90).' => 'less',
        'Turnover was higher among nurses with a mentor than among those without one (p = 0.02).' => 'more',
        'There was no difference in turnover between units with and without mentors (hazard ratio 0.97, 95% CI 0.74 to 1.28).' => 'no difference',
        'Intention to leave was lower in the mentoring group (difference -0.4 points, 95% CI -0.7 to -0.1).' => 'less',
        'Retention was better with a mentor (odds ratio 1.8, 95% CI 1.2 to 2.7).' => 'less',
    ]],
    'washing hands' => ['Do reminders on posters improve hand hygiene among hospital staff?', [
        'Hand hygiene rose from 48% before to 61% after the posters were hung (p < 0.001).' => 'more',
        'Staff cleaned their hands less often on wards with posters than on those without (52% v 58%, p = 0.03).' => 'less',
        'Compliance with hand rubbing did not change (55% and 54%).' => 'no difference',
        'Hand washing improved among physicians but not among nurses, in whom it was unchanged.' => 'mixed',
    ]],
    'coffee and sleep' => ['Does caffeine in the second half of a night shift shorten sleep after work?', [
        'Sleep after the shift was 41 minutes shorter with caffeine (95% CI 22 to 60).' => 'less',
        'Nurses who drank coffee after three slept 5.1 hours and those who did not slept 5.9 hours (p = 0.004).' => 'less',
        'Total sleep did not differ between caffeine and placebo days (difference 3 minutes, 95% CI -14 to 20).' => 'no difference',
        'Sleep loss was greater on caffeine days (p = 0.01).' => 'less',
    ]],
    'two kinds of mattress' => ['Which leads to fewer pressure ulcers: foam mattresses or air mattresses?', [
        'Pressure ulcers were less frequent with foam mattresses than with air mattresses (4% v 9%, p = 0.02).' => 'less',
        'Pressure ulcers arose in 3% of patients on air mattresses and in 8% of those on foam mattresses (p = 0.01).' => 'more',
        'The share with a pressure ulcer was 6.1% with foam and 5.9% with air mattresses (p = 0.88).' => 'no difference',
    ]],
    'an outcome told by its contrary, and the time of day' => ['Does a light box make night staff less sleepy?', [
        'Mean alertness at 04:00 was 4.68 points with the light box and 4.14 points with dim light (difference 0.54, 95% CI 0.19 to 0.88).' => 'less',
        'The difference in lapses of attention was −1.40 lapses (95% CI −2.25 to −0.55).' => 'less',
        'Alertness worsened by 0.89 points with the light box (p = 0.014).' => 'more',
        'Sleepiness was found in 23% (95% CI 20 to 25).' => null,
    ]],
    'long shifts and needles' => ['Are long shifts associated with needlestick injuries in nurses?', [
        'Nurses on long shifts had twice the odds of a needlestick injury (odds ratio 2.04, 95% CI 1.4 to 3.0).' => 'more',
        'Working twelve-hour shifts was not associated with needlestick injuries (OR 1.06, 95% CI 0.88 to 1.27).' => 'no difference',
        'Sharps injuries were rarer on long shifts than on short ones (0.8 against 1.4 per 1000 shifts).' => 'less',
        'It is unlikely that long shifts do not raise the risk of needlestick injuries.' => 'more',
    ]],
]);
