<?php

use WaryHeron\Core\Synthesis\Effect\Effect;
use WaryHeron\Core\Synthesis\Effect\Measure;
use WaryHeron\Core\Synthesis\Effect\TwoByTwo;
use WaryHeron\Core\Synthesis\Pool\Analysis;
use WaryHeron\Core\Synthesis\Pool\Study;
use WaryHeron\Core\Synthesis\Pool\StudyRow;
use WaryHeron\Core\Synthesis\Pool\TauSquared;
use WaryHeron\Core\Synthesis\Pool\Weighted;
use WaryHeron\Core\Synthesis\SmallStudies\Kendall;

const TRIALS = [
    ['S1', 2001, 12, 100, 24, 102, 'x'],
    ['S2', 2002, 5, 48, 4, 50, 'x'],
    ['S3', 2003, 30, 210, 61, 205, 'y'],
    ['S4', 2004, 0, 25, 3, 24, 'y'],
    ['S5', 2005, 44, 400, 58, 390, 'y'],
];

function ofTrials(Measure $measure, array $trials = TRIALS): array
{
    $rows = array_map(function (array $trial) use ($measure): StudyRow {
        [$name, $year, $e1, $n1, $e2, $n2, $group] = $trial;
        $table = TwoByTwo::of($e1, $n1, $e2, $n2);

        return new StudyRow($name, $measure->ofEvents($table), $year, $group, $table);
    }, $trials);

    return json_decode(json_encode(Analysis::of($measure, $rows)->toArray()), true);
}

function ofEffects(array $effects): array
{
    $rows = array_map(
        fn (array $one, int $i) => new StudyRow("s{$i}", Effect::of($one[0], $one[1]), $one[2] ?? null, $one[3] ?? ''),
        $effects,
        array_keys($effects),
    );

    return json_decode(json_encode(Analysis::of(Measure::Generic, $rows)->toArray()), true);
}

function at(array $of, string ...$paths): array
{
    return array_map(fn (string $path): float|int|null => is_float($is = data_at($of, $path)) ? round($is, 6) : $is, $paths);
}

function data_at(array $of, string $path): mixed
{
    return array_reduce(explode('.', $path), fn (mixed $in, string $key): mixed => $in[$key], $of);
}

it('pools the worked example', function (string $path, float $should) {
    expect(at(ofTrials(Measure::RiskRatio), $path))->toBe([$should]);
})->with([
    ['common.estimate', -0.509096],
    ['common.se', 0.123093],
    ['common.ci_low', -0.750354],
    ['common.ci_high', -0.267839],
    ['heterogeneity.Q', 5.197203],
    ['heterogeneity.p', 0.267655],
    ['heterogeneity.I2', 23.035532],
    ['heterogeneity.I2_high', 68.311844],
    ['heterogeneity.H2', 1.299301],
    ['heterogeneity.tau2_high', 4.239061],
    ['random.DL.tau2', 0.028057],
    ['random.DL.estimate', -0.512181],
    ['random.DL.se', 0.156563],
    ['random.DL.p', 0.001070],
    ['random.DL.hksj.se', 0.155943],
    ['random.DL.hksj.ci_low', -0.945148],
    ['random.DL.hksj.ci_high', -0.079214],
    ['random.DL.hksj_trunc.se', 0.156563],
    ['random.DL.prediction.low', -1.241851],
    ['random.DL.prediction.high', 0.217488],
    ['random.PM.tau2', 0.026896],
    ['random.PM.estimate', -0.512176],
    ['random.REML.tau2', 0.025578],
    ['random.REML.estimate', -0.512162],
    ['random.REML.se', 0.154015],
    ['mantel_haenszel.estimate', -0.515512],
    ['mantel_haenszel.se', 0.122194],
    ['egger.intercept', -0.236336],
    ['egger.se', 1.154870],
    ['egger.p', 0.850948],
    ['begg.tau_b', -0.2],
    ['begg.p', 0.624206],
    ['subgroups.between.common.Q', 0.010993],
    ['subgroups.between.DL.Q', 0.127015],
]);

it('pools by Mantel and Haenszel, and by Peto', function () {
    expect(at(ofTrials(Measure::OddsRatio), 'mantel_haenszel.estimate', 'mantel_haenszel.se'))
        ->toBe([-0.614510, 0.144492])
        ->and(at(ofTrials(Measure::RiskDifference), 'mantel_haenszel.estimate', 'mantel_haenszel.se'))
        ->toBe([-0.078403, 0.018089])
        ->and(at(ofTrials(Measure::Peto), 'peto.estimate', 'estimate', 'se'))
        ->toBe([-0.606079, -0.606079, 0.141072]);
});

// by another program from the formulae
it('tells how studies differ around what is pooled from their counts, and what each weighs', function (Measure $measure, string $in, array $q, array $weights) {
    $of = data_at(ofTrials($measure), $in);
    expect(at($of, 'k', 'df', 'Q', 'p_Q'))->toBe([5, 4, ...$q]);
    expect(array_map(fn (float $one): float => round($one, 6), $of['weights_pct']))->toBe(array_combine(['S1', 'S2', 'S3', 'S4', 'S5'], $weights));
})->with([
    [Measure::OddsRatio, 'mantel_haenszel', [6.074693, 0.193639], [15.761416, 2.645788, 39.884755, 2.307373, 39.400668]],
    [Measure::RiskRatio, 'mantel_haenszel', [5.19992, 0.267393], [15.714705, 2.591323, 40.826993, 2.024471, 38.842508]],
    [Measure::RiskDifference, 'mantel_haenszel', [10.352718, 0.034887], [12.999679, 6.304766, 26.706003, 3.152383, 50.837168]],
    [Measure::Peto, 'peto', [6.629887, 0.156788], [14.79083, 4.106771, 35.427753, 1.429807, 44.244838]],
]);

it('pools no counts where one side has no event, and tests nothing of one study or none', function () {
    $none = ['k' => 2, 'Q' => null, 'df' => null, 'p_Q' => null, 'estimate' => null, 'weights_pct' => []];
    $first = [['S1', 2001, 0, 10, 3, 10, ''], ['S2', 2002, 0, 20, 5, 20, '']];
    $second = [['S1', 2001, 3, 10, 0, 10, ''], ['S2', 2002, 5, 20, 0, 20, '']];
    foreach ([$first, $second] as $trials) {
        foreach ([Measure::OddsRatio, Measure::RiskRatio] as $measure) {
            expect(array_intersect_key(ofTrials($measure, $trials)['mantel_haenszel'], $none))->toEqual($none);
        }
        expect(data_at(ofTrials(Measure::RiskDifference, $trials), 'mantel_haenszel.estimate'))->not->toBeNull();
    }
    foreach ([Measure::RiskRatio, Measure::RiskDifference] as $measure) {
        $one = data_at(ofTrials($measure, [TRIALS[0]]), 'mantel_haenszel');
        expect(at($one, 'df', 'p_Q', 'weights_pct.S1'))->toEqual([0, null, 100.0]);
        expect(at(ofTrials($measure, []), 'mantel_haenszel.estimate', 'mantel_haenszel.Q'))->toBe([null, null]);
    }
    expect(at(ofTrials(Measure::Peto, []), 'k', 'peto.k', 'peto.estimate', 'peto.Q', 'estimate'))->toBe([0, 0, null, null, null])
        ->and(ofTrials(Measure::Peto, [])['peto']['weights_pct'])->toBe([]);
});

/** What of some of the studies is told in short, as one line of figures. */
const IN_SHORT = [
    'k', 'Q', 'I2', 'common.estimate', 'common.se', 'DL.estimate', 'DL.se', 'DL.tau2', 'REML.estimate', 'REML.se', 'REML.tau2',
];

// by another program from the formulae
it('pools without each study, and year by year', function () {
    $of = ofTrials(Measure::RiskRatio);
    $without = [
        'S1' => [4, 4.8976, 38.745512, -0.481458, 0.133047, -0.468142, 0.209542, 0.061534, -0.469915, 0.201465, 0.05335],
        'S2' => [4, 3.680447, 18.488168, -0.538824, 0.125437, -0.552092, 0.148702, 0.01726, -0.55765, 0.159835, 0.026869],
        'S3' => [4, 3.172731, 5.444249, -0.37257, 0.156074, -0.379173, 0.170905, 0.009233, -0.37257, 0.156074, 0.0],
        'S4' => [4, 4.203327, 28.627959, -0.498894, 0.123518, -0.495737, 0.157998, 0.02861, -0.496222, 0.155505, 0.02621],
        'S5' => [4, 3.016913, 0.560591, -0.668284, 0.163629, -0.667393, 0.165089, 0.000934, -0.668284, 0.163629, 0.0],
    ];
    expect(array_map(fn (array $one): array => at($one, ...IN_SHORT), $of['leave_one_out']))->toEqual($without);
    $years = [
        [1, 0.0, null, -0.673345, 0.324339, -0.673345, 0.324339, null, -0.673345, 0.324339, null],
        [2, 1.708036, 41.453234, -0.481648, 0.289278, -0.36684, 0.43971, 0.182094, -0.36684, 0.43971, 0.182094],
        [3, 2.221635, 9.976207, -0.652114, 0.164631, -0.637172, 0.183229, 0.012724, -0.652114, 0.164631, 0.0],
        $without['S5'],
        [5, 5.197203, 23.035532, -0.509096, 0.123093, -0.512181, 0.156563, 0.028057, -0.512162, 0.154015, 0.025578],
    ];
    expect(array_map(fn (array $one): array => at($one, ...IN_SHORT), $of['cumulative']))->toEqual($years);
    expect(array_keys($of['leave_one_out']['S1']))->toBe(['k', 'common', 'Q', 'I2', 'DL', 'REML'])
        ->and(array_keys($of['cumulative'][0]))->toBe(['added', 'k', 'common', 'Q', 'I2', 'DL', 'REML']);
});

it('pools each group by itself, and tests whether they differ', function () {
    $of = ofTrials(Measure::RiskRatio)['subgroups'];
    $with = [...IN_SHORT, 'df', 'p'];
    expect(array_map(fn (array $one): array => at($one, ...$with), $of['groups']))->toEqual([
        'x' => [2, 1.708036, 41.453234, -0.481648, 0.289278, -0.36684, 0.43971, 0.182094, -0.36684, 0.43971, 0.182094, 1, 0.19124],
        'y' => [3, 3.478174, 42.49856, -0.515165, 0.136022, -0.540772, 0.211738, 0.054057, -0.541579, 0.21424, 0.056274, 2, 0.175681],
    ]);
    expect(at($of['between'], 'common.Q', 'common.df', 'common.p', 'DL.Q', 'DL.df', 'DL.p', 'REML.Q', 'REML.p'))
        ->toBe([0.010993, 1, 0.916495, 0.127015, 1, 0.721547, 0.127626, 0.720907]);
});

it('says how sure the share of I² is, by one formula where studies differ much and by another where not', function (array $estimates, float $variance, array $of) {
    $all = ofEffects(array_map(fn (float $one): array => [$one, $variance], $estimates));
    expect(at($all['heterogeneity'], 'Q', 'I2_low', 'I2_high'))->toEqualWithDelta($of, 1e-6);
})->with([
    [[0.1, 0.9, 0.3], 0.04, [8.666667, 24.742716, 92.923683]],
    [[0.1, 0.6], 0.04, [3.125, 0.0, 92.779657]],
    [[0.1, 0.6], 0.125, [1.0, null, null]],
    [[0.1, 0.4, 0.3, 0.5], 0.02, [4.375, 0.0, 75.378469]],
    [[0.1, 0.4, 0.3, 0.5], 0.03, [2.916667, 0.0, 84.250346]],
    [[0.1, 0.5, 0.4], 0.06, [1.444444, 0.0, 85.597222]],
    [[0.2, 0.2, 0.2], 0.06, [0.0, 0.0, 0.0]],
]);

it('leaves out by name what is undefined, and keeps two rows of one name apart', function () {
    $of = ofTrials(Measure::RiskRatio, [...TRIALS, ['S6', 2006, 0, 9, 0, 9, ''], ['S1', 2007, 5, 48, 4, 50, '']]);
    expect([$of['k'], $of['excluded']])
        ->toBe([6, ['S6']])
        ->and(array_keys($of['common']['weights_pct']))
        ->toBe(['S1', 'S2', 'S3', 'S4', 'S5', 'S1 (2)'])
        ->and(round(array_sum($of['mantel_haenszel']['weights_pct']), 9))
        ->toBe(100.0);
});

it('does not depend on the order, nor on the unit', function () {
    $effects = [[0.2, 0.05], [0.9, 0.1], [-0.3, 0.02], [0.4, 0.4]];
    $paths = ['common.estimate', 'heterogeneity.Q', 'heterogeneity.tau2_high', 'random.REML.tau2', 'random.PM.estimate', 'egger.p', 'begg.S'];
    $one = at(ofEffects($effects), ...$paths);
    expect(at(ofEffects(array_reverse($effects)), ...$paths))->toBe($one);
    $scaled = ofEffects(array_map(fn (array $e): array => [10 * $e[0], 100 * $e[1]], $effects));
    expect(at($scaled, 'heterogeneity.Q', 'heterogeneity.I2', 'egger.p'))
        ->toBe(at(ofEffects($effects), 'heterogeneity.Q', 'heterogeneity.I2', 'egger.p'))
        ->and(round(data_at($scaled, 'random.REML.tau2') / 100, 9))
        ->toBe(round(data_at(ofEffects($effects), 'random.REML.tau2'), 9));
});

it('says null where something is not defined', function (array $effects, array $values) {
    foreach ($values as $path => $value) {
        expect(data_at(ofEffects($effects), $path))->toEqual($value, $path);
    }
})->with([
    'no study' => [[], ['common.estimate' => null, 'random.DL.hksj.se' => null, 'heterogeneity.Q' => null, 'leave_one_out' => []]],
    'one study' => [[[0.5, 0.04]], [
        'common.estimate' => 0.5,
        'random.REML.estimate' => 0.5,
        'random.REML.tau2' => null,
        'random.REML.hksj.se' => null,
        'random.REML.hksj_trunc.p' => null,
        'heterogeneity.Q' => 0,
        'heterogeneity.df' => 0,
        'heterogeneity.p' => null,
        'heterogeneity.I2' => null,
        'leave_one_out' => [],
        'cumulative.0.k' => 1,
    ]],
    'two alike' => [[[0.5, 0.04], [0.5, 0.04]], [
        'heterogeneity.I2_low' => null,
        'random.DL.hksj.se' => null,
        'random.DL.prediction.low' => null,
        'egger.p' => null,
        'subgroups' => null,
    ]],
    'three alike, one variance' => [[[0.5, 0.04], [0.5, 0.04], [0.5, 0.04]], [
        'heterogeneity.I2_high' => 0,
        'egger.intercept' => null,
        'begg.p' => null,
        'random.PM.tau2' => 0,
    ]],
    'one group' => [[[0.5, 0.04, null, 'a'], [0.1, 0.04, null, 'a']], ['subgroups.between.DL.Q' => null, 'subgroups.groups.a.k' => 2]],
]);

it('adds studies year by year, those without a year last', function () {
    $of = ofEffects([[0.1, 0.1, 2005], [0.2, 0.1], [0.3, 0.1, 1999], [0.4, 0.1, 2005]]);
    expect(array_column($of['cumulative'], 'added'))
        ->toBe(['s2', 's0', 's3', 's1'])
        ->and($of['cumulative'][3]['common']['estimate'])
        ->toBe($of['common']['estimate'])
        ->and($of['leave_one_out']['s0']['k'])
        ->toBe(3);
});

it('finds the highest of several maxima of the restricted likelihood', function () {
    // two exact studies far apart and one vague one: a likelihood of several hills comes of such
    $random = new Random\Randomizer(new Random\Engine\Mt19937(7));
    for ($try = 0; $try < 60; $try++) {
        $studies = [];
        for ($i = 0, $k = $random->getInt(2, 6); $i < $k; $i++) {
            $studies[] = new Study("s{$i}", $random->getInt(-300, 300) / 100, 10 ** ($random->getInt(-400, 100) / 100));
        }
        $found = TauSquared::restrictedMaximumLikelihood($studies);
        $highest = Weighted::of($studies, $found)->restrictedLikelihood();
        for ($step = 0; $step <= 400; $step++) {
            $other = $step === 0 ? 0.0 : 10 ** ($step / 40 - 8);
            expect(Weighted::of($studies, $other)->restrictedLikelihood())->toBeLessThanOrEqual($highest + 1e-9);
        }
    }
});

it('puts τ² of Paule and Mandel where Q is what is to be expected', function () {
    $studies = [new Study('a', 0.1, 0.01), new Study('b', 0.9, 0.02), new Study('c', 0.4, 0.05)];
    expect(round(Weighted::of($studies, TauSquared::pauleMandel($studies))->q(), 10))->toBe(2.0);
});

it('counts ties in rank correlation', function () {
    $kendall = new Kendall([1, 2, 2, 3, 4], [1, 1, 2, 3, 2]);
    // six pairs the same way round, one the other way, three tied; of ten one is tied in x and two in y
    expect([$kendall->s, round((float) $kendall->tauB(), 9)])->toBe([5, round(5 / sqrt(9 * 8), 9)]);
});
