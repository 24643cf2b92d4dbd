<?php

use WaryHeron\Core\Report\Document\ClaimWords;
use WaryHeron\Core\Report\Document\Schema;

it('names the numbers of a claim that nothing it rests on holds', function (string $claim, array $evidence, array $unheld) {
    expect(ClaimWords::unheld($claim, $evidence))->toBe($unheld);
})->with([
    'all held' => ['7 of 86 nurses', ['7 of 86 made one'], []],
    'one wrong' => ['7 of 68 nurses', ['7 of 86 made one'], ['68']],
    'over several pieces' => ['7 against 15', ['7 of 86', '15 of 85'], []],
    'thousands' => ['2239 people', ['2,239 people'], []],
    'a decimal comma' => ['0.66 times', ['0,66'], []],
    'noughts at the end' => ['a ratio of 0.660', ['0.66 (0.57 to 0.76)'], []],
    'an interval as it is written elsewhere' => ['0.66 (0.57–0.76)', ['0.66 (0.57 to 0.76)'], []],
    'a minus of its own' => ['a difference of −0.34', ['mean difference -0.34'], []],
    'the sign counts' => ['a difference of 0.34', ['mean difference -0.34'], ['0.34']],
    'per cent' => ['12% of them', ['12 % complained'], []],
    'a name' => ['masks of type N95', ['masks'], []],
    'no numbers' => ['Lamps helped.', ['7 of 86'], []],
    'no evidence' => ['3 of 4', [], ['3', '4']],
    'part of another number' => ['6 people', ['16 people, 0.6'], ['6']],
    'said once' => ['5 and 5', [], ['5']],
    'at the end of a sentence' => ['It was 12.', ['in 12.'], []],
]);

it('takes the words of a claim together, over formatting and paragraphs', function () {
    $claim = fn (string $id): array => ['type' => 'claim', 'attrs' => ['id' => $id]];
    $one = str_repeat('a', 26);
    $document = Schema::node(['type' => 'doc', 'content' => [['type' => 'paragraph', 'content' => [
        ['type' => 'text', 'text' => 'Before. '],
        ['type' => 'text', 'text' => 'Errors ', 'marks' => [$claim($one)]],
        ['type' => 'text', 'text' => 'fell', 'marks' => [['type' => 'bold'], $claim($one)]],
        ['type' => 'text', 'text' => ' by half.', 'marks' => [$claim(str_repeat('b', 26))]],
    ]]]]);
    expect(ClaimWords::of($document))->toBe([$one => 'Errors fell', str_repeat('b', 26) => ' by half.']);
});
