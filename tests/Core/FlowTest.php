<?php

use WaryHeron\Core\Flow\Diagram;
use WaryHeron\Core\Flow\Flow;
use WaryHeron\Core\Flow\FlowFacts;
use WaryHeron\Core\Flow\FullTexts;
use WaryHeron\Core\Flow\Stream;

it('computes the flow and finds it sound', function () {
    $flow = Flow::from(new FlowFacts(675, 581, 290, 43, 119, 129, 9, ['a' => 100, 'b' => 29], joinedByPeople: 4));
    $without = Flow::from(new FlowFacts(675, 581, 280, 43, 119, 129, 9, ['a' => 129], removed: 10));
    expect([$without->toScreen(), $without->duplicatesRemoved(), $without->contradictions()])->toBe([571, 94, []]);
    expect([$flow->duplicatesRemoved(), $flow->duplicatesByMachine(), $flow->decided(), $flow->pending(), $flow->notYetCoded(), $flow->contradictions()])->toBe([94, 90, 248, 333, 110, []]);
});

it('says when numbers do not add up', function (FlowFacts $facts) {
    expect(Flow::from($facts)->contradictions())->toHaveCount(1);
})->with([[new FlowFacts(10, 9, 1, 1, 1, 1, 0, ['a' => 1])], [new FlowFacts(10, 4, 1, 1, 1, 1, 0, ['a' => 2])], [new FlowFacts(3, 4, 1, 1, 1, 1, 0, ['a' => 1])], [new FlowFacts(10, 4, 1, 1, 1, 1, 0, ['a' => 1], joinedByPeople: 7)]]);

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
    [new FlowFacts(10, 10, 0, 0, 4, 6, 0, ['a' => 6], recordsBySource: ['database' => 7, 'register' => 2]), 'sources add up to 9'],
    [new FlowFacts(10, 10, 0, 0, 4, 6, 0, ['a' => 6], fullTexts: new FullTexts(4, 1, 1, 1, 0)), 'Of 4 reports'],
    [new FlowFacts(10, 10, 0, 0, 4, 6, 0, ['a' => 6], fullTexts: new FullTexts(3, 1, 1, 1, 0)), '3 went on'],
    [new FlowFacts(10, 10, 0, 0, 4, 6, 0, ['a' => 6], fullTexts: new FullTexts(4, 1, 1, 1, 1, ['a' => 2])), 'reports are excluded'],
    [new FlowFacts(10, 10, 0, 0, 4, 6, 0, ['a' => 6], fullTexts: new FullTexts(4, 1, 1, 1, 0, notRetrieved: ['gone' => 2])), '2 were not retrieved'],
    [new FlowFacts(10, 10, 0, 0, 4, 6, 0, ['a' => 6], fullTexts: new FullTexts(4, 0, 0, 4, 0, studies: 5)), 'cannot tell of 5 studies'],
]);

it('draws every number it counts, escaped and within its boxes', function () {
    $reason = str_repeat('Not staff who work at night & <others> ', 4);
    $flow = Flow::from(new FlowFacts(2211, 1700, 20, 3, 300, 1367, 9, ['a' => 1367], 40, 10, ['database' => 2000, 'register' => 200, 'other' => 11], new FullTexts(300, 60, 5, 150, 45, ['a' => 40, '' => 5], 37, ['no copy in any library' => 3], 140)));
    expect($flow->contradictions())->toBe([]);
    $diagram = Diagram::of($flow, ['a' => $reason]);
    $numbers = array_column(array_map(fn (array $one): array => [$one[1], $one[2]], $diagram->numbers()), 1, 0);
    expect($numbers)->toMatchArray(['Records identified' => 2211, 'Databases' => 2000, 'Registers' => 200, 'Other sources' => 11, 'Duplicates found by machine' => 471, 'Duplicates found by people' => 40, 'Removed for other reasons' => 10, 'Records screened' => 1690, 'Records excluded' => 1367, 'Reports assessed for eligibility' => 195, 'Reports excluded' => 45, 'No reason given' => 5, 'Reports of included studies' => 150, 'Studies included in review' => 140, 'Reports sought for retrieval' => 300, 'Reports not retrieved' => 3, 'Not at hand yet' => 37]);
    $svg = $diagram->svg('A & B');
    $document = new DOMDocument;
    expect($document->loadXML($svg))->toBeTrue();
    foreach ($diagram->numbers() as [, , $n]) {
        expect($svg)->toContain('(n = '.number_format($n).')');
    }
    foreach ($document->getElementsByTagName('text') as $text) {
        expect(mb_strlen($text->textContent))->toBeLessThanOrEqual(60)->and((float) $text->getAttribute('y'))->toBeLessThan((float) $document->documentElement->getAttribute('height'));
    }
});
