<?php

use WaryHeron\Core\Bibliography\Format\Printed\PrintedReader;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\FullText\Reading\Page;
use WaryHeron\Core\FullText\Reading\ReferenceSection;
use WaryHeron\Core\FullText\Reading\Word;

/** A page set from lines, each [left, top, text, height]; letters are half as wide as they are high. */
function setOnPage(int $number, array ...$lines): Page
{
    $words = [];
    foreach ($lines as $line) {
        [$x, $top, $text, $height] = [...$line, 10.0];
        foreach (explode(' ', $text) as $word) {
            $width = (mb_strlen($word) * $height) / 2;
            $words[] = new Word($word, $x, $top, $x + $width, $top + $height);
            $x += $width + 0.3 * $height;
        }
    }

    return new Page($number, 600, 800, $words);
}

/** @return list<string> titles that the reader of printed references tells in the list */
function titlesOf(?string $list): array
{
    $stream = fopen('php://memory', 'w+');
    fwrite($stream, (string) $list);
    rewind($stream);
    $titles = [];
    foreach ((new PrintedReader())->read($stream) as $one) {
        $titles[] = $one instanceof Reference ? $one->title : "not told: {$one->text}";
    }

    return $titles;
}

const LIST_TITLES = ['Bright light on night shifts', 'Naps before the night', 'Glare under strong lamps'];

it('finds the list and keeps its lines', function (array $lines, string $expected) {
    $list = ReferenceSection::of([setOnPage(1, [50, 100, 'Work at night asks much.'], ...$lines)]);
    expect($list)->toBe($expected);
})->with([
    'to the end' => [
        [[50, 150, 'References', 12], [50, 170, '1. Kolbe A. Lamps.'], [50, 182, '2. Lund R. Naps.']],
        "1. Kolbe A. Lamps.\n2. Lund R. Naps.\n",
    ],
    'set in' => [
        [
            [50, 150, 'LITERATURE CITED'],
            [50, 170, 'Kolbe A. Lamps and what'],
            [62, 182, 'they do. Alert. 2014;2:1-9.'],
            [50, 194, 'Lund R. Naps. Alert.'],
            [62, 206, '2015;3:4-8.'],
        ],
        "Kolbe A. Lamps and what\n   they do. Alert. 2014;2:1-9.\nLund R. Naps. Alert.\n   2015;3:4-8.\n",
    ],
    'parted by gaps' => [
        [
            [50, 150, '5. References'],
            [50, 170, 'Kolbe A. Lamps and what'],
            [50, 182, 'they do.'],
            [50, 202, 'Lund R. Naps and'],
            [50, 214, 'naps.'],
        ],
        "Kolbe A. Lamps and what\nthey do.\n\nLund R. Naps and\nnaps.\n",
    ],
    'a heading behind it, by its words' => [
        [[50, 150, 'References'], [50, 170, '1. Kolbe A. Lamps.'], [50, 182, 'Funding'], [50, 194, 'None was had.']],
        "1. Kolbe A. Lamps.\n",
    ],
    'a heading behind it, by its letters' => [
        [[50, 150, 'References', 12], [50, 170, '1. Kolbe A. Lamps.'], [50, 190, 'Methods in detail', 14], [50, 210, 'More.']],
        "1. Kolbe A. Lamps.\n",
    ],
    'a line that looks like a heading' => [
        [[50, 150, 'References'], [50, 170, '1. Kolbe A. Lamps.'], [50, 182, '2. Lund R. On'], [50, 194, 'Results'], [50, 206, 'again.']],
        "1. Kolbe A. Lamps.\n2. Lund R. On\nResults\nagain.\n",
    ],
    'in another language, with a number' => [
        [[50, 150, '7. Références bibliographiques'], [50, 170, '1. Kolbe A. Lamps.']],
        "1. Kolbe A. Lamps.\n",
    ],
    'numbered lines of a manuscript' => [
        [
            [30, 150, '211 References'],
            [30, 170, '212 1. Kolbe A. Lamps and'],
            [30, 182, '213 naps.'],
            [30, 194, '214 2. Lund R. Naps.'],
            [30, 206, '215 2011.'],
        ],
        "1. Kolbe A. Lamps and\nnaps.\n2. Lund R. Naps.\n2011.\n",
    ],
    'numbers written apart' => [
        [
            [50, 150, 'References'],
            [66, 170, 'Kolbe A. Lamps.'],
            [66, 182, 'Lund R. Naps in'],
            [66, 194, '2011.'],
            [50, 170, '1.'],
            [50, 182, '2.'],
        ],
        "1. Kolbe A. Lamps.\n2. Lund R. Naps in\n   2011.\n",
    ],
]);

it('finds none where no heading tells of one', function (array ...$lines) {
    expect(ReferenceSection::of([setOnPage(1, ...$lines)]))->toBeNull();
})->with([
    'no heading' => [[50, 100, '1. Kolbe A. Lamps. Alert. 2014;2:1-9.']],
    'a review of what is known' => [[50, 100, 'Literature review'], [50, 112, 'Kolbe A. Lamps. Alert. 2014;2:1-9.']],
    'a row of contents' => [[50, 100, 'References 34'], [50, 112, 'Appendix 40']],
    'a sentence' => [[50, 100, 'References to lamps are found in many other papers.'], [50, 112, 'Lamps are.']],
    'nothing behind it' => [[50, 100, 'Lamps are.'], [50, 112, 'References']],
]);

it('finds none in no pages', fn () => expect(ReferenceSection::of([]))->toBeNull());

it('takes the longest of several, and passes over heads of pages', function () {
    $head = fn (int $n): array => [50, 20, "J Night Work 2024 {$n}", 8];
    $list = ReferenceSection::of([
        setOnPage(1, $head(1), [50, 100, 'References'], [50, 120, 'see the end of this paper']),
        setOnPage(2, $head(2), [50, 100, 'References'], [50, 120, '1. Kolbe A. Lamps.'], [50, 132, '2. Lund R.']),
        setOnPage(3, $head(3), [50, 100, 'Naps.'], [50, 112, '3. Varga T. Glare.']),
    ]);
    expect($list)->toBe("1. Kolbe A. Lamps.\n2. Lund R.\nNaps.\n3. Varga T. Glare.\n");
});

it('gives two columns in their order, so that each reference is told', function (string $mark) {
    $mark = fn (int $n): string => sprintf($mark, $n);
    $set = $mark(1) === '' ? 62 : 50;
    $list = ReferenceSection::of([setOnPage(
        1,
        [50, 100, 'References', 12],
        [50, 120, "{$mark(1)}Kolbe A, Lund R. Bright light on night"],
        [$set, 132, 'shifts. J Night Work.'],
        [$set, 144, '2014;21(3):201-9.'],
        [50, 156, "{$mark(2)}Varga T. Naps before the"],
        [320, 100, 'night. Ward Stud. 2009;4:33-41.'],
        [$mark(1) === '' ? 308 : 320, 112, "{$mark(3)}Nakamura Y, Lindqvist E. Glare under"],
        [320, 124, 'strong lamps. Light Rooms. 2003;18:112-20.'],
    )]);
    expect(titlesOf($list))->toBe(LIST_TITLES);
})->with(['numbers' => ['%d. '], 'brackets' => ['[%d] '], 'set in' => ['']]);

it('takes words of no height, off the page and in any order', function (int $seed) {
    mt_srand($seed);
    $texts = ['References', '1.', '2014.', 'Kolbe', 'A.', 'Funding', '[3]', "\u{202E}", 'ﺷ'];
    for ($round = 0; $round < 200; $round++) {
        $words = [];
        foreach (range(0, mt_rand(1, 40)) as $_) {
            [$x, $y] = [mt_rand(-50, 650), mt_rand(-20, 820)];
            $words[] = new Word($texts[mt_rand(0, 8)], $x, $y, $x + mt_rand(0, 80), $y + mt_rand(0, 20));
        }
        $list = ReferenceSection::of([new Page(1, 600, 800, $words)]);
        expect($list === null || trim($list) !== '')->toBeTrue();
    }
})->with([1, 2, 3]);

it('keeps a list whose letters have no height', function () {
    expect(ReferenceSection::of([setOnPage(1, [50, 100, 'References'], [50, 120, 'Kolbe A.', 0])]))->toContain('Kolbe');
});
