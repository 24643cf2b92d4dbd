<?php

use WaryHeron\Core\Synthesis\Choice\ChosenRow;
use WaryHeron\Core\Synthesis\Choice\ReportedRow;
use WaryHeron\Core\Synthesis\Choice\RowChoice;
use WaryHeron\Core\Synthesis\Choice\SeveralGroups;
use WaryHeron\Core\Synthesis\Effect\AnalysisMeasure;
use WaryHeron\Core\Synthesis\Report\Group;
use WaryHeron\Core\Synthesis\Report\Step;
use WaryHeron\Core\Synthesis\Report\Used;

function oneRow(string $id, string $study, ?int $days = null, string $scale = '', ?Used $used = null, string $arms = ''): ReportedRow
{
    return new ReportedRow($id, $study, $used ?? new Used(new Group(50.0, 5.0), new Group(50.0, 9.0)), $days, $scale, $arms);
}

/** @return array<string, list<string>> the rows taken, by study */
function taken(RowChoice $choice, ReportedRow ...$rows): array
{
    $taken = [];
    foreach ($choice->of($rows) as $chosen) {
        $taken[$chosen->study] = [...$taken[$chosen->study] ?? [], ...$chosen->rows];
    }

    return $taken;
}

it('takes one result of several times and scales, and says which', function (RowChoice $choice, array $takes) {
    $rows = [
        oneRow('a7', 'A', 7, 'hourly ratings'), oneRow('a28', 'A', 28, 'hourly ratings'), oneRow('a28v', 'A', 28, 'visual scale'),
        oneRow('b0', 'B'), oneRow('c90', 'C', 90, 'visual scale'),
    ];
    expect(taken($choice, ...$rows))->toBe($takes);
})->with([
    'the latest, the first scale' => [new RowChoice(), ['A' => ['a28'], 'B' => ['b0'], 'C' => ['c90']]],
    'nearest to a week' => [new RowChoice(nearest: 10), ['A' => ['a7'], 'B' => ['b0'], 'C' => ['c90']]],
    'nearest to a month' => [new RowChoice(nearest: 30), ['A' => ['a28'], 'B' => ['b0'], 'C' => ['c90']]],
    'a scale first' => [new RowChoice(scales: ['visual scale']), ['A' => ['a28v'], 'B' => ['b0'], 'C' => ['c90']]],
    'a window, which what tells no time is not in' => [new RowChoice(from: 1, to: 60), ['A' => ['a28']]],
]);

it('counts nobody twice, however several groups are put together', function (SeveralGroups $several) {
    $comparator = new Group(60.0, 12.0);
    $rows = [
        oneRow('1', 'A', used: new Used(new Group(30.0, 3.0), $comparator), arms: 'ward lamps'),
        oneRow('2', 'A', used: new Used(new Group(40.0, 6.0), $comparator), arms: 'glasses'),
    ];
    $chosen = (new RowChoice(several: $several))->of($rows);
    $sum = fn (\Closure $of): float => array_sum(array_map($of, $chosen));
    expect($sum(fn (ChosenRow $one) => $one->used->one->n))->toBe(70.0)
        ->and($sum(fn (ChosenRow $one) => $one->used->two->n))->toBe(60.0)
        ->and($sum(fn (ChosenRow $one) => $one->used->two->events))->toBe(12.0)
        ->and($sum(fn (ChosenRow $one) => $one->used->one->events))->toBe(9.0)
        ->and($chosen[0]->why)->toContain('2 groups against one comparator');
})->with(SeveralGroups::cases());

it('takes the first where results cannot be put together, and names it', function () {
    $direct = new Used(direct: [AnalysisMeasure::Ratio->value => (new Used())->effect(AnalysisMeasure::Ratio)]);
    $chosen = (new RowChoice())->of([oneRow('1', 'A', used: $direct), oneRow('2', 'A', used: $direct)]);
    expect($chosen)->toHaveCount(1)->and($chosen[0]->rows)->toBe(['1'])->and($chosen[0]->why)->toContain('nobody counts twice');
});

it('chooses alike in whatever order rows come', function () {
    mt_srand(5);
    for ($round = 0; $round < 40; $round++) {
        $rows = [];
        foreach (range(1, 12) as $i) {
            $rows[] = oneRow("r{$i}", 'S'.mt_rand(1, 4), [null, 7, 28, 90][mt_rand(0, 3)], ['x', 'y'][mt_rand(0, 1)], new Used(new Group((float) $i, 1.0), new Group(9.0, 2.0)));
        }
        $people = function (array $rows): array {
            $of = [];
            foreach ((new RowChoice(nearest: 20))->of($rows) as $chosen) {
                $of[$chosen->study] = $chosen->used->one->n;
            }
            ksort($of);

            return $of;
        };
        $before = $people($rows);
        shuffle($rows);
        expect($people($rows))->toBe($before);
    }
});

it('takes one of two times that are equally near, since both are the same people', function () {
    $both = new Used(new Group(50.0, 5.0), new Group(50.0, 9.0));
    $rows = [oneRow('late', 'A', 13, used: $both), oneRow('early', 'A', 7, used: $both)];
    $chosen = (new RowChoice(nearest: 10))->of($rows);

    expect($chosen)->toHaveCount(1)
        ->and($chosen[0]->rows)->toBe(['early'])
        ->and($chosen[0]->used->one->n)->toBe(50.0)
        ->and($chosen[0]->why)->toBe('2 results at several times: day 7 is taken, nearest to day 10');
});

it('says why in a sentence for each step, and nothing where there was nothing to choose', function (RowChoice $choice, array $rows, string $why) {
    $chosen = $choice->of($rows);

    expect($chosen)->toHaveCount(1)->and($chosen[0]->why)->toBe($why)->and($chosen[0]->arms)->toBe('');
})->with([
    'one result' => [new RowChoice(nearest: 5), [oneRow('1', 'A', 3, 'x', arms: 'lamps')], ''],
    'one without a time' => [new RowChoice(), [oneRow('1', 'A')], ''],
    'the latest' => [new RowChoice(), [oneRow('1', 'A', 7), oneRow('2', 'A'), oneRow('3', 'A', 28)], '3 results at several times: day 28 is taken, the latest'],
    'of scales' => [new RowChoice(), [oneRow('1', 'A', 7, 'visual'), oneRow('2', 'A', 7, 'hourly')], 'several scales: hourly is taken'],
    'of scales, one unnamed' => [new RowChoice(), [oneRow('1', 'A', 7, 'visual'), oneRow('2', 'A', 7)], 'several scales: the unnamed one is taken'],
    'a scale asked for after another that is not there' => [
        new RowChoice(scales: ['rare', 'visual']),
        [oneRow('1', 'A', 7, 'hourly'), oneRow('2', 'A', 7, 'visual')],
        'several scales: visual is taken',
    ],
    'both' => [
        new RowChoice(),
        [oneRow('1', 'A', 7, 'a'), oneRow('2', 'A', 9, 'b'), oneRow('3', 'A', 9, 'a')],
        '3 results at several times: day 9 is taken, the latest; several scales: a is taken',
    ],
]);

it('holds a window with its bounds, and passes over what tells no time only where there is one', function (RowChoice $choice, array $takes) {
    $rows = [oneRow('6', 'A', 6), oneRow('7', 'B', 7), oneRow('28', 'C', 28), oneRow('29', 'D', 29), oneRow('none', 'E')];

    expect(array_merge(...array_values(taken($choice, ...$rows))))->toBe($takes);
})->with([
    'none' => [new RowChoice(), ['6', '7', '28', '29', 'none']],
    'from' => [new RowChoice(from: 7), ['7', '28', '29']],
    'to' => [new RowChoice(to: 28), ['6', '7', '28']],
    'both' => [new RowChoice(from: 7, to: 28), ['7', '28']],
]);

it('keeps what the numbers were reckoned from, and the names of groups that stay apart', function () {
    $comparator = new Group(60.0, 12.0);
    $rows = [
        oneRow('1', '12', used: new Used(new Group(30.0, 3.0), $comparator, [new Step('first', '', null)]), arms: 'ward lamps'),
        oneRow('2', '12', used: new Used(new Group(40.0, 6.0), $comparator, [new Step('second', '', null)]), arms: 'glasses'),
        oneRow('3', '12', used: new Used(new Group(50.0, 6.0), $comparator, [new Step('third', '', null)]), arms: 'visors'),
    ];
    [$one] = (new RowChoice())->of($rows);
    $apart = (new RowChoice(several: SeveralGroups::Split))->of($rows);

    expect([$one->study, $one->rows, $one->arms, array_column($one->used->steps, 'what'), $one->why])
        ->toBe(['12', ['1', '2', '3'], '', ['first', 'second', 'third'], '3 groups against one comparator, taken together'])
        ->and(array_column($apart, 'arms'))->toBe(['ward lamps', 'glasses', 'visors'])
        ->and(array_map(fn (ChosenRow $part): array => array_column($part->used->steps, 'what'), $apart))->toBe([['first'], ['second'], ['third']])
        ->and(array_unique(array_column($apart, 'why')))->toBe(['3 groups against one comparator, which is shared out among them'])
        ->and($apart[2]->used->two->n)->toBe(20.0);
});

it('puts nothing together that has no comparator in common', function (Used $other) {
    $first = new Used(new Group(30.0, 3.0), new Group(60.0, 12.0));
    [$chosen] = (new RowChoice())->of([oneRow('1', 'A', used: $first), oneRow('2', 'A', used: $other)]);

    expect($chosen->rows)->toBe(['1'])
        ->and($chosen->used)->toBe($first)
        ->and($chosen->why)->toBe('2 results with no groups that could be put together: the first is taken, so that nobody counts twice');
})->with([
    'another comparator' => [new Used(new Group(40.0, 6.0), new Group(61.0, 12.0))],
    'none' => [new Used(new Group(40.0, 6.0))],
    'the comparator alone' => [new Used(null, new Group(60.0, 12.0))],
    'an estimate of its own besides' => [
        new Used(new Group(40.0, 6.0), new Group(60.0, 12.0), [], [AnalysisMeasure::Ratio->value => (new Used())->effect(AnalysisMeasure::Ratio)]),
    ],
]);
