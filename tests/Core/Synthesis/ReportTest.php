<?php

use WaryHeron\Core\Synthesis\Effect\AnalysisMeasure as Measure;
use WaryHeron\Core\Synthesis\Report\Checks;
use WaryHeron\Core\Synthesis\Report\Numbers;
use WaryHeron\Core\Synthesis\Report\OutcomeKind;
use WaryHeron\Core\Synthesis\Report\Reckoning;
use WaryHeron\Core\Synthesis\Report\ReportForm as Form;
use WaryHeron\Core\Synthesis\Report\Step;
use WaryHeron\Core\Synthesis\Report\StudyDesign as Design;
use WaryHeron\Core\Synthesis\Report\Used;

function reckoned(Form $form, array $given, Design $design = Design::Parallel, bool $isReversed = false): Used
{
    return Reckoning::of($form, $design, new Numbers(array_map(strval(...), $given)), $isReversed);
}

/** Numbers for every field of a form, that a report could give. */
function plausible(Form $form): array
{
    $of = ['n' => 40, 'e' => 9, 'p' => 22.5, 'm' => 5.2, 'sd' => 1.9, 'se' => 0.3, 'low' => 4.6, 'high' => 5.8, 'min' => 1, 'q1' => 4,
        'median' => 5, 'q3' => 6, 'max' => 9, 'before' => 2, 'after' => 2.2, 'r' => 0.4, 'estimate' => 5.1, 't' => 2.2, 'f' => 4.8,
        'x' => 9, 'level' => ''];
    $given = [];
    foreach ($form->fields() as $field) {
        $key = $field->arm === 0 ? $field->key : substr($field->key, 0, -1);
        $value = $key === 'p' && $field->arm === 0 ? 0.03 : $of[$key];
        $given[$field->key] = $field->arm === 2 ? $value + 1 : $value;
    }

    return $given;
}

it('reads numbers as reports print them', fn (string $text, ?float $number) => expect(Numbers::read($text))->toBe($number))->with([
    ['1,234.5', 1234.5], ['−3.2', -3.2], ['–0.81', -0.81], ['23·5', 23.5], ['12 %', 12.0], ['<0.001', 0.001], ['.04', 0.04],
    ['−.5', -0.5], ['1e-4', 0.0001], ['86;', 86.0], ['', null], ['n.s.', null], ['3 to 4', null], ['1,23', null], ['--2', null],
]);

it('reads signs around numbers, and whether one is only a bound', function (string $text, ?float $number, bool $isBound = false) {
    $numbers = new Numbers(['p' => $text]);
    $unread = $number === null && trim($text) !== '' ? ['p'] : [];
    expect([$numbers->of('p'), $numbers->isBound('p'), $numbers->unread()])->toBe([$number, $isBound, $unread]);
})->with([
    [" 12\u{00A0}345 ", 12345.0], ["12\u{202F}345.5", 12345.5], ["\u{2212}1", -1.0], ["\u{2013}1", -1.0], ['12.', 12.0],
    ['≤ 0.05', 0.05, true],
    ['< .05', 0.05, true], ['>0.05', 0.05], ['≥3', 3.0], ['= 0.03', 0.03], ['+4', 4.0],
    ['', null], [' ', null], ['p < 0.05', null], ['0.05 <', null],
]);

it('takes the level of an interval as a share or in percent, and 95 % where none is given', function (string $text, float $level) {
    expect((new Numbers(['level' => $text]))->level())->toEqualWithDelta($level, 1e-12);
})->with([['90', 0.9], ['0.9', 0.9], ['99.9', 0.999], ['', 0.95], ['1', 1.0], ['wide', 0.95]]);

it('shows numbers with what counts of them', function (?float $number, string $shown) {
    expect(Step::shown($number))->toBe($shown);
})->with([
    [null, '?'], [0.0, '0'], [-0.0, '0'], [7.0, '7'], [-7.0, '-7'], [100.0, '100'], [1000.0, '1000'],
    [999.9996, '1000'], [1000.5, '1000.5'],
    [12345.678, '12345.68'], [-1234.567, '-1234.57'], [1.5, '1.5'], [12.3456789, '12.346'], [123.456789, '123.46'], [1.23456789, '1.2346'],
    [0.123456789, '0.12346'], [0.0123456789, '0.012346'], [0.00012345678, '0.00012346'], [-0.5, '-0.5'],
]);

it('gives an effect for every form and each measure of its kind, with steps where something was reckoned', function (Form $form) {
    $given = plausible($form);
    foreach ($given as $key => $value) {
        expect([$key, $value])->not->toContain(null);
    }
    $used = reckoned($form, $given);
    $measures = match ($form) {
        Form::RiskRatioInterval => [Measure::RiskRatio],
        Form::OddsRatioInterval => [Measure::OddsRatio],
        default => $form->kind()->measures(),
    };
    foreach ($measures as $measure) {
        // of a difference alone no ratio of means can be had
        $isKnown = $measure !== Measure::RatioOfMeans || ! str_starts_with($form->value, 'difference');
        expect([$measure, $used->effect($measure)->isDefined()])->toBe([$measure, $isKnown]);
    }
    $isPlain = in_array($form, [Form::Counts, Form::MeansWithSd, Form::Changes, Form::RatioWithSe, Form::CountOf], true);
    expect($used->steps === [])->toBe($isPlain);
})->with(Form::cases());

it('lists each form under its kind, once', function () {
    $forms = array_merge(...array_map(fn (OutcomeKind $kind): array => $kind->forms(), OutcomeKind::cases()));
    expect($forms)->toHaveCount(count(Form::cases()));
});

it('reckons SDs and means as the sources do', function (Form $form, array $given, float $mean, float $sd) {
    $used = reckoned($form, $given + plausible($form));
    expect(abs($used->one->mean - $mean))->toBeLessThan(5e-7)->and(abs($used->one->sd - $sd))->toBeLessThan(5e-7);
})->with([
    'difference with p' => [Form::DifferenceWithP, ['n1' => 20, 'n2' => 22, 'estimate' => 1.4, 'p' => 0.03], 1.4, 2.0137000],
    'quartiles' => [Form::Quartiles, ['n1' => 45, 'q11' => 4, 'median1' => 6, 'q31' => 9], 6.3333333, 3.8289921],
    'interval of a small group' => [Form::MeansWithInterval, ['n1' => 16, 'm1' => 7.8, 'low1' => 6.2, 'high1' => 9.4], 7.8, 3.0026513],
    'standard error' => [Form::MeansWithSe, ['n1' => 49, 'm1' => 3, 'se1' => 0.5], 3.0, 3.5],
    'change' => [Form::Changes, ['sd1' => '', 'm1' => -2, 'before1' => 3, 'after1' => 4, 'r' => 0.5], -2.0, sqrt(13)],
    'change with its SD' => [Form::Changes, ['sd1' => 2.5, 'm1' => -2], -2.0, 2.5],
]);

it('comes to one effect from several forms of one result', function () {
    $se = sqrt(2.4 ** 2 * (1 / 20 + 1 / 22));
    $same = ['n1' => 20, 'n2' => 22, 'estimate' => 1.4];
    $bySe = reckoned(Form::DifferenceWithSe, $same + ['se' => $se]);
    $byT = reckoned(Form::DifferenceWithT, $same + ['t' => 1.4 / $se]);
    $byF = reckoned(Form::DifferenceWithF, $same + ['f' => (1.4 / $se) ** 2]);
    $groups = reckoned(Form::MeansWithSd, ['n1' => 20, 'm1' => 5.4, 'sd1' => 2.4, 'n2' => 22, 'm2' => 4, 'sd2' => 2.4]);
    foreach ([Measure::MeanDifference, Measure::StandardisedMeanDifference] as $measure) {
        foreach ([$bySe, $byT, $byF] as $used) {
            expect(abs($used->effect($measure)->estimate - $groups->effect($measure)->estimate))->toBeLessThan(1e-12)
                ->and(abs($used->effect($measure)->variance - $groups->effect($measure)->variance))->toBeLessThan(1e-12);
        }
    }
});

it('turns signs on a scale that runs the other way, and nothing else', function (Form $form) {
    [$plain, $turned] = [reckoned($form, plausible($form)), reckoned($form, plausible($form), isReversed: true)];
    foreach ([Measure::MeanDifference, Measure::StandardisedMeanDifference] as $measure) {
        expect($turned->effect($measure)->estimate)->toBe(-$plain->effect($measure)->estimate)
            ->and($turned->effect($measure)->variance)->toBe($plain->effect($measure)->variance);
    }
    expect($turned->steps[count($turned->steps) - 1]->what)->toBe('direction');
})->with(array_values(array_filter(Form::cases(), fn (Form $one): bool => $one->kind() === OutcomeKind::Means)));

it('counts whole wards as fewer people', function () {
    $with = ['icc' => 0.05, 'cluster' => 21]; // a design effect of 2
    $used = reckoned(Form::Counts, ['e1' => 10, 'n1' => 80, 'e2' => 20, 'n2' => 90] + $with, Design::Cluster);
    expect([$used->one->n, $used->one->events, $used->two->n, $used->two->events])->toBe([40.0, 5.0, 45.0, 10.0]);
    $plain = reckoned(Form::RatioInterval, ['estimate' => 0.8, 'low' => 0.5, 'high' => 1.28]);
    $wider = reckoned(Form::RatioInterval, ['estimate' => 0.8, 'low' => 0.5, 'high' => 1.28] + $with, Design::Cluster);
    expect(abs($wider->effect(Measure::Ratio)->variance / $plain->effect(Measure::Ratio)->variance - 2))->toBeLessThan(1e-12);
    $difference = reckoned(Form::DifferenceWithSe, ['n1' => 40, 'n2' => 40, 'estimate' => 3, 'se' => 1] + $with, Design::Cluster);
    expect(abs($difference->effect(Measure::MeanDifference)->variance - 2))->toBeLessThan(1e-12);
});

it('takes the same people under both conditions as pairs', function () {
    $given = ['n1' => 25, 'm1' => 6, 'sd1' => 2, 'n2' => 25, 'm2' => 5, 'sd2' => 2];
    $pairs = reckoned(Form::MeansWithSd, $given + ['paired' => 0.5], Design::Crossover);
    expect(abs($pairs->effect(Measure::MeanDifference)->variance - 0.16))->toBeLessThan(1e-12);
    // d = 1 / 2; J of 24 degrees; v = (1/n + g²/2n) · 2(1 − r)
    $g = 0.5 * exp(lgammaOf(12) - lgammaOf(11.5)) / sqrt(12);
    $smd = $pairs->effect(Measure::StandardisedMeanDifference);
    expect(abs($smd->estimate - $g))->toBeLessThan(1e-9)->and(abs($smd->variance - (1 / 25 + $g ** 2 / 50)))->toBeLessThan(1e-9);
    // the more people are like themselves, the surer
    $surer = reckoned(Form::MeansWithSd, $given + ['paired' => 0.8], Design::Crossover);
    expect($surer->effect(Measure::MeanDifference)->variance)->toBeLessThan(0.16);
    // not known: as if they were different people
    $apart = reckoned(Form::MeansWithSd, $given, Design::Crossover);
    expect(abs($apart->effect(Measure::MeanDifference)->variance - 0.32))->toBeLessThan(1e-12)->and($apart->steps)->not->toBe([]);
});

/** ln Γ by Stirling’s series, for arguments above 10. */
function lgammaOf(float $x): float
{
    return ($x - 0.5) * log($x) - $x + 0.5 * log(2 * M_PI) + 1 / (12 * $x) - 1 / (360 * $x ** 3) + 1 / (1260 * $x ** 5);
}

it('tells each step with the numbers in it, and whose formula it is', function (Form $form, array $given, array $steps, Design $design = Design::Parallel) {
    $told = array_map(
        fn (Step $one): string => "{$one->what}: {$one->formula} = ".Step::shown($one->result).($one->source === '' ? '' : " [{$one->source}]"),
        reckoned($form, $given, $design)->steps,
    );
    expect($told)->toBe($steps);
})->with([
    'percentages' => [Form::Percentages, ['p1' => 23.3, 'n1' => 30, 'p2' => 40, 'n2' => 31], [
        'events, intervention: 23.3 % of 30, to a whole number = 7',
        'events, comparator: 40 % of 31, to a whole number = 12',
    ]],
    'counts of the same people' => [Form::Counts, ['e1' => 3, 'n1' => 30, 'e2' => 4, 'n2' => 30], [
        'pairs: how the same people did under both is not counted: reckoned as if they were different, so too wide = ?',
    ], Design::Crossover],
    'a ratio of wards' => [Form::RiskRatioInterval, ['estimate' => 0.8, 'low' => 0.5, 'high' => 1.28, 'icc' => 0.05, 'cluster' => 21], [
        'SE of the log: (ln 1.28 − ln 0.5) / 2z = 0.2398',
        'SE: times √ of the design effect 2 = 0.33913 [Donner & Klar 2000]',
    ], Design::Cluster],
    'standard errors' => [Form::MeansWithSe, ['n1' => 49, 'm1' => 3, 'se1' => 0.5, 'n2' => 36, 'm2' => 2, 'se2' => 0.25], [
        'SD, intervention: SE × √n = 0.5 × √49 = 3.5',
        'SD, comparator: SE × √n = 0.25 × √36 = 1.5',
    ]],
    'intervals, by t below 60 people' => [
        Form::MeansWithInterval,
        ['n1' => 59, 'm1' => 7.8, 'low1' => 6.2, 'high1' => 9.4, 'n2' => 60, 'm2' => 7, 'low2' => 6.5, 'high2' => 7.5],
        ['SD, intervention: √n × (9.4 − 6.2) / (2t(58)), n = 59 = 6.1396', 'SD, comparator: √n × (7.5 − 6.5) / (2z), n = 60 = 1.976'],
    ],
    'ranges' => [Form::Ranges, ['n1' => 45, 'min1' => 1, 'median1' => 6, 'max1' => 12, 'n2' => 40, 'min2' => 0, 'median2' => 5, 'max2' => 11], [
        'mean, intervention: from 1, 6, 12 = 6.25 [Wan et al. 2014]',
        'SD, intervention: from 1, 6, 12 of 45 = 2.4971 [Wan et al. 2014]',
        'mean, comparator: from 0, 5, 11 = 5.25 [Wan et al. 2014]',
        'SD, comparator: from 0, 5, 11 of 40 = 2.5506 [Wan et al. 2014]',
    ]],
    'a change' => [
        Form::Changes,
        ['n1' => 30, 'm1' => -2, 'sd1' => '', 'n2' => 30, 'm2' => -1, 'sd2' => 2.5, 'before1' => 3, 'after1' => 4, 'r' => 0.5],
        ['SD of the change, intervention: √(3² + 4² − 2 × 0.5 × both) = 3.6056'],
    ],
    'by its interval' => [Form::DifferenceWithInterval, ['n1' => 20, 'n2' => 22, 'estimate' => 1.4, 'low' => 0.2, 'high' => 2.6], [
        'SE: width / (2 t(40)) = 0.59374',
        'SD of both groups: SE / √(1/n₁ + 1/n₂) = 1.9218',
    ]],
    'a difference by a bound of p' => [Form::DifferenceWithP, ['n1' => 20, 'n2' => 22, 'estimate' => 1.4, 'p' => '<0.03'], [
        'SE: |difference| / t(40) of p <0.03 (only a bound is told, so the true error is smaller) = 0.62215',
        'SD of both groups: SE / √(1/n₁ + 1/n₂) = 2.0137',
    ]],
    'a difference within pairs' => [Form::DifferenceWithP, ['n1' => 20, 'n2' => 20, 'estimate' => 1.4, 'p' => 0.03, 'paired' => 0.5], [
        'SE: |difference| / t(19) of p 0.03 = 0.59685',
        'SE of the difference: as reported for the pairs = 0.59685 [Elbourne et al. 2002]',
        'SD within: SE × √n / √(2(1 − r)), r = 0.5 = 2.6692 [Borenstein et al. 2009]',
    ], Design::Crossover],
    'pairs of which nothing is known' => [Form::MeansWithSd, ['n1' => 25, 'm1' => 6, 'sd1' => 2, 'n2' => 25, 'm2' => 5, 'sd2' => 2], [
        'pairs: no correlation within people is given: reckoned as if they were different, so too wide = ?',
    ], Design::Crossover],
    'a ratio by p' => [Form::RatioWithP, ['estimate' => 0.8, 'p' => '0.04'], ['SE of the log: |ln 0.8| / z of p 0.04 = 0.10865']],
    'a ratio by its interval of 90 %' => [Form::RatioInterval, ['estimate' => 0.8, 'low' => 0.5, 'high' => 1.28, 'level' => 90], [
        'SE of the log: (ln 1.28 − ln 0.5) / 2z = 0.28574',
    ]],
    'a ratio with its error' => [Form::RatioWithSe, ['estimate' => 0.8, 'se' => 0.2], []],
    'a correlation' => [Form::CorrelationOf, ['r' => 0.4, 'n' => 50], ['Fisher’s Z: artanh 0.4 = 0.42365 [Fisher 1921]']],
]);

it('takes no error from a p that cannot be one, nor from a ratio that says nothing', function (array $given) {
    expect(reckoned(Form::RatioWithP, $given)->effect(Measure::Ratio)->isDefined())->toBeFalse();
})->with([
    [['estimate' => 0.8, 'p' => 0]], [['estimate' => 0.8, 'p' => 1]], [['estimate' => 0.8, 'p' => 1.2]], [['estimate' => 0.8]],
    [['estimate' => 1, 'p' => 0.04]], [['estimate' => 0, 'p' => 0.04]], [['estimate' => -2, 'p' => 0.04]], [['p' => 0.04]],
]);

it('counts whole wards as fewer people where one group is told of too', function () {
    $with = ['icc' => 0.05, 'cluster' => 21]; // a design effect of 2
    $halves = reckoned(Form::CountOf, ['x' => 12, 'n' => 50] + $with, Design::Cluster);
    $same = reckoned(Form::CountOf, ['x' => 6, 'n' => 25]);
    foreach ([Measure::ShareByLogit, Measure::ShareByArcsine] as $measure) {
        expect($halves->effect($measure))->toEqual($same->effect($measure));
    }
    expect([$halves->one->n, $halves->one->events, $halves->steps[0]->what])->toBe([25.0, 6.0, 'people']);
    [$wide, $plain] = array_map(
        fn (Design $as): float => (float) reckoned(Form::CorrelationOf, ['r' => 0.4, 'n' => 50] + $with, $as)
            ->effect(Measure::Correlation)->variance,
        [Design::Cluster, Design::Parallel],
    );
    expect($wide / $plain)->toEqualWithDelta(2.0, 1e-12);
});

it('divides by no design effect that cannot be one', function (array $with) {
    $used = reckoned(Form::Counts, ['e1' => 10, 'n1' => 80, 'e2' => 20, 'n2' => 90] + $with, Design::Cluster);
    expect([$used->one->n, $used->two->n, $used->steps])->toBe([80.0, 90.0, []]);
})->with([
    [['icc' => 0.05]], [['cluster' => 21]], [['icc' => -0.01, 'cluster' => 21]], [['icc' => 1.01, 'cluster' => 21]],
    [['icc' => 0.05, 'cluster' => 0.9]],
]);

it('divides by the same design effect whatever the form', function (float $icc, float $cluster, float $by) {
    $with = ['icc' => $icc, 'cluster' => $cluster];
    $difference = ['n1' => 40, 'n2' => 44, 'estimate' => 3, 'se' => 1] + $with;
    $used = reckoned(Form::DifferenceWithSe, $difference, Design::Cluster);
    expect([$used->one->n, $used->two->n])->toEqualWithDelta([40 / $by, 44 / $by], 1e-12)
        ->and($used->steps[2]->what)->toBe('people');
    $counts = reckoned(Form::Counts, ['e1' => 10, 'n1' => 80, 'e2' => 20, 'n2' => 90] + $with, Design::Cluster);
    expect([$counts->one->n, $counts->two->n])->toEqualWithDelta([80 / $by, 90 / $by], 1e-12);
    // of people who were allocated one by one it is not asked for
    expect(reckoned(Form::DifferenceWithSe, $difference)->one->n)->toBe(40.0);
})->with([[0.0, 20, 1.0], [1.0, 20, 20.0], [0.05, 1, 1.0], [0.1, 11, 2.0]]);

it('says nothing of pairs of which too little is known', function (array $given) {
    $used = reckoned(Form::MeansWithSd, $given + ['n1' => 25, 'm1' => 6, 'sd1' => 2, 'n2' => 25, 'm2' => 5, 'sd2' => 2], Design::Crossover);
    expect($used->direct)->toBe([])->and($used->steps[0]->what)->toBe('pairs');
})->with([
    [['paired' => 1]], [['paired' => -1]], [['paired' => '']], [['paired' => 0.5, 'sd1' => '']], [['paired' => 0.5, 'sd2' => '']],
    [['paired' => 0.5, 'm1' => '']], [['paired' => 0.5, 'm2' => '']], [['paired' => 0.5, 'n1' => 1]], [['paired' => 0.5, 'n2' => '']],
]);

// by another program from the formulae
it('reckons pairs of different spread and number by the smaller number', function () {
    $given = ['n1' => 25, 'm1' => 6, 'sd1' => 2, 'n2' => 20, 'm2' => 5, 'sd2' => 3, 'paired' => 0.3];
    $pairs = reckoned(Form::MeansWithSd, $given, Design::Crossover);
    expect($pairs->effect(Measure::MeanDifference)->variance)->toEqualWithDelta((4 + 9 - 2 * 0.3 * 6) / 20, 1e-12);
    $d = 1 / (sqrt(9.4) / sqrt(1.4));
    $g = $d * (1 - 3 / (4 * 19 - 1));
    $roughly = $pairs->effect(Measure::StandardisedApproximately);
    expect([$roughly->estimate, $roughly->variance])->toEqualWithDelta([$g, (1 / 20 + $g ** 2 / 40) * 1.4], 1e-12);
    // of two people the exact correction is not defined, the other is; of three both are
    foreach ([2 => [false, true], 3 => [true, true]] as $n => $isDefined) {
        $few = reckoned(Form::MeansWithSd, ['n1' => $n, 'n2' => $n] + $given, Design::Crossover);
        $measures = [Measure::StandardisedMeanDifference, Measure::StandardisedApproximately];
        expect(array_map(fn (Measure $one): bool => $few->effect($one)->isDefined(), $measures))->toBe($isDefined);
    }
});

it('has no effect of a difference whose error cannot be had', function (Form $form, array $given) {
    $used = reckoned($form, $given + ['n1' => 20, 'n2' => 22, 'estimate' => 1.4]);
    expect($used->effect(Measure::MeanDifference)->isDefined())->toBeFalse()->and($used->steps[0]->result)->toBeNull();
})->with([
    'no t' => [Form::DifferenceWithT, ['t' => 0]], 'no F' => [Form::DifferenceWithF, ['f' => 0]],
    'F below nothing' => [Form::DifferenceWithF, ['f' => -4]],
    'no difference' => [Form::DifferenceWithT, ['t' => 2, 'estimate' => '']], 'none given' => [Form::DifferenceWithSe, []],
    'an error of nothing' => [Form::DifferenceWithSe, ['se' => 0]],
    'an error below' => [Form::DifferenceWithSe, ['se' => -1]],
    'p of 0' => [Form::DifferenceWithP, ['p' => 0]], 'p of 1' => [Form::DifferenceWithP, ['p' => 1]], 'no p' => [Form::DifferenceWithP, []],
    'half an interval' => [Form::DifferenceWithInterval, ['low' => 1]], 'the other half' => [Form::DifferenceWithInterval, ['high' => 2]],
    'an interval of all' => [Form::DifferenceWithInterval, ['low' => 1, 'high' => 2, 'level' => 100]],
    'of nothing' => [Form::DifferenceWithInterval, ['low' => 1, 'high' => 2, 'level' => 0]],
    'a group that is not counted' => [Form::DifferenceWithInterval, ['low' => 1, 'high' => 2, 'n2' => '']],
    'too few people' => [Form::DifferenceWithP, ['p' => 0.03, 'n1' => 1, 'n2' => 1]],
]);

// widths by quantiles of t from another program
it('takes the error of a difference from an interval of any level', function (array $given, float $error) {
    $given += ['n1' => 20, 'n2' => 22, 'estimate' => 1.4, 'low' => 0.2, 'high' => 2.6];
    expect(reckoned(Form::DifferenceWithInterval, $given)->steps[0]->result)->toEqualWithDelta($error, 1e-7);
})->with([
    'of 95 %' => [[], 1.2 / 2.02107539],
    'of 90 %' => [['level' => 90], 1.2 / 1.68385101],
    'of two groups of the least' => [['n1' => 1, 'n2' => 2], 1.2 / 12.70620474],
]);

it('says what looks wrong as numbers are typed', function (Form $form, array $given, string $says, ?array $scale = null, array $sds = []) {
    $checks = new Checks($form, new Numbers(array_map(strval(...), $given)), $scale, $sds);
    $said = implode(' ', $checks->all());
    $says === '' ? expect($said)->toBe('') : expect($said)->toContain($says);
})->with([
    'fine counts' => [Form::Counts, ['e1' => 7, 'n1' => 86, 'e2' => 15, 'n2' => 85], ''],
    'more events than people' => [Form::Counts, ['e1' => 87, 'n1' => 86], 'More events than people in the intervention group'],
    'a part of a person' => [Form::Counts, ['e2' => 7.5, 'n2' => 85], 'no whole number'],
    'no number' => [Form::Counts, ['e1' => 'seven'], '“seven” is no number'],
    'a percentage that fits' => [Form::Percentages, ['p1' => '23.3', 'n1' => 30], ''],
    'a percentage that fits no count' => [Form::Percentages, ['p1' => '25.0', 'n1' => 30], 'No whole number of 30 people is 25.0 %'],
    'an interval without its estimate' => [Form::RatioInterval, ['estimate' => 1.3, 'low' => 0.5, 'high' => 1.2], 'does not hold'],
    'a ratio whose interval is even in logs' => [Form::RatioInterval, ['estimate' => 0.52, 'low' => 0.32, 'high' => 0.84], ''],
    'a ratio far off the middle' => [Form::RatioInterval, ['estimate' => 0.35, 'low' => 0.32, 'high' => 0.84], 'far from the middle'],
    'a ratio below nothing' => [Form::RatioInterval, ['estimate' => -0.35, 'low' => 0.32, 'high' => 0.84], 'above 0'],
    'fine means' => [Form::MeansWithSd, ['n1' => 30, 'm1' => 4.9, 'sd1' => 1.5, 'n2' => 30, 'm2' => 4.2, 'sd2' => 1.6], '', [1, 9]],
    'a mean outside its scale' => [Form::MeansWithSd, ['m1' => 9.9, 'sd1' => 1.5], 'outside the scale', [1.0, 9.0]],
    'an SD too wide for its scale' => [Form::MeansWithSd, ['m1' => 4, 'sd1' => 5], 'wider than the scale allows', [1.0, 9.0]],
    'groups too far apart' => [Form::MeansWithSd, ['n1' => 30, 'm1' => 4.9, 'sd1' => 0.2, 'n2' => 30, 'm2' => 4.2, 'sd2' => 0.2], 'standard errors?'],
    'an SD that is perhaps an SE' => [Form::MeansWithSd, ['n1' => 36, 'm1' => 4, 'sd1' => 0.3], 'is it a standard error?', null, [1.6, 1.9, 2.1]],
    'an SE that is perhaps an SD' => [Form::MeansWithSe, ['n1' => 36, 'm1' => 4, 'se1' => 1.8], 'is it an SD?', null, [1.6, 1.9, 2.1]],
    'one number in both groups' => [Form::MeansWithSd, ['m1' => 4.31, 'm2' => 4.31], 'typed twice'],
    'quartiles out of order' => [Form::Quartiles, ['q11' => 6, 'median1' => 4, 'q31' => 9], 'out of order'],
    'p beyond 1' => [Form::DifferenceWithP, ['p' => 3], 'between 0 and 1'],
    'as many events as people' => [Form::Counts, ['e1' => 86, 'n1' => 86, 'e2' => 0, 'n2' => 1], ''],
    'fewer events than none' => [Form::Counts, ['e1' => -1, 'n1' => 86], 'Events in the intervention group are no whole number'],
    'a part of all people' => [Form::Counts, ['e1' => 7, 'n1' => 86.4], 'People in the intervention group are no whole number'],
    'nobody' => [Form::Counts, ['e2' => 0, 'n2' => 0], 'People in the comparator are no whole number above 0'],
    'all and none in percent' => [Form::Percentages, ['p1' => '0', 'n1' => 30, 'p2' => '100', 'n2' => 1], ''],
    'less than nothing in percent' => [Form::Percentages, ['p1' => '-0.5', 'n1' => 30], 'beyond 0 to 100 in the intervention group'],
    'more than all in percent' => [Form::Percentages, ['p2' => '100.5'], 'beyond 0 to 100 in the comparator'],
    'a percentage rounded down' => [Form::Percentages, ['p1' => '33', 'n1' => 3], ''],
    'a percentage rounded up' => [Form::Percentages, ['p1' => '67', 'n1' => 3], ''],
    'a mean at the end of its scale' => [Form::MeansWithSd, ['m1' => 9, 'sd1' => 1.5, 'm2' => 1, 'sd2' => 4.2], '', [1.0, 9.0]],
    'a mean below its scale' => [Form::MeansWithSd, ['m2' => 0.9, 'sd2' => 1.5], 'mean of the comparator lies outside', [1.0, 9.0]],
    'an SD just too wide' => [Form::MeansWithSd, ['m1' => 4, 'sd1' => 4.21], 'SD of the intervention group is wider', [1.0, 9.0]],
    'a change beyond the scale' => [Form::Changes, ['m1' => -2, 'sd1' => 1], '', [1.0, 9.0]],
    'an SD below nothing' => [Form::MeansWithSd, ['sd1' => -0.1], 'is below 0'],
    'no SD at all' => [Form::MeansWithSd, ['sd1' => 0], ''],
    'no error of a mean' => [Form::MeansWithSe, ['se2' => 0], 'The standard error of the comparator is not above 0'],
    'no error of a ratio' => [Form::RatioWithSe, ['estimate' => 0.8, 'se' => 0], 'A standard error is above 0'],
    'an SD that is only small' => [Form::MeansWithSd, ['n1' => 400, 'm1' => 4, 'sd1' => 0.3], '', null, [1.6, 1.9, 2.1]],
    'one other SD, from which nothing is usual' => [Form::MeansWithSd, ['n1' => 36, 'm1' => 4, 'sd1' => 0.3], '', null, [1.9]],
    'a mean at the end of its interval' => [Form::MeansWithInterval, ['m1' => 4, 'low1' => 4, 'high1' => 6], ''],
    'a mean below its interval' => [Form::MeansWithInterval, ['m1' => 3.9, 'low1' => 4, 'high1' => 6], 'does not hold its mean'],
    'a mean above its interval' => [Form::MeansWithInterval, ['m2' => 6.1, 'low2' => 4, 'high2' => 6], 'the comparator does not hold'],
    'quartiles in order, some alike' => [Form::Quartiles, ['q11' => 4, 'median1' => 4, 'q31' => 9], ''],
    'an estimate at an end' => [Form::DifferenceWithInterval, ['estimate' => 2, 'low' => 2, 'high' => 6], 'far from the middle'],
    'an estimate below' => [Form::DifferenceWithInterval, ['estimate' => 1.9, 'low' => 2, 'high' => 6], 'does not hold its estimate'],
    'an interval of nothing' => [Form::DifferenceWithInterval, ['estimate' => 2, 'low' => 2, 'high' => 2], ''],
    'a ratio from nothing' => [Form::RatioInterval, ['estimate' => 0.5, 'low' => 0, 'high' => 1.2], 'above 0'],
    'a difference below nothing' => [Form::DifferenceWithInterval, ['estimate' => -2, 'low' => -3, 'high' => -1], ''],
    'one median in both groups' => [Form::Quartiles, ['median1' => 4, 'median2' => 4], 'The median is the same'],
    'no change in both groups' => [Form::Changes, ['m1' => 0, 'm2' => 0], ''],
    'groups apart, but not too far' => [Form::MeansWithSd, ['m1' => 5, 'sd1' => 1, 'm2' => 3, 'sd2' => 1], ''],
    'p of 0' => [Form::RatioWithP, ['estimate' => 0.8, 'p' => 0], 'between 0 and 1'],
    'p of 1' => [Form::RatioWithP, ['estimate' => 0.8, 'p' => 1], 'between 0 and 1'],
    'all counted' => [Form::CountOf, ['x' => 12, 'n' => 12], ''],
    'more counted than people' => [Form::CountOf, ['x' => 13, 'n' => 12], 'More are counted than there are people'],
    'a part counted' => [Form::CountOf, ['x' => 1.5, 'n' => 12], 'What is counted is no whole number'],
    'none to count among' => [Form::CountOf, ['x' => 0, 'n' => 0], 'People are no whole number above 0'],
    'a correlation of one' => [Form::CorrelationOf, ['r' => -1, 'n' => 50], 'between −1 and 1'],
    'a correlation of three' => [Form::CorrelationOf, ['r' => 0.4, 'n' => 3], 'Of three people or fewer'],
    'a correlation of four' => [Form::CorrelationOf, ['r' => 0.4, 'n' => 4], ''],
    'the r of changes' => [Form::Changes, ['r' => 1], ''],
    'an impossible ICC' => [Form::Counts, ['icc' => 1.01, 'cluster' => 20], 'intracluster correlation lies between'],
    'an ICC below nothing' => [Form::Counts, ['icc' => -0.01, 'cluster' => 20], 'intracluster correlation lies between'],
    'clusters of one' => [Form::Counts, ['icc' => 0, 'cluster' => 1], ''],
    'clusters of less' => [Form::Counts, ['icc' => 1, 'cluster' => 0.5], 'at least one person'],
    'an impossible correlation within people' => [Form::MeansWithSd, ['paired' => 1.1], 'within people lies between'],
]);
