<?php

namespace Tests\Core\FullText\TableColumns;

use WaryHeron\Core\FullText\Reading\Block;
use WaryHeron\Core\FullText\Reading\BlockKind;
use WaryHeron\Core\FullText\Reading\Page;
use WaryHeron\Core\FullText\Reading\Paper;
use WaryHeron\Core\FullText\Reading\Word;

/** Letters are half as wide as they are high. */
const HIGH = 10.0;

/**
 * A page of cells, each [left, line, text], a blank between words a quarter as wide as letters are high.
 *
 * @return list<string> its blocks: cells between bars, text as it is
 */
function read(array ...$cells): array
{
    $words = [];
    foreach ($cells as [$left, $line, $text]) {
        foreach (explode(' ', $text) as $word) {
            $width = mb_strlen($word) * HIGH / 2;
            $words[] = new Word($word, $left, 100 + 12 * $line, $left + $width, 100 + 12 * $line + HIGH);
            $left += $width + HIGH / 4;
        }
    }
    $said = fn (Block $block): string => $block->kind === BlockKind::Row ? implode(' | ', $block->cells) : $block->text;

    return array_map($said, Paper::ofPages([new Page(1, 600, 800, $words)])->blocks);
}

/** A row of cells at these places, on one line. */
function row(int $line, array $lefts, string ...$texts): array
{
    return array_map(fn (float $left, string $text): array => [$left, $line, $text], $lefts, $texts);
}

const AT = [50.0, 150.0, 220.0, 300.0];

it('parts cells that stand close, where other rows have their columns', function () {
    // “63 (43.2%)” ends four points before “84 (28.8%)” begins: less than what parts cells by itself
    expect(read(
        ...row(0, AT, 'Factor', 'Cases', 'Controls', 'Ratio'),
        ...row(1, [50, 150, 203, 300], 'Dim light', '63 (43.2%)', '84 (28.8%)', '1.94'),
        ...row(2, AT, 'Falls', '54', '66', '1.88'),
    ))->toBe(['Factor | Cases | Controls | Ratio', 'Dim light | 63 (43.2%) | 84 (28.8%) | 1.94', 'Falls | 54 | 66 | 1.88']);
});

it('parts a name from the number that it nearly touches', function () {
    expect(read(
        ...row(0, [150, 220, 300], 'Nurses', 'Surgeons', 'P'),
        ...row(1, [50, 150, 220, 300], 'Infections at night', '37', '48', '0.17'),
        ...row(2, AT, 'Pain', '24', '29', '0.44'),
    ))->toBe([' | Nurses | Surgeons | P', 'Infections at night | 37 | 48 | 0.17', 'Pain | 24 | 29 | 0.44']);
});

it('keeps cells of several lines together where they stand close', function () {
    expect(read(
        ...row(0, [50, 150, 184, 300], 'Measure', 'Time', 'Lamps', 'Usual'),
        ...[[50, 1, 'Score'], [150, 1, 'week 6'], [184, 1, '+11.8 ± 7.4'], [184, 2, '(n=49)'], [300, 1, '+9.1 ± 6.9'], [300, 2, '(n=50)']],
        ...row(3, [50, 150, 184, 300], 'Other', 'week 6', '8.9', '6.0'),
    ))->toBe(['Measure | Time | Lamps | Usual', 'Score | week 6 | +11.8 ± 7.4 (n=49) | +9.1 ± 6.9 (n=50)', 'Other | week 6 | 8.9 | 6.0']);
});

it('leaves cells empty that are empty, so that what follows stays under its head', function () {
    expect(read(
        ...row(0, AT, 'Outcome', 'Lamps', 'Usual', 'P'),
        ...row(1, [50, 150, 300], 'Sleep', '402', '0.03'),
        ...row(2, AT, 'Errors', '12', '20', '0.3'),
        ...row(3, [50, 150, 220], 'Falls', '1', '2'),
    ))->toBe(['Outcome | Lamps | Usual | P', 'Sleep | 402 |  | 0.03', 'Errors | 12 | 20 | 0.3', 'Falls | 1 | 2']);
});

it('takes two heads over a row for heads, under which nothing stands over the names', function () {
    expect(read(
        ...[[50, 0, 'Figures are means with their standard deviations in brackets, as the'], [50, 1, 'clerk wrote them down each night.']],
        ...row(2, [150, 220], 'Nap', 'No nap'),
        ...row(3, [50, 150, 220], 'Lapses', '4.8', '7.1'),
        ...row(4, [50, 150, 220], 'Speed', '287', '305'),
    ))->toBe([
        'Figures are means with their standard deviations in brackets, as the clerk wrote them down each night.',
        ' | Nap | No nap', 'Lapses | 4.8 | 7.1', 'Speed | 287 | 305',
    ]);
});

it('takes a line over the rows for their head, although its cells stand close, and no title', function (string $title) {
    expect(read(
        [50, 0, $title],
        ...row(1, [150, 205, 282], 'Desk only', 'Desk + prompts', 'Control'),
        ...row(2, [50, 150, 205, 282], 'Sitting', '331 ± 9', '318 ± 8', '398 ± 6'),
        ...row(3, [50, 150, 205, 282], 'Calls', '11.4', '11.2', '11.3'),
    ))->toBe([$title, ' | Desk only | Desk + prompts | Control', 'Sitting | 331 ± 9 | 318 ± 8 | 398 ± 6', 'Calls | 11.4 | 11.2 | 11.3']);
})->with(['Table 2. Sitting by the desk that people had at work and at home', 'It is told here.']);

it('leaves a title over rows whole', function () {
    expect(read(
        [50, 0, 'Table 2. Sitting and calls by desk, in the last week'],
        ...row(1, [50, 150, 205, 282], 'Sitting', '331 ± 9', '318 ± 8', '398 ± 6'),
        ...row(2, [50, 150, 205, 282], 'Calls', '11.4', '11.2', '11.3'),
    ))->toBe(['Table 2. Sitting and calls by desk, in the last week', 'Sitting | 331 ± 9 | 318 ± 8 | 398 ± 6', 'Calls | 11.4 | 11.2 | 11.3']);
});

it('leaves notes and text beneath a table whole', function (string $note) {
    $read = read(
        ...row(0, AT, 'Outcome', 'Lamps', 'Usual', 'P'),
        ...row(1, AT, 'Errors', '12', '20', '0.3'),
        ...[[50, 2, $note]],
    );
    expect($read)->toBe(['Outcome | Lamps | Usual | P', 'Errors | 12 | 20 | 0.3', $note]);
})->with([
    '* By the log of each ward, without those of one night.',
    'Lamps lowered errors in all wards but one, where they were dim.',
    'a Two nights.',
    'The others slept by day and were not asked again about their nights.',
]);

it('parts nothing at columns that lie over each other', function () {
    expect(read(
        ...row(0, [50, 150, 260], 'Outcome', 'Lamps or others', 'P'),
        ...row(1, [50, 190, 260], 'Errors of all kinds here', '20', '0.3'),
        ...row(2, [50, 120, 260], 'Falls', '20 of 40 nurses here', '0.3'),
    ))->toBe(['Outcome | Lamps or others | P', 'Errors of all kinds here | 20 | 0.3', 'Falls | 20 of 40 nurses here | 0.3']);
});

it('forgets a table’s columns where the table ends', function () {
    expect(read(
        ...row(0, AT, 'Outcome', 'Lamps', 'Usual', 'P'),
        ...row(1, AT, 'Errors', '12', '20', '0.3'),
        ...[[50, 6, 'Between both tables there is a line of text that goes on for some time.']],
        ...row(8, [50, 260, 400], 'Ward', 'Beds', 'Lamps'),
        ...row(9, [50, 260, 400], 'North ward', '20', '12'),
    ))->toBe([
        'Outcome | Lamps | Usual | P', 'Errors | 12 | 20 | 0.3',
        'Between both tables there is a line of text that goes on for some time.',
        'Ward | Beds | Lamps', 'North ward | 20 | 12',
    ]);
});
