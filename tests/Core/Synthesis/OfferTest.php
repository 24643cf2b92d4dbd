<?php

use WaryHeron\Core\Coding\Lead\Parted\PartNames;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\FullText\Reading\Block;
use WaryHeron\Core\FullText\Reading\BlockKind;
use WaryHeron\Core\FullText\Reading\Paper;
use WaryHeron\Core\Synthesis\Offer\TableResults;
use WaryHeron\Core\Synthesis\Report\OutcomeKind;

/**
 * @param  list<list<string>|string>  $rows  of a table, and text between tables
 * @return list<array{string, array<string, string>}> form and numbers of what is offered
 */
function offered(array $rows, OutcomeKind $kind, string ...$names): array
{
    $paper = Passages::of(new Paper(array_map(fn (array|string $row): Block => is_string($row)
        ? new Block(BlockKind::Paragraph, $row, 2)
        : new Block(BlockKind::Row, implode(' ', $row), 2, cells: $row), $rows)));
    $groups = PartNames::of([
        '1' => ['bright light', 'Lamps', ...PartNames::USUAL['intervention']],
        '2' => ['dim light', 'Usual light', ...PartNames::USUAL['comparator']],
    ]);

    return array_map(fn ($one): array => [$one->form->value, $one->given()], TableResults::of($paper, $kind, $names, $groups));
}

it('offers what rows say of an outcome in the columns of the groups', function (array $rows, OutcomeKind $kind, array $offered) {
    expect(offered($rows, $kind, 'Near misses', 'Sleepiness'))->toBe($offered);
})->with([
    'counts, with people of each group in the head' => [
        [['Outcome', 'Lamps (n = 60)', 'Usual light (n = 58)'], ['People with a near miss', '12', '20']],
        OutcomeKind::Events,
        [['counts', ['e1' => '12', 'n1' => '60', 'e2' => '20', 'n2' => '58']]],
    ],
    'counts, with people in a row of their own' => [
        [['', 'Lamps', 'Usual light'], ['People analysed', '1,060', '58'], ['Near misses', '12 (20%)', '20 (34%)']],
        OutcomeKind::Events,
        [['counts', ['e1' => '12', 'n1' => '1060', 'e2' => '20', 'n2' => '58']]],
    ],
    'counts of counts, the comparator first' => [
        [['', 'Control', 'Intervention'], ['Near misses', '20/58', '12/60']],
        OutcomeKind::Events,
        [['counts', ['e1' => '12', 'n1' => '60', 'e2' => '20', 'n2' => '58']]],
    ],
    'percentages' => [
        [['', 'Lamps (n=60)', 'Usual light (n=58)'], ['Near misses, %', '20.0', '34.5']],
        OutcomeKind::Events,
        [['percentages', ['p1' => '20.0', 'n1' => '60', 'p2' => '34.5', 'n2' => '58']]],
    ],
    'means with SD in one cell' => [
        [['', 'Lamps (n = 60)', 'Usual light (n = 58)'], ['Sleepiness, mean (SD)', '4.1 (1.6)', '5.0 ± 1.8']],
        OutcomeKind::Means,
        [['mean-sd', ['n1' => '60', 'm1' => '4.1', 'sd1' => '1.6', 'n2' => '58', 'm2' => '5.0', 'sd2' => '1.8']]],
    ],
    'means and SDs in two rows' => [
        [['', 'Lamps', 'Usual light'], ['Sleepiness from 1 to 9, mean', '4·1', '5·0'], ['Sleepiness, SD', '1.6', '1.8']],
        OutcomeKind::Means,
        [['mean-sd', ['m1' => '4.1', 'sd1' => '1.6', 'm2' => '5.0', 'sd2' => '1.8']]],
    ],
    'means with standard errors' => [
        [['', 'Lamps', 'Usual light'], ['Sleepiness, mean (SE)', '4.1 (0.2)', '5.0 (0.3)']],
        OutcomeKind::Means,
        [['mean-se', ['m1' => '4.1', 'se1' => '0.2', 'm2' => '5.0', 'se2' => '0.3']]],
    ],
    'medians and quartiles' => [
        [['', 'Lamps', 'Usual light'], ['Sleepiness, median (IQR)', '4 (3–5)', '5 [4, 7]']],
        OutcomeKind::Means,
        [['quartiles', ['q11' => '3', 'median1' => '4', 'q31' => '5', 'q12' => '4', 'median2' => '5', 'q32' => '7']]],
    ],
    'a median with the width of its quartiles, which no form takes' => [
        [['', 'Lamps', 'Usual light'], ['Sleepiness, median (IQR)', '4 (2)', '5 (3)']],
        OutcomeKind::Means,
        [],
    ],
    'means with an interval of another level' => [
        [['', 'Lamps', 'Usual light'], ['Sleepiness, mean (90% CI)', '4.1 (3.6 to 4.6)', '5.0 (4.4, 5.6)']],
        OutcomeKind::Means,
        [['mean-interval', [
            'm1' => '4.1', 'low1' => '3.6', 'high1' => '4.6', 'm2' => '5.0', 'low2' => '4.4', 'high2' => '5.6', 'level' => '90',
        ]]],
    ],
    'a ratio with an interval whose level stands over it' => [
        [['', 'Lamps', 'Usual light', 'Risk ratio (99 % CI)'], ['Near misses', 'a few', 'some', '0.58 (0.31–1.10)']],
        OutcomeKind::Events,
        [['rr-interval', ['estimate' => '0.58', 'low' => '0.31', 'high' => '1.10', 'level' => '99']]],
    ],
    'a difference with its level within the cell' => [
        [['', 'Lamps (n = 60)', 'Usual light (n = 58)', 'Difference'], ['Sleepiness', 'lower', 'higher', '−0.9 (97.5% CI: −1.5 to −0.3)']],
        OutcomeKind::Means,
        [['difference-interval', ['n1' => '60', 'n2' => '58', 'estimate' => '-0.9', 'low' => '-1.5', 'high' => '-0.3', 'level' => '97.5']]],
    ],
    'below zero' => [
        [['', 'Lamps', 'Usual light'], ['Change of sleepiness', '−1.2 (0.9)', '–0.4 (1.1)']],
        OutcomeKind::Means,
        [['mean-sd', ['m1' => '-1.2', 'sd1' => '0.9', 'm2' => '-0.4', 'sd2' => '1.1']]],
    ],
    'counts of all with their share' => [
        [['', 'Lamps', 'Usual light'], ['Near misses', '12 of 60 (20.0%)', '20 of 58 (34.5%)']],
        OutcomeKind::Events,
        [['counts', ['e1' => '12', 'n1' => '60', 'e2' => '20', 'n2' => '58']]],
    ],
    'shares with counts of all behind them' => [
        [['', 'Lamps', 'Usual light'], ['Near misses', '20.0% (12/60)', '34.5% (20/58)']],
        OutcomeKind::Events,
        [['counts', ['e1' => '12', 'n1' => '60', 'e2' => '20', 'n2' => '58']]],
    ],
    'shares with counts behind them, as the row says' => [
        [['', 'Lamps (n = 60)', 'Usual light (n = 58)'], ['Near misses, % (n)', '20.0 (12)', '34.5 (20)']],
        OutcomeKind::Events,
        [['counts', ['e1' => '12', 'n1' => '60', 'e2' => '20', 'n2' => '58']]],
    ],
    'nobody' => [
        [['', 'Lamps (n = 60)', 'Usual light (n = 58)'], ['Near misses', '0', '3 (5%)']],
        OutcomeKind::Events,
        [['counts', ['e1' => '0', 'n1' => '60', 'e2' => '3', 'n2' => '58']]],
    ],
    'marks of footnotes' => [
        [['', 'Lamps (n = 60)', 'Usual light (n = 58)'], ['Near misses', '12*', '20†']],
        OutcomeKind::Events,
        [['counts', ['e1' => '12', 'n1' => '60', 'e2' => '20', 'n2' => '58']]],
    ],
    'marks of footnotes behind brackets' => [
        [['', 'Lamps', 'Usual light'], ['Sleepiness, mean (SD)', '4.1 (1.6)*', '5.0 (1.8)ᵃ']],
        OutcomeKind::Means,
        [['mean-sd', ['m1' => '4.1', 'sd1' => '1.6', 'm2' => '5.0', 'sd2' => '1.8']]],
    ],
    'means with their intervals' => [
        [['', 'Lamps', 'Usual light'], ['Sleepiness, mean (95% CI)', '4.1 (3.7 to 4.5)', '5.0 (4.5, 5.5)']],
        OutcomeKind::Means,
        [['mean-interval', ['m1' => '4.1', 'low1' => '3.7', 'high1' => '4.5', 'm2' => '5.0', 'low2' => '4.5', 'high2' => '5.5']]],
    ],
    'means with SD by name' => [
        [['', 'Lamps', 'Usual light'], ['Sleepiness', '4.1 (SD 1.6)', '5.0 (SD = 1.8)']],
        OutcomeKind::Means,
        [['mean-sd', ['m1' => '4.1', 'sd1' => '1.6', 'm2' => '5.0', 'sd2' => '1.8']]],
    ],
    'commas for points' => [
        [['', 'Lamps', 'Usual light'], ['Sleepiness, mean (SD)', '4,1 (1,6)', '5,0 (1,8)']],
        OutcomeKind::Means,
        [['mean-sd', ['m1' => '4.1', 'sd1' => '1.6', 'm2' => '5.0', 'sd2' => '1.8']]],
    ],
    'thousands by commas and by narrow blanks' => [
        [['', 'Lamps', 'Usual light'], ['Sleepiness in ms, mean (SD)', '1,204 (310)', "1\u{202F}310.5 (299)"]],
        OutcomeKind::Means,
        [['mean-sd', ['m1' => '1204', 'sd1' => '310', 'm2' => '1310.5', 'sd2' => '299']]],
    ],
    'medians and ranges, which are no quartiles' => [
        [['', 'Lamps', 'Usual light'], ['Sleepiness, median (range)', '4 (1–9)', '5 (2–8)']],
        OutcomeKind::Means,
        [['ranges', ['min1' => '1', 'median1' => '4', 'max1' => '9', 'min2' => '2', 'median2' => '5', 'max2' => '8']]],
    ],
    'an estimate in a column of its own' => [
        [['', 'Lamps', 'Usual light', 'Odds ratio (95% CI)'], ['Near misses', 'fewer', 'more', '0.55 (0.31 to 0.98)']],
        OutcomeKind::Events,
        [['or-interval', ['estimate' => '0.55', 'low' => '0.31', 'high' => '0.98']]],
    ],
    'groups below each other' => [
        [['Group', 'n', 'Near misses', 'Sleepiness'], ['Lamps', '60', '12', '4.1 (1.6)'], ['Usual light', '58', '20', '5.0 (1.8)']],
        OutcomeKind::Events,
        [['counts', ['e1' => '12', 'n1' => '60', 'e2' => '20', 'n2' => '58']]],
    ],
    'a cell more than there are heads' => [
        [['', 'Lamps', 'Usual light'], ['Sleepiness', '4.1 (1.6)', '5.0 (1.8)', '0.03']],
        OutcomeKind::Means,
        [['mean-sd', ['m1' => '4.1', 'sd1' => '1.6', 'm2' => '5.0', 'sd2' => '1.8']]],
    ],
    'heads that begin with a group, since nothing stands over the names of the rows' => [
        [['Lamps (n = 60)', 'Usual light (n = 58)', 'p'], ['Near misses', '12', '20', '0.3']],
        OutcomeKind::Events,
        [['counts', ['e1' => '12', 'n1' => '60', 'e2' => '20', 'n2' => '58']]],
    ],
    'heads over two cells each' => [
        [['', 'Lamps', 'Usual light'], ['Sleepiness', '4.1', '60', '5.0', '58']],
        OutcomeKind::Means,
        [],
    ],
    'such heads over a row of which nobody knows what stands where' => [
        [['Lamps', 'Usual light'], ['Near misses', '12', '20', '0.03']],
        OutcomeKind::Events,
        [],
    ],
    'groups below each other, nothing over them' => [
        [['Near misses', 'Sleepiness'], ['Lamps (n = 60)', '12', '4.1 (1.6)'], ['Usual light (n = 58)', '20', '5.0 (1.8)']],
        OutcomeKind::Events,
        [['counts', ['e1' => '12', 'n1' => '60', 'e2' => '20', 'n2' => '58']]],
    ],
    'groups below each other, with a cell more than there are heads' => [
        [['Group', 'Sleepiness', 'Errors'], ['Lamps', '4.1 (1.6)', '12', 'x'], ['Usual light', '5.0 (1.8)', '20', 'y']],
        OutcomeKind::Means,
        [['mean-sd', ['m1' => '4.1', 'sd1' => '1.6', 'm2' => '5.0', 'sd2' => '1.8']]],
    ],
    'groups below each other, one with a cell less' => [
        [['Group', 'Near misses', 'Errors'], ['Lamps', '12', '3'], ['Usual light', '20']],
        OutcomeKind::Events,
        [],
    ],
    'a group named twice: the first row of it' => [
        [['Group', 'Near misses'], ['Lamps', '12'], ['Usual light', '20'], ['Lamps', '99']],
        OutcomeKind::Events,
        [['counts', ['e1' => '12', 'e2' => '20']]],
    ],
    'a cell that is missing, and one that is empty' => [
        [['', 'Lamps', 'Usual light'], ['Near misses', '12'], ['Near misses of drugs', '', '20']],
        OutcomeKind::Events,
        [],
    ],
    'a word that only begins alike' => [[['', 'Lamps', 'Usual light'], ['Hours of sleep', '6', '7']], OutcomeKind::Means, []],
    'another outcome' => [[['', 'Lamps', 'Usual light'], ['Headache', '12', '20']], OutcomeKind::Events, []],
    'groups that nobody names' => [[['', 'Ward A', 'Ward B'], ['Near misses', '12', '20']], OutcomeKind::Events, []],
    'one group only' => [[['', 'Lamps', 'p'], ['Near misses', '12', '0.03']], OutcomeKind::Events, []],
    'what counts no people' => [[['', 'Lamps', 'Usual light'], ['Near misses a night', '0.4', '0.7']], OutcomeKind::Events, []],
    'words' => [[['', 'Lamps', 'Usual light'], ['Sleepiness', 'less', 'more']], OutcomeKind::Means, []],
    'means of events' => [[['', 'Lamps', 'Usual light'], ['Near misses, mean (SD)', '12 (20)', '15 (22)']], OutcomeKind::Events, []],
    'events in so many nights' => [[['', 'Lamps', 'Usual light'], ['Near misses per 100 nights', '12', '20']], OutcomeKind::Events, []],
    'a rate' => [[['', 'Lamps', 'Usual light'], ['Rate of near misses', '12', '20']], OutcomeKind::Events, []],
    'people counted where means are asked for' => [
        [['', 'Lamps', 'Usual light'], ['Sleepiness, n (%)', '12 (20)', '20 (34)'], ['Sleepiness, % (n)', '20 (12)', '34 (20)']],
        OutcomeKind::Means,
        [],
    ],
    'people counted, in per cent' => [
        [['', 'Lamps (n = 60)', 'Usual light (n = 58)'], ['Near misses, per cent', '20', '34.5']],
        OutcomeKind::Events,
        [['percentages', ['p1' => '20', 'n1' => '60', 'p2' => '34.5', 'n2' => '58']]],
    ],
]);

it('reads how numbers are given from what stands over and under a table', function (array $rows, array $offered) {
    expect(offered($rows, OutcomeKind::Means, 'Sleepiness'))->toBe($offered);
})->with(function () {
    $head = ['Outcome', 'Lamps', 'Usual light'];
    $three = ['Sleepiness', '4 (3–5)', '5 [4; 7]'];
    $quartiles = [['quartiles', ['q11' => '3', 'median1' => '4', 'q31' => '5', 'q12' => '4', 'median2' => '5', 'q32' => '7']]];
    $intervals = [['mean-interval', ['m1' => '4', 'low1' => '3', 'high1' => '5', 'm2' => '5', 'low2' => '4', 'high2' => '7']]];
    $two = ['Sleepiness', '4.1 ± 1.6', '5.0 ± 1.8'];
    $of = fn (string $form, string $key): array => [[$form, ['m1' => '4.1', "{$key}1" => '1.6', 'm2' => '5.0', "{$key}2" => '1.8']]];

    return [
        'medians by the title' => [['Endpoints by lamp; median (interquartile range) unless stated.', $head, $three], $quartiles],
        'means by the title' => [['Values are means (95% CI).', $head, $three], $intervals],
        'what nobody names' => [['Sleepiness was less.', $head, $three], []],
        'errors by the title' => [['Table 2. Values are mean ± SE or count.', $head, $two], $of('mean-se', 'se')],
        'SDs by the title' => [['Values are mean ± SD.', $head, $two], $of('mean-sd', 'sd')],
        'SDs that nobody names' => [[$head, $two], $of('mean-sd', 'sd')],
        'one of both' => [['Values are means with SD or SE.', $head, $two], []],
        'an error in the row, SDs in the title' => [
            ['Values are mean ± SD.', $head, ['Sleepiness, mean (SE)', '4.1 (1.6)', '5.0 (1.8)']], $of('mean-se', 'se'),
        ],
        'another way for this row' => [['Table 1: Errors, mean ± SD (for sleepiness, median and quartiles)', $head, $three], $quartiles],
        'another way for another row' => [['Table 1: Results, mean ± SD (for pain, median and quartiles)', $head, $two], $of('mean-sd', 'sd')],
        'a line about the row alone' => [['Sleepiness: median (interquartile range).', $head, $three], $quartiles],
        'a note by its sign' => [
            ['Data are means (SD).', $head, ['Sleepiness, €†', '4 (3–5)', '5 (4–7)'], '*Mean (SD). †Median (IQR).'], $quartiles,
        ],
        'a note by its letter' => [[$head, ['Sleepinessb', '4 (3–5)', '5 (4–7)'], 'b: median [first and third quartile].'], $quartiles],
        'each by how its cells look' => [['Means ± standard error; number of patients; or median and quartiles.', $head, $two], $of('mean-se', 'se')],
        'and so the other' => [['Means ± standard error; number of patients; or median and quartiles.', $head, $three], $quartiles],
        'people of a row in columns of their own' => [
            ['Values are mean ± SD.', ['Outcome', 'Lamps', 'n', 'Usual light', 'n'], ['Sleepiness', '4.1 ± 1.6', '60', '5.0 ± 1.8', '58']],
            [['mean-sd', ['n1' => '60', 'm1' => '4.1', 'sd1' => '1.6', 'n2' => '58', 'm2' => '5.0', 'sd2' => '1.8']]],
        ],
        'people of a row in its cells' => [
            [['', 'Lamps (n = 70)', 'Usual light (n = 70)'], ['Sleepiness', '+4·1 (1·6), n=60', '−5.0 ± 1.8 (n = 58)']],
            [['mean-sd', ['n1' => '60', 'm1' => '4.1', 'sd1' => '1.6', 'n2' => '58', 'm2' => '-5.0', 'sd2' => '1.8']]],
        ],
        'what people were like at the start' => [['Table 1. Nurses at baseline. Values are mean ± SD.', $head, $two], []],
        'the title of the next table' => [[$head, $three, 'Table 3. Medians (IQR) of other things.'], []],
        'the notes of the table before' => [
            [['', 'Lamps', 'Usual light'], ['Pain', '3', '4'], 'Medians (IQR) are given.', 'Table 2. Values are mean ± SD.', $head, $two],
            $of('mean-sd', 'sd'),
        ],
        'the start and later' => [['Table 2. Sleep at baseline and at week 8.', $head, $two], $of('mean-sd', 'sd')],
    ];
});

it('says of changes that they are, where only the title of their table does', function () {
    $rows = [['', 'Lamps', 'Usual light'], ['Sleepiness', '−1.2 (0.9)', '−0.4 (1.1)']];
    $block = fn (array|string $of): Block => is_string($of)
        ? new Block(BlockKind::Paragraph, $of, 2)
        : new Block(BlockKind::Row, implode(' ', $of), 2, cells: $of);
    $paper = Passages::of(new Paper(array_map($block, ['Table 3. Change from baseline, mean (SD)', ...$rows])));
    $offers = TableResults::of($paper, OutcomeKind::Means, ['Sleepiness'], PartNames::of(['1' => ['Lamps'], '2' => ['Usual light']]));
    expect(array_column($offers, 'label'))->toBe(['Sleepiness (change)']);
});

it('tells groups apart of which one’s name holds the other’s', function () {
    $block = fn (array $of): Block => new Block(BlockKind::Row, implode(' ', $of), 2, cells: $of);
    $paper = Passages::of(new Paper(array_map($block, [['', 'No nap', 'Nap'], ['Lapses', '7.1 (4.9)', '4.8 (3.6)']])));
    $offers = TableResults::of($paper, OutcomeKind::Means, ['Lapses'], PartNames::of(['1' => ['nap'], '2' => ['no nap']]));
    expect($offers[0]->given())->toBe(['m1' => '4.8', 'sd1' => '3.6', 'm2' => '7.1', 'sd2' => '4.9']);
});

it('offers the row that holds most of the name first, and tables apart from each other', function () {
    $rows = [
        ['', 'Lamps', 'Usual light'], ['Sleepiness after waking', '3.0 (1.0)', '3.1 (1.0)'], ['Sleepiness at 04:00', '4.1 (1.6)', '5.0 (1.8)'],
        'And then another table.',
        ['', 'Lamps', 'Usual light'], ['Sleepiness at 04:00', '4.5 (1.6)', '5.1 (1.8)'],
    ];
    expect(array_column(array_column(offered($rows, OutcomeKind::Means, 'Sleepiness at night'), 1), 'm1'))->toBe([])
        ->and(array_column(array_column(offered($rows, OutcomeKind::Means, 'Sleepiness at four'), 1), 'm1'))->toBe([])
        ->and(array_column(array_column(offered($rows, OutcomeKind::Means, 'Sleepiness after waking'), 1), 'm1'))->toBe(['3.0'])
        ->and(array_column(array_column(offered($rows, OutcomeKind::Means, 'Sleepiness'), 1), 'm1'))->toBe(['3.0', '4.1', '4.5']);
});

it('puts the heads of a table over the cells that they are heads of', function (array $heads, array $cells, array $over) {
    $block = fn (array $of): Block => new Block(BlockKind::Row, implode(' ', $of), 1, cells: $of);
    $row = Passages::of(new Paper([$block($heads), $block($cells)]))->all[1];
    expect($row->heads)->toBe($over);
})->with([
    'as many as cells' => [['', 'Lamps', 'p'], ['Errors', '12', '0.3'], ['', 'Lamps', 'p']],
    'one short, as papers print it' => [['Lamps', 'p'], ['Errors', '12', '0.3'], ['', 'Lamps', 'p']],
    'one short, with something over the names' => [['Outcome', 'Lamps'], ['Errors', '12', '0.3'], ['Outcome', 'Lamps']],
    'an empty corner' => [['', 'Lamps'], ['Errors', '12', '0.3'], ['', 'Lamps']],
    'one short, the first a group' => [['Intervention', 'Control'], ['Errors', '12', '20'], ['', 'Intervention', 'Control']],
    'one short, the first a group by its letter' => [['Group A', 'Group B'], ['Errors', '12', '20'], ['', 'Group A', 'Group B']],
    'groups below each other' => [['Group', 'Errors'], ['Lamps', '12', 'x'], ['Group', 'Errors']],
    'two short: nobody knows' => [['Lamps'], ['Errors', '12', '0.3'], ['Lamps']],
]);
