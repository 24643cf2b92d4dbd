<?php

use Tests\Core\Drawn;
use WaryHeron\Core\Flow\Diagram;
use WaryHeron\Core\Flow\DiagramSvg;
use WaryHeron\Core\Flow\Flow;
use WaryHeron\Core\Flow\FlowFacts;
use WaryHeron\Core\Flow\FlowNumber;
use WaryHeron\Core\Flow\FullTexts;
use WaryHeron\Core\Flow\IncludedCount;
use WaryHeron\Core\Flow\NamedSource;
use WaryHeron\Core\Flow\SourceKind;
use WaryHeron\Core\Flow\Stream;

it('computes the flow and finds it sound', function () {
    $flow = Flow::from(new FlowFacts(675, 581, 290, 43, 119, 129, 9, ['a' => 100, 'b' => 29], joinedByPeople: 4));
    $without = Flow::from(new FlowFacts(675, 581, 280, 43, 119, 129, 9, ['a' => 129], removed: 10));
    expect([$without->toScreen(), $without->duplicatesRemoved(), $without->contradictions()])->toBe([571, 94, []]);
    expect([
        $flow->duplicatesRemoved(),
        $flow->duplicatesByMachine(),
        $flow->decided(),
        $flow->pending(),
        $flow->notYetCoded(),
        $flow->contradictions(),
    ])->toBe([94, 90, 248, 333, 110, []]);
});

it('says when numbers do not add up', function (FlowFacts $facts) {
    expect(Flow::from($facts)->contradictions())->toHaveCount(1);
})->with([
    [new FlowFacts(10, 9, 1, 1, 1, 1, 0, ['a' => 1])],
    [new FlowFacts(10, 4, 1, 1, 1, 1, 0, ['a' => 2])],
    [new FlowFacts(3, 4, 1, 1, 1, 1, 0, ['a' => 1])],
    [new FlowFacts(10, 4, 1, 1, 1, 1, 0, ['a' => 1], joinedByPeople: 7)],
]);

it('draws a stream that never widens where less is left', function () {
    $heights = array_column(Stream::through([675, 675, 581, 453, 119, 9], 1280)->reaches, 'height');
    $narrowing = $heights;
    rsort($narrowing);
    expect($heights)->toBe($narrowing);
    expect($heights[0])->toBe(28.0)->and($heights[5])->toBeGreaterThan(4.0);
    expect(Stream::through([0, 0, 0], 300)->reaches[1])->toBe(['x' => 100.0, 'width' => 100.0, 'height' => 2.0]);
});

it('finds what does not add up in the full texts and among the sources', function (FlowFacts $facts, string $says) {
    expect(implode(' ', Flow::from($facts)->contradictions()))->toContain($says);
})->with([
    [
        new FlowFacts(10, 10, 0, 0, 4, 6, 0, ['a' => 6], recordsBySource: ['database' => 7, 'register' => 2]),
        'sources add up to 9',
    ],
    [new FlowFacts(10, 10, 0, 0, 4, 6, 0, ['a' => 6], fullTexts: new FullTexts(4, 1, 1, 1, 0)), 'Of 4 reports'],
    [new FlowFacts(10, 10, 0, 0, 4, 6, 0, ['a' => 6], fullTexts: new FullTexts(3, 1, 1, 1, 0)), '3 went on'],
    [
        new FlowFacts(10, 10, 0, 0, 4, 6, 0, ['a' => 6], fullTexts: new FullTexts(4, 1, 1, 1, 1, ['a' => 2])),
        'reports are excluded',
    ],
    [
        new FlowFacts(
            10,
            10,
            0,
            0,
            4,
            6,
            0,
            ['a' => 6],
            fullTexts: new FullTexts(4, 1, 1, 1, 0, notRetrieved: ['gone' => 2]),
        ),
        '2 were not retrieved',
    ],
    [
        new FlowFacts(10, 10, 0, 0, 4, 6, 0, ['a' => 6], fullTexts: new FullTexts(4, 0, 0, 4, 0, studies: 5)),
        'cannot tell of 5 studies',
    ],
]);

/** Both arms and an earlier version, with all that may be named. */
function wholeDiagram(array $captions = []): Diagram
{
    $databases = Flow::from(
        new FlowFacts(
            2200,
            1695,
            20,
            3,
            300,
            1362,
            0,
            ['a' => 1362],
            40,
            10,
            ['database' => 2000, 'register' => 200],
            new FullTexts(300, 60, 5, 150, 45, ['a' => 40, '' => 5], 37, ['no copy in any library' => 3]),
        ),
    );
    $others = Flow::from(
        new FlowFacts(
            11,
            5,
            0,
            0,
            4,
            1,
            0,
            ['a' => 1],
            0,
            0,
            ['citation' => 8, 'website' => 3],
            new FullTexts(4, 1, 0, 2, 1, ['a' => 1]),
        ),
    );
    expect([...$databases->contradictions(), ...$others->contradictions()])->toBe([]);
    $sources = [
        new NamedSource(SourceKind::Database, 'Alder Index', 1500),
        new NamedSource(SourceKind::Database, 'Tern Abstracts', 500),
        new NamedSource(SourceKind::Register, 'Fen Register', 200),
        new NamedSource(SourceKind::Citation, 'Reference lists', 8),
        new NamedSource(SourceKind::Website, 'Ward library', 3),
    ];

    return Diagram::of(
        $databases,
        $others,
        $sources,
        ['a' => str_repeat('Not staff who work at night & <others> ', 4)],
        new IncludedCount(140, 152),
        new IncludedCount(12, 15),
        $captions,
    );
}

it('names each source, and keeps other methods and an earlier version in arms of their own', function () {
    $numbers = [];
    foreach (wholeDiagram()->numbers() as $one) {
        $numbers[$one->arm][$one->line->label] = $one->line->n;
    }
    expect($numbers[Diagram::DATABASES])->toMatchArray([
        'Records identified' => 2200,
        'Databases: Alder Index' => 1500,
        'Databases: Tern Abstracts' => 500,
        'Registers: Fen Register' => 200,
        'Records removed before screening' => 515,
        'Duplicate records found by machine' => 465,
        'Duplicate records found by people' => 40,
        'Records marked as ineligible by automation tools' => 0,
        'Records removed for other reasons' => 10,
        'Not decided yet' => 65,
        'Records screened' => 1662,
        'Records excluded' => 1362,
        'Reports sought for retrieval' => 300,
        'Reports not retrieved' => 3,
        'no copy in any library' => 3,
        'Not at hand yet' => 37,
        'Reports assessed for eligibility' => 195,
        'Reports excluded' => 45,
        'No reason given' => 5,
    ]);
    expect($numbers[Diagram::OTHERS])->toMatchArray([
        'Records identified' => 11,
        'Citation searching: Reference lists' => 8,
        'Websites: Ward library' => 3,
        'Duplicate records' => 6,
        'Reports sought for retrieval' => 4,
    ]);
    expect($numbers[Diagram::PREVIOUS])->toBe([
        'Studies included in the previous version of the review' => 12,
        'Reports of studies included in the previous version' => 15,
    ]);
    expect($numbers[''])->toBe([
        'New studies included in review' => 140,
        'Reports of new included studies' => 152,
        'Total studies included in review' => 152,
        'Reports of total included studies' => 167,
    ]);
});

it('keeps what waits out of the boxes, so that their parts sum to them', function () {
    $diagram = wholeDiagram();
    expect($diagram->contradictions())->toBe([]);
    foreach ($diagram->arms as $rows) {
        foreach ($rows as $row) {
            expect(array_filter($row->box->lines, fn ($line): bool => str_contains($line->label, 'yet')))->toBe([]);
        }
    }
    [$identified, $screened, $sought, $assessed] = $diagram->arms[Diagram::DATABASES];
    $n = fn ($box): int => $box->lines[0]->n;
    expect($n($identified->box) - $n($identified->leaving))->toBe($n($screened->box) + $screened->box->pending[0]->n);
    expect($n($screened->box) - $n($screened->leaving))->toBe($n($sought->box));
    expect($n($sought->box) - $n($sought->leaving))->toBe(
        $n($assessed->box) + array_sum(array_map(fn ($line): int => $line->n, $assessed->box->pending)),
    );
});

it('takes captions of people’s own', function () {
    $labels = array_map(
        fn (FlowNumber $one): string => $one->line->label,
        wholeDiagram([
            'screened' => 'Titles and abstracts read',
            'source:register:Fen Register' => 'Register of trials',
        ])->numbers(),
    );
    expect($labels)
        ->toContain('Titles and abstracts read', 'Register of trials')
        ->not->toContain('Registers: Fen Register')
        ->and(array_count_values($labels)['Records screened'])
        ->toBe(1); // of the other methods alone
});

it('draws every number it counts, escaped, linked and within its boxes', function () {
    $diagram = wholeDiagram();
    $svg = DiagramSvg::of($diagram, 'A & B', ['excluded' => 'https://heron.test/records?state=excluded&stage=1']);
    $document = new DOMDocument();
    expect($document->loadXML($svg))->toBeTrue();
    foreach ($diagram->numbers() as $one) {
        expect(
            preg_replace(
                '/\s+/',
                ' ',
                implode(
                    ' ',
                    array_map(
                        fn ($text): string => $text->textContent,
                        iterator_to_array($document->getElementsByTagName('text')),
                    ),
                ),
            ),
        )->toContain('(n = '.number_format($one->line->n).')');
    }
    expect($document->getElementsByTagName('a')->item(0)->getAttribute('href'))->toBe(
        'https://heron.test/records?state=excluded&stage=1',
    );
    $boxes = array_map(
        fn ($rect): array => array_map(fn (string $at): float => (float) $rect->getAttribute($at), [
            'x',
            'y',
            'width',
            'height',
        ]),
        iterator_to_array($document->getElementsByTagName('rect')),
    );
    [$width, $height] = [
        (float) $document->documentElement->getAttribute('width'),
        (float) $document->documentElement->getAttribute('height'),
    ];
    foreach (array_slice($boxes, 1) as [$x, $y, $w, $h]) {
        expect($x + $w)
            ->toBeLessThanOrEqual($width)
            ->and($y + $h)
            ->toBeLessThanOrEqual($height);
    }
    foreach ($document->getElementsByTagName('text') as $text) {
        // its words, after what the number counts, which shows where one rests on it
        expect(mb_strlen((string) $text->lastChild?->textContent))->toBeLessThanOrEqual(60);
    }
    // no two boxes lie on each other
    foreach ($boxes = array_slice($boxes, 1) as $i => [$x, $y, $w, $h]) {
        foreach (array_slice($boxes, $i + 1) as [$x2, $y2, $w2, $h2]) {
            expect($x + $w <= $x2 || $x2 + $w2 <= $x || $y + $h <= $y2 || $y2 + $h2 <= $y)->toBeTrue(
                "{$x} {$y} {$w} {$h} and {$x2} {$y2} {$w2} {$h2}",
            );
        }
    }
});

it('draws a small review without full texts too', function () {
    $flow = Flow::from(new FlowFacts(3, 3, 1, 0, 1, 1, 0, ['' => 1], recordsBySource: ['database' => 3]));
    $diagram = Diagram::of(
        $flow,
        null,
        [new NamedSource(SourceKind::Database, 'Alder Index', 3)],
        [],
        new IncludedCount(1, 1),
    );
    expect(array_keys($diagram->arms))
        ->toBe([Diagram::DATABASES])
        ->and(DiagramSvg::of($diagram, 'Small'))
        ->toContain('Publications included (n = 1)')
        ->toContain('No reason given (n = 1)');
});

it('writes the name of a review above its diagram in two lines at most, within the picture', function (string $title, array $lines) {
    $small = Diagram::of(
        Flow::from(new FlowFacts(3, 3, 1, 0, 1, 1, 0, ['' => 1], recordsBySource: ['database' => 3])),
        null,
        [new NamedSource(SourceKind::Database, 'Alder Index', 3)],
        [],
        new IncludedCount(1, 1),
    );
    $svg = DiagramSvg::of($small, $title);
    expect(array_map(strval(...), Drawn::at($svg, '//s:text[@font-size="16"]')))->toBe($lines)
        ->and((string) Drawn::at($svg, '/s:svg/s:title')[0])->toBe($title)
        ->and(Drawn::misplaced($svg))->toBe([]);
})->with([
    'short' => ['Light at night', ['Light at night']],
    'of two lines' => [
        'Bright or blue-enriched light during or right before the shift for hospital staff who work at night',
        ['Bright or blue-enriched light during or right before the', 'shift for hospital staff who work at night'],
    ],
    'too long' => [str_repeat('Wärme ', 30).'Ende', [trim(str_repeat('Wärme ', 10)), trim(str_repeat('Wärme ', 10)).'…']],
    'of one word' => [str_repeat('ä', 150), [str_repeat('ä', 60), str_repeat('ä', 59).'…']],
]);
