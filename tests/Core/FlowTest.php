<?php

use WaryHeron\Core\Flow\Flow;
use WaryHeron\Core\Flow\FlowFacts;
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
