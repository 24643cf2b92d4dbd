<?php

use WaryHeron\Core\FullText\Reading\Block;
use WaryHeron\Core\FullText\Reading\BlockKind;
use WaryHeron\Core\FullText\Reading\HtmlPaper;
use WaryHeron\Core\FullText\Reading\Page;
use WaryHeron\Core\FullText\Reading\Paper;
use WaryHeron\Core\FullText\Reading\SectionKind;
use WaryHeron\Core\FullText\Reading\Word;
use WaryHeron\Core\FullText\Reading\WordBoxes;

/**
 * A page set from lines, each [left, top, text, height]; letters are half as wide as they are high, and two blanks are
 * the gap between cells.
 */
function page(int $number, array ...$lines): Page
{
    $words = [];
    foreach ($lines as $line) {
        [$x, $top, $text, $height] = [...$line, 10.0];
        foreach (preg_split('/( +)/', $text, -1, PREG_SPLIT_DELIM_CAPTURE) as $piece) {
            if (trim($piece) === '') {
                $x += strlen($piece) > 1 ? 3 * $height : 0.3 * $height;

                continue;
            }
            $width = (mb_strlen($piece) * $height) / 2;
            $words[] = new Word($piece, $x, $top, $x + $width, $top + $height);
            $x += $width;
        }
    }

    return new Page($number, 600, 800, $words);
}

/** @return list<string> kind and text of each block */
function blocks(Page ...$pages): array
{
    return array_map(
        fn (Block $block): string => "{$block->kind->value}: ".
            ($block->cells === [] ? $block->text : implode(' | ', $block->cells)),
        Paper::ofPages($pages)->blocks,
    );
}

it('reads words and their boxes as poppler tells them', function () {
    $pages = iterator_to_array(
        WordBoxes::pages(
            [
                '<doc>',
                '  <page width="595.2" height="841.8">',
                '    <word xMin="45.3" yMin="-1.5" xMax="98.8" yMax="84.9">eﬃcient &lt;3&amp;</word>',
                "    <word xMin=\"1\" yMin=\"2\" xMax=\"3\" yMax=\"4\">a\x07b\u{AD}c</word>",
                '    <word xMin="1" yMin="2" xMax="3" yMax="4">  </word>',
                '  </page>',
                '  <page width="595.2" height="841.8">',
                '    <word xMin="700" yMin="2" xMax="740" yMax="14">sideways</word>',
                '  </page>',
            ],
        ),
        false,
    );
    expect(
        array_map(fn (Page $page): array => [$page->number, $page->width, $page->height, count($page->words)], $pages),
    )
        ->toBe([[1, 595.2, 841.8, 2], [2, 841.8, 595.2, 1]])
        ->and(array_column($pages[0]->words, 'text'))
        ->toBe(['efficient <3&', 'abc'])
        ->and($pages[0]->words[0]->top)
        ->toBe(-1.5);
});

it('keeps columns in their order, and carries a paragraph over to the next', function () {
    $left = [
        [50, 100, 'The lamps were lit at dusk and'],
        [50, 112, 'burned until the nurses went'],
        [50, 124, 'home in the morning, which was'],
    ];
    $right = [[330, 100, 'late in winter. Nobody slept.'], [330, 112, 'Some said that they had slept.']];
    expect(blocks(page(1, ...$left, ...$right)))->toBe([
        'paragraph: The lamps were lit at dusk and burned until the nurses went home in the morning, which was '.
        'late in winter. Nobody slept. Some said that they had slept.',
    ]);
});

it('mends what a line end parts, but not what the paper writes with a hyphen', function (
    string $first,
    string $then,
    string $whole,
) {
    expect(blocks(page(1, [50, 100, $first], [50, 112, $then])))->toBe(["paragraph: {$whole}"]);
})->with([
    'a word' => ['Everybody was random-', 'ised to lamps.', 'Everybody was randomised to lamps.'],
    'a printer’s hyphen' => ['Everybody was random‐', 'ised to lamps.', 'Everybody was randomised to lamps.'],
    'one that is written so elsewhere' => [
        'A night-shift and a night-',
        'shift nurse slept.',
        'A night-shift and a night-shift nurse slept.',
    ],
    'a number in words' => ['Of them sixty-', 'one were men.', 'Of them sixty-one were men.'],
    'a name' => ['It was made by Sommer-', 'Holt in his house.', 'It was made by Sommer-Holt in his house.'],
]);

it('leaves running heads and page numbers out', function () {
    $body = fn (string $of): array => [
        [50, 120, "The nurses of {$of} were asked about their sleep."],
        [50, 132, "They said of {$of} that it was quiet there."],
        [50, 144, 'There were 12 of them, and no more than that.'],
    ];
    $of = fn (int $number, string $ward): Page => page(
        $number,
        [50, 30, "Lamps and sleep {$number}", 8],
        ...$body($ward),
        ...[[290, 770, (string) (116 + $number), 8]],
    );
    $text = implode(' ', blocks($of(1, 'ward one'), $of(2, 'ward two'), $of(3, 'ward three')));
    expect($text)
        ->not->toContain('Lamps and sleep')
        ->not->toContain('117')
        ->toContain('There were 12 of them')
        ->toContain('ward three');
});

it('keeps rows of a table together, cells of several lines too', function () {
    $rows = blocks(
        page(
            1,
            [50, 100, 'Measure  Lamp group  Usual light'],
            [50, 112, 'Sleep, minutes'],
            [50, 124, 'per day'],
            [180, 112, '402  381'],
            [50, 136, 'Errors  14  15'],
            [50, 170, 'Nobody left the study before it had ended for all.'],
        ),
    );
    expect($rows)->toBe([
        'row: Measure | Lamp group | Usual light',
        'row: Sleep, minutes per day | 402 | 381',
        'row: Errors | 14 | 15',
        'paragraph: Nobody left the study before it had ended for all.',
    ]);
});

it('knows headings, and what the parts of a paper are for', function () {
    $paper = Paper::ofPages([
        page(
            1,
            [50, 60, 'Lamps for nurses: a', 16],
            [50, 78, 'trial on wards', 16],
            [50, 110, '1. Introduction'],
            [50, 124, 'Nurses work at night and sleep badly when it is day.'],
            [50, 136, 'Nothing has helped them much until now, it is said.'],
            [50, 160, 'Methods'],
            [50, 174, 'We lit lamps in some wards and none in other wards.'],
            [50, 186, 'Nurses told us by themselves how long they had slept.'],
            [50, 210, 'Statistical analysis'],
            [50, 224, 'Means were compared and the differences were given.'],
            [50, 248, 'Funding'],
            [50, 262, 'The Ward Light Foundation paid for the lamps we used.'],
            [50, 286, 'Competing interests'],
            [50, 300, 'None declared.'],
        ),
    ]);
    $headings = array_values(array_filter($paper->blocks, fn (Block $one): bool => $one->kind === BlockKind::Heading));
    expect(array_map(fn (Block $one): array => [$one->text, $one->section], $headings))->toBe([
        ['Lamps for nurses: a trial on wards', SectionKind::Title],
        ['1. Introduction', SectionKind::Introduction],
        ['Methods', SectionKind::Methods],
        ['Statistical analysis', SectionKind::Methods],
        ['Funding', SectionKind::Declarations],
        // although what stands beneath it is shorter
        ['Competing interests', SectionKind::Declarations],
    ]);
    expect($paper->plain())->toStartWith("# Lamps for nurses: a trial on wards\n\n# 1. Introduction\n");
});

it('takes an abstract in larger letters than the rest for a paragraph, and a long title for a title', function () {
    $large = fn (int $lines, float $from, string $words): array => array_map(
        fn (int $line): array => [50, $from + 14 * $line, "{$words} {$line}", 12.0],
        range(0, $lines - 1),
    );
    $body = array_map(fn (int $line): array => [50, 400 + 12 * $line, 'The rest of the paper stands in letters of a usual size'], range(0, 14));
    $paper = Paper::ofPages([page(
        1,
        ...$large(3, 20, 'Lamps at night on wards of large hospitals where nurses'),
        ...[[50, 90, 'Abstract', 14.0]],
        ...$large(7, 120, 'Conclusions of others on lamps were few and those'),
        ...[[50, 380, '1 Introduction', 14.0]],
        ...$body,
    )]);
    expect(array_map(fn (Block $one): array => [$one->kind, $one->section], $paper->blocks))->toBe([
        [BlockKind::Heading, SectionKind::Title],
        [BlockKind::Heading, SectionKind::Abstract],
        [BlockKind::Paragraph, SectionKind::Abstract],
        [BlockKind::Heading, SectionKind::Introduction],
        [BlockKind::Paragraph, SectionKind::Introduction],
    ]);
});

it('tells sections by their headings', function (string $heading, ?SectionKind $kind) {
    expect(SectionKind::of($heading))->toBe($kind);
})->with([
    ['2.1 Participants and place', SectionKind::Methods],
    ['What was found', SectionKind::Results],
    ['RESULTS', SectionKind::Results],
    ['Background and purpose', SectionKind::Introduction],
    ['Strengths and limitations', SectionKind::Discussion],
    ['Competing interests', SectionKind::Declarations],
    ['Literature cited', SectionKind::References],
    ['Summary', SectionKind::Abstract],
    ['The light of the lamps', null],
]);

it('reads the same from HTML, where parts are marked', function () {
    $paper = HtmlPaper::read(
        '<html><head><title>x</title><script>alert(1)</script></head><body><h1>Lamps</h1><p>By Ines Okafor</p>'.
            '<h2>Methods</h2><div><p>We lit &lt;3 lamps.</p></div><table><tr><th>a</th><th>b</th></tr><tr><td>1</td><td>2</td></tr></table>'.
            '<!DOCTYPE x [<!ENTITY e SYSTEM "file:///etc/passwd">]>&e;</body></html>',
    );
    expect(
        array_map(
            fn (Block $one): string => "{$one->kind->value} {$one->section->value}: {$one->text}",
            array_slice($paper->blocks, 0, 6),
        ),
    )->toBe([
        'heading title: Lamps',
        'paragraph title: By Ines Okafor',
        'heading methods: Methods',
        'paragraph methods: We lit <3 lamps.',
        'row methods: a b',
        'row methods: 1 2',
    ]);
});

it('ends on whatever it is given', function (string $told) {
    expect(Paper::ofPages(WordBoxes::pages(explode("\n", $told)))->blocks)->toBeArray();
})->with([
    'nothing' => [''],
    'no page' => ['<word xMin="1" yMin="1" xMax="2" yMax="2">x</word>'],
    'a page of one word' => [
        "<page width=\"1\" height=\"1\">\n<word xMin=\"1\" yMin=\"1\" xMax=\"1\" yMax=\"1\">x</word>\n</page>",
    ],
    'boxes without size' => [
        "<page width=\"0\" height=\"0\">\n".
        str_repeat("<word xMin=\"0\" yMin=\"0\" xMax=\"0\" yMax=\"0\">x</word>\n", 50).
        '</page>',
    ],
    'bytes' => [
        "<page width=\"9\" height=\"9\">\n<word xMin=\"1\" yMin=\"1\" xMax=\"2\" yMax=\"2\">\xFF\xFE\x00&#0;&bad;</word>\n</page>",
    ],
]);
