<?php

use WaryHeron\Core\Synthesis\Choice\ChosenRow;
use WaryHeron\Core\Synthesis\Choice\ReportedRow;
use WaryHeron\Core\Synthesis\Choice\RowChoice;
use WaryHeron\Core\Synthesis\Choice\SeveralGroups;
use WaryHeron\Core\Synthesis\Effect\AnalysisMeasure;
use WaryHeron\Core\Synthesis\Report\Group;
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
