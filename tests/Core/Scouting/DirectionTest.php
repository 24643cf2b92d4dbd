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
    'falls, which are also a word for less' => ['Do bed alarms reduce falls among hospital patients?', [
        'Falls per 1,000 bed-days were 5.4 with alarms and 5.6 without (rate ratio 0.96, 95% CI 0.80 to 1.15).' => 'no difference',
        'The alarm group had significantly fewer falls than the control group (23 v 41, p = 0.02).' => 'less',
        'Use of bed alarms was not associated with falls (adjusted OR 1.02, 95% CI 0.88 to 1.19).' => 'no difference',
        'Patients with alarms fell more often (incidence rate ratio 1.24, 95% CI 1.05 to 1.46).' => 'more',
        'The intervention halved the rate of falls.' => 'less',
        'A 32% reduction in falls was seen on wards with alarms.' => 'less',
        'Injurious falls were unaffected by alarms.' => 'no difference',
        'Alarms led to a rise in falls from 4.1 to 5.0 per 1,000 patient-days.' => 'more',
        'The hazard of a fall was 0.71 (95% CI 0.55 to 0.92) with alarms compared with usual care.' => 'less',
    ]],
    'a length, and what is told by its contrary' => ['Does chewing gum shorten hospital stay after surgery?', [
        'Mean stay was 1.3 days shorter with gum (95% CI 0.6 to 2.0).' => 'less',
        'Length of stay did not differ between the groups (6.1 v 6.2 days; p = 0.8).' => 'no difference',
        'Stay was longer in the gum group (median 8 v 7 days; p = 0.03).' => 'more',
        'Gum reduced length of hospital stay.' => 'less',
    ]],
    'a disease' => ['Is night work associated with breast cancer among nurses?', [
        'Nurses who had worked nights for 20 years had a higher risk of breast cancer (RR 1.36, 95% CI 1.04 to 1.78).' => 'more',
        'Risk of breast cancer was not raised in night workers (HR 0.99, 95% CI 0.89 to 1.10).' => 'no difference',
        'No association was observed between rotating night shifts and breast cancer.' => 'no difference',
        'Breast cancer was twice as frequent in those who worked at night.' => 'more',
        'The odds of breast cancer rose with years of night work (p for trend = 0.01).' => 'more',
        'Night work was inversely related to breast cancer (OR 0.7, 95% CI 0.5 to 0.9).' => 'less',
    ]],
    'being awake' => ['Does light therapy improve alertness in shift workers?', [
        'Subjective sleepiness was lower under bright light (difference −0.9 points, 95% CI −1.4 to −0.4).' => 'more',
        'There were no differences in alertness between bright and dim light.' => 'no difference',
        'Workers felt more alert in the light condition (p < 0.001).' => 'more',
        'Light therapy worsened alertness at the end of the shift.' => 'less',
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
    ['Does music in the operating theatre reduce errors by surgical teams?', [
        'Teams that operated with music made 2.1 errors per case and those in silence 2.9 (p = 0.02).' => 'less',
        'Music was accompanied by a rise in counting errors from 1.1 to 1.8 per list (p = 0.03).' => 'more',
        'The number of errors was the same with and without music (median 2 in both).' => 'no difference',
        'With music, junior surgeons made fewer errors (rate ratio 0.71, 95% CI 0.55 to 0.92), whereas seniors made more (1.28, 1.02 to 1.60).' => 'mixed',
        'No reduction in errors was seen when music was played (rate ratio 0.97, 95% CI 0.81 to 1.17).' => 'no difference',
        'Errors were not fewer with music than without it (3.0 v 3.1, p = 0.84).' => 'no difference',
        'Playing music cut errors by a quarter (95% CI 9% to 38%).' => 'less',
        'We cannot tell whether music has any influence on errors.' => 'unclear',
    ]],
    ['Do earplugs improve the sleep of patients in intensive care?', [
        'Patients with earplugs slept 54 minutes longer per night than controls (95% CI 21 to 87).' => 'more',
        'Sleep was shorter by 20 minutes in the earplug group (95% CI -48 to 8).' => 'no difference',
        'Total sleep was 4.1 hours with earplugs and 4.0 hours with usual care (p=0.72).' => 'no difference',
        'Earplugs worsened sleep: patients slept 38 minutes less (p = 0.01).' => 'less',
        'Good sleep was reported by 61% of patients with earplugs and 42% of those without (odds ratio 2.2, 95% CI 1.3 to 3.6).' => 'more',
        'Sleep improved with earplugs in patients under 60 but not in older ones.' => 'mixed',
    ]],
    ['Does self-rostering reduce sick leave among nurses?', [
        'Sick leave fell from 5.9% to 4.8% of hours on self-rostering wards and from 5.8% to 5.7% on the others (p = 0.01 for the interaction).' => 'less',
        'Nurses who rostered themselves were absent 3.2 days less per year than colleagues on imposed rosters (95% CI 1.1 to 5.3).' => 'less',
        'Self-rostering was associated with higher odds of a sickness spell (adjusted odds ratio 1.34, 95% CI 1.05 to 1.71).' => 'more',
        'Absence did not change after self-rostering had begun (rate ratio 1.02, 0.90 to 1.15).' => 'no difference',
        'Of nine studies, six found less sickness absence with self-rostering, two found no difference and one found more.' => 'less',
        'The hazard of sick leave was 0.81 (95% CI 0.70 to 0.94) with self-rostering.' => 'less',
        'Sick leave was lower by 0.4 days, a difference that was compatible with chance.' => 'no difference',
    ]],
    ['Is bullying more common among night nurses than among day nurses?', [
        'Bullying was reported by 14% of night nurses and 9% of day nurses (p < 0.01).' => 'more',
        'Day nurses reported bullying more often than night nurses (12% against 7%; p = 0.02).' => 'less',
        'There was no association between shift and bullying (OR 1.05, 95% CI 0.79 to 1.40).' => 'no difference',
    ]],
    ['Does a hospital dog visit lower stress in emergency staff?', [
        'After the visit stress was rated 3.1 points lower than after a coffee break (95% CI 1.9 to 4.3).' => 'less',
        'Stress scores rose in both groups, and more so with the dog (difference 0.9, 95% CI 0.2 to 1.6).' => 'more',
        'Cortisol and self-rated stress were unaffected by the visit.' => 'no difference',
        'The dog lowered stress in those who liked dogs (p=0.01); in the others it was unchanged.' => 'mixed',
        'Mean stress was 42 before and 31 after the visit (p<0.001).' => 'less',
    ]],
    ['Which leads to fewer falls: low beds or bed alarms?', [
        'Falls were less frequent on wards with low beds than on wards with bed alarms (4.1 v 5.6 per 1000 bed days, p = 0.03).' => 'less',
        'There were 5.2 falls per 1000 bed days with bed alarms and 6.9 with low beds (rate ratio 1.33, 95% CI 1.04 to 1.70).' => 'more',
        'Fall rates were alike with low beds and with bed alarms.' => 'no difference',
    ]],
    ['Does peer support reduce burnout in junior doctors?', [
        'Burnout was present in 31% of the peer support group and 45% of the waiting list (risk ratio 0.69, 95% CI 0.50 to 0.95).' => 'less',
        'Doctors with peer support were half as likely to be burnt out at six months (OR 0.49, 95% CI 0.27 to 0.88).' => 'less',
        'Exhaustion increased by 2.4 points with peer support and by 0.3 points without it (p = 0.04).' => 'more',
        'We found no benefit of peer support on burnout.' => 'no difference',
    ]],
    ['Does drinking coffee before the drive home make nurses more alert at the wheel?', [
        'Lane departures were fewer after coffee than after decaffeinated coffee (2.1 against 3.4 per hour, p = 0.02).' => 'more',
        'Nurses who had drunk coffee nodded off less often (OR 0.44, 95% CI 0.21 to 0.92).' => 'more',
        'Sleepiness at the wheel was rated 1.2 points higher after coffee (95% CI 0.3 to 2.1).' => 'less',
        'Alertness was neither better nor worse after coffee (difference 0.2, 95% CI -0.6 to 1.0).' => 'no difference',
        'Coffee made no difference to alertness at the wheel.' => 'no difference',
    ]],
    ['Do twelve-hour shifts increase medication errors by nurses?', [
        'Errors per 1000 doses were 4.1 on twelve-hour and 3.0 on eight-hour shifts (rate ratio 1.37, 95% CI 1.12 to 1.68).' => 'more',
        'Nurses on eight-hour shifts made fewer errors than nurses on twelve-hour shifts (p = 0.01).' => 'more',
        'The risk of an error in the last four hours was 1.6 times that of the first eight (95% CI 1.2 to 2.1).' => 'more',
        'After the change from eight- to twelve-hour shifts errors went from 3.3 to 3.2 per 1000 doses (p = 0.80).' => 'no difference',
        'Twelve-hour shifts were not associated with more errors once the number of patients was held constant (OR 1.04, 0.88 to 1.23).' => 'no difference',
        'Long shifts were followed by more errors at night but not by day.' => 'mixed',
    ]],
    ['Does a checklist at handover reduce lost information?', [
        'With the checklist 8% of items were omitted, without it 17% (p<0.001).' => 'less',
        'Omissions dropped by half once the checklist was used (rate ratio 0.51, 95% CI 0.38 to 0.69).' => 'less',
        'The share of items omitted was 12% before and 11% after the checklist, a difference that could be due to chance.' => 'no difference',
        'More was left out with the checklist, since nurses stopped where the list ended (mean 3.1 v 2.2 items, p=0.03).' => 'more',
    ]],
    ['Does hourly rounding reduce pressure ulcers in hospital patients?', [
        'Patients on rounding wards had 0.6 times the odds of a pressure ulcer (95% CI 0.4 to 0.9).' => 'less',
        'No fewer ulcers arose on rounding wards (3.1% v 3.0%).' => 'no difference',
        'Pressure ulcers were seen in 21 of 410 patients with rounding and 38 of 405 without (p = 0.02).' => 'less',
        'The incidence of ulcers was higher under rounding (hazard ratio 1.42, 95% CI 1.02 to 1.98).' => 'more',
    ]],
    ['Do weighted blankets lengthen the sleep of patients with dementia?', [
        'Sleep lasted 5.9 hours under the blanket and 5.2 hours under an ordinary one (difference 0.7, 95% CI 0.2 to 1.2).' => 'more',
        'Patients woke less often and slept 31 minutes longer under the blanket (p = 0.01).' => 'more',
        'There was no sign that the blanket lengthened sleep (mean difference 4 minutes, 95% CI -13 to 21).' => 'no difference',
        'Contrary to expectation, sleep became shorter under the blanket, by 26 minutes (95% CI 5 to 47).' => 'less',
    ]],
    ['Does music during wound dressing lower the pain of patients?', [
        'Pain scores were 2.9 with music and 4.1 without (p = 0.003).' => 'less',
        'Patients who listened to music reported as much pain as those who did not (4.0 and 4.1 points).' => 'no difference',
        'Music took 1.1 points off the pain of dressing changes (95% CI 0.4 to 1.8).' => 'less',
        'Less pain was felt in silence than with music (p = 0.04).' => 'more',
        'Relief was greater in the music group (difference 0.8 points, 95% CI 0.2 to 1.4).' => 'less',
    ]],
    ['Is understaffing on night shifts associated with falls of patients?', [
        'Each additional patient per nurse was associated with 8% more falls (95% CI 2 to 14).' => 'more',
        'Falls were as frequent on understaffed nights as on others (rate ratio 1.02, 95% CI 0.91 to 1.14).' => 'no difference',
        'Understaffed nights had fewer falls, but also fewer recorded incidents of any kind (rate ratio 0.82, 95% CI 0.70 to 0.96).' => 'less',
        'Falls doubled on nights with fewer than two nurses (p = 0.01).' => 'more',
        'We could not tell whether staffing had any bearing on falls, as records were incomplete.' => 'unclear',
    ]],
    ['Do tablet games improve the cognition of older patients?', [
        'Cognition scores rose by 1.4 points with the games and by 0.2 points in the control group (p = 0.02).' => 'more',
        'Cognition declined in both groups to the same extent.' => 'no difference',
        'Scores of memory were better after the games in women; in men they were not.' => 'mixed',
        'Gains in cognition were smaller with the games than with conversation (p = 0.04).' => 'less',
        'Playing games was of no benefit to cognition (difference 0.1, 95% CI -0.5 to 0.7).' => 'no difference',
    ]],
    ['Does shift rotation forwards shorten sick leave among nurses?', [
        'Sick leave went down from 14.2 to 11.0 days a year after wards moved to forward rotation (p = 0.01).' => 'less',
        'Days of sick leave were 11.8 under forward and 12.0 under backward rotation (p = 0.81).' => 'no difference',
        'Nurses on forward rotation took 3 days more sick leave a year than those on backward rotation (95% CI 1 to 5).' => 'more',
        'Sick leave was longer under backward rotation than under forward rotation (mean difference 2.1 days, 95% CI 0.6 to 3.6).' => 'less',
        'Backward rotation went with more sick leave (OR 1.6, 95% CI 1.1 to 2.3).' => 'less',
    ]],
    ['Does simulation training improve the confidence of newly qualified nurses?', [
        'Confidence was rated 6.8 after simulation and 6.1 after lectures (p = 0.03).' => 'more',
        'Newly qualified nurses felt surer of themselves after simulation (mean difference 0.7, 95% CI 0.2 to 1.2).' => 'more',
        'Simulation left confidence as it was (mean change 0.1 points, 95% CI -0.3 to 0.5).' => 'no difference',
        'Those trained by simulation were less confident at six months than those trained by lectures (p = 0.04).' => 'less',
        'Confidence was up by a tenth in both arms.' => 'no difference',
    ]],
    ['Do standing desks reduce back pain in ward clerks?', [
        'Back pain was reported by 31% of clerks with a standing desk and 47% of those with a usual desk (p = 0.02).' => 'less',
        'The standing desk did nothing for back pain.' => 'no difference',
        'Clerks at standing desks complained of back pain more often (41% v 33%; risk ratio 1.24, 95% CI 1.03 to 1.49).' => 'more',
        'Back pain eased in clerks who stood for two hours or more; in those who stood less it did not.' => 'mixed',
        'A standing desk more than halved the prevalence of back pain (OR 0.46, 95% CI 0.28 to 0.77).' => 'less',
    ]],
    ['Are bright corridors at night associated with delirium in old patients?', [
        'Delirium occurred in 18% of patients on wards with bright corridors and in 11% on wards with dark corridors (p = 0.01).' => 'more',
        'Brightness of the corridor was not a predictor of delirium (OR 1.03 per 10 lux, 95% CI 0.97 to 1.09).' => 'no difference',
        'The brighter the corridor, the more delirium was recorded (p for trend 0.002).' => 'more',
        'Dark corridors were associated with less delirium (OR 0.62, 95% CI 0.41 to 0.93).' => 'more',
        'Delirium was somewhat commoner with bright corridors, but the interval was wide (OR 1.2, 95% CI 0.7 to 2.1).' => 'no difference',
        'Bright corridors were associated with more delirium in patients with dark rooms (OR 1.6, 95% CI 1.1 to 2.4).' => 'more',
    ]],
    ['Does a telephone call after discharge prevent readmission?', [
        'Of those who were called 12% were readmitted within 30 days, of those who were not 16% (p = 0.03).' => 'less',
        'Readmission within 30 days did not fall after calls were introduced.' => 'no difference',
        'Calls averted one readmission in 25 patients (95% CI 14 to 110).' => 'less',
        'Patients who were called came back more often than controls (hazard ratio 1.31, 95% CI 1.05 to 1.64).' => 'more',
        'Whether calls keep patients out of hospital remains to be shown.' => 'unclear',
    ]],
    ['Does reflexology reduce anxiety before surgery?', [
        'Mean anxiety was 38.2 (SD 8.1) in the reflexology group and 43.5 (SD 9.0) in the control group (p<0.001).' => 'less',
        'At the door of the theatre anxiety did not differ significantly between groups (mean difference -0.9; 95% CI -3.1 to 1.3).' => 'no difference',
        'Reflexology significantly reduced anxiety (d = -0.41).' => 'less',
        'Anxiety scores decreased by 6 points in the reflexology group compared with 2 points in controls (p = 0.01).' => 'less',
        'Patients given reflexology were calmer than those who were only visited (p = 0.02).' => 'less',
        'The proportion of patients with high anxiety was 22.4% in the intervention arm and 35.1% in the control arm (RR 0.64, 95% CI 0.45 to 0.91).' => 'less',
    ]],
    ['Is night work associated with type 2 diabetes in women?', [
        'Women who worked nights for ten years or more had a higher risk of diabetes than those who never did (HR 1.24, 95% CI 1.10 to 1.41).' => 'more',
        'After adjustment for body mass index the association disappeared (HR 1.03, 95% CI 0.93 to 1.15).' => 'no difference',
        'The incidence of diabetes per 1000 person-years was 6.1 among night workers and 4.4 among day workers.' => 'more',
        'Diabetes was not more common among women with night work (OR 0.97, 95% CI 0.81 to 1.16).' => 'no difference',
        'The hazard of diabetes increased with each additional year of night work (HR 1.02 per year, 95% CI 1.01 to 1.03).' => 'more',
        'An association was found in women under 50 (HR 1.41, 95% CI 1.12 to 1.77) but not in older women (HR 1.02, 95% CI 0.90 to 1.16).' => 'mixed',
    ]],
    ['Does barcode scanning reduce errors in blood transfusion?', [
        'Errors at the bedside decreased from 1.9 to 0.8 per 1000 transfusions following the introduction of scanning (p = 0.004).' => 'less',
        'Scanning was associated with a 58% reduction in mislabelled samples (95% CI 31% to 75%).' => 'less',
        'The error rate remained stable at 1.1 per 1000 units.' => 'no difference',
        'Wrong blood in tube was less frequent in scanned samples (0.4 vs 1.3 per 1000).' => 'less',
        'There were 12 errors in 9,800 transfusions with scanning and 13 in 9,900 without (p = 0.86).' => 'no difference',
        'Errors fell on wards with scanners while the rate remained stable on the others (rate ratio 0.6, 95% CI 0.4 to 0.9).' => 'less',
    ]],
    ['Does yoga improve the sleep quality of nurses?', [
        'Sleep quality improved significantly in the yoga group but not in the control group (between-group p = 0.01).' => 'more',
        'The yoga group had better sleep quality at 12 weeks (global score 5.1 vs 7.3, p = 0.002).' => 'more',
        'Yoga had no significant effect on sleep quality (SMD 0.08, 95% CI -0.17 to 0.33).' => 'no difference',
        'Poor sleep was reported by 28% in the yoga arm versus 45% in the waiting list arm (p = 0.03).' => 'more',
        'Insomnia was less severe after yoga than after reading (p = 0.02).' => 'more',
    ]],
]);
