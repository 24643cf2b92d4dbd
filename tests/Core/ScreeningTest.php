<?php

use WaryHeron\Core\Screening\Ballot;
use WaryHeron\Core\Screening\BallotClosed;
use WaryHeron\Core\Screening\Decision;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\Settler;
use WaryHeron\Core\Screening\StageRule;
use WaryHeron\Core\Screening\Verdict;

function ballot(
    string $verdicts,
    ?Decision $settlement = null,
    int $required = 2,
    bool $unsureIncludes = false,
    bool $reasonsMustAgree = false,
    bool $closed = false,
): Ballot {
    $decisions = [];
    foreach (array_values(array_filter(explode(' ', $verdicts))) as $i => $letter) {
        $decisions[] = new Decision(
            "p{$i}",
            ['I' => Verdict::Include, 'E' => Verdict::Exclude, 'U' => Verdict::Unsure][$letter[0]],
            $letter[0] === 'E' && $letter !== 'E' ? (int) substr($letter, 1) : null,
        );
    }

    return Ballot::of(new StageRule($required, $unsureIncludes, $reasonsMustAgree, $closed), $decisions, $settlement);
}

it('opens an item by its decisions and nothing else', function (
    string $verdicts,
    string $expected,
    int $required = 2,
    bool $unsureIncludes = false,
) {
    $outcome = ballot($verdicts, null, $required, $unsureIncludes)->outcome();
    expect(trim("{$outcome->state->value} {$outcome->kind?->value} {$outcome->criterion}"))->toBe($expected);
})->with([
    ['', 'waiting'],
    ['I', 'waiting'],
    ['E1', 'waiting'],
    ['U', 'waiting'],
    ['I I', 'included'],
    ['E1 E1', 'excluded  1'],
    ['E3 E1', 'excluded  1'],
    ['I E1', 'disagreement include-exclude'],
    ['E1 I', 'disagreement include-exclude'],
    ['I U', 'disagreement unsure'],
    ['U U', 'disagreement unsure'],
    ['E1 U', 'disagreement unsure'],
    ['I', 'included', 1],
    ['E2', 'excluded  2', 1],
    ['U', 'disagreement unsure', 1],
    ['I I', 'waiting', 3],
    ['I I I', 'included', 3],
    ['I I E1', 'disagreement include-exclude', 3],
    ['I U', 'included', 2, true],
    ['U U', 'included', 2, true],
    ['E1 U', 'disagreement include-exclude', 2, true],
]);

it('lets nobody change a decision after opening', function () {
    expect(fn () => ballot('I E1')->with(new Decision('p0', Verdict::Exclude, 1)))
        ->toThrow(BallotClosed::class)
        ->and(fn () => ballot('I I')->without('p0'))
        ->toThrow(BallotClosed::class)
        ->and(fn () => ballot('I I')->with(new Decision('p9', Verdict::Include)))
        ->toThrow(BallotClosed::class);
});

it('lets people change their mind before', function () {
    $changed = ballot('I')->with(new Decision('p0', Verdict::Exclude, 1));
    expect($changed->outcome()->state)->toBe(ItemState::Waiting);
    expect($changed->with(new Decision('p1', Verdict::Exclude, 1))->outcome()->state)->toBe(ItemState::Excluded);
    expect(ballot('I')->without('p0')->isComplete())->toBeFalse();
    expect(fn () => ballot('I')->without('p1'))->toThrow(BallotClosed::class);
});

it('is settled only when open, and only with a final verdict', function () {
    $settled = ballot('I E1')->settledBy(new Decision('lead', Verdict::Exclude, 2))->outcome();
    expect($settled->state)
        ->toBe(ItemState::Excluded)
        ->and($settled->settled)
        ->toBeTrue()
        ->and($settled->criterion)
        ->toBe(2);
    expect(ballot('U U', new Decision('lead', Verdict::Include))->outcome()->state)->toBe(ItemState::Included);
    expect(fn () => ballot('I')->settledBy(new Decision('lead', Verdict::Include)))
        ->toThrow(BallotClosed::class)
        ->and(fn () => ballot('I E1')->settledBy(new Decision('lead', Verdict::Unsure)))
        ->toThrow(BallotClosed::class);
});

it('counts the order of decisions for nothing', function () {
    foreach (['I', 'E1', 'E2', 'U'] as $a) {
        foreach (['I', 'E1', 'E2', 'U'] as $b) {
            expect(ballot("{$a} {$b}")->outcome())->toEqual(ballot("{$b} {$a}")->outcome());
        }
    }
});

it('hears what the same people said of a record that turned out to be the same publication', function (
    string $earlier,
    ItemState $state,
) {
    $say = fn (string $person, string $verdict): Decision => new Decision($person, Verdict::from($verdict), null);
    $ballot = Ballot::of(new StageRule(2), [$say('anna', 'include'), $say('ben', 'include')], null, [
        $say('anna', $earlier),
    ]);
    expect($ballot->outcome()->state)->toBe($state);
    expect($ballot->settledBy($say('lead', 'exclude'))->outcome()->state)->toBe(ItemState::Excluded);
})->with([['include', ItemState::Included], ['exclude', ItemState::Disagreement], ['unsure', ItemState::Disagreement]]);

/** What the rules say, told the slow way: the state of an item from the letters of its decisions. */
function expectedState(
    array $letters,
    int $required,
    bool $unsureIncludes,
    bool $reasonsMustAgree,
    bool $closed,
): string {
    if (count($letters) < $required) {
        return $closed ? 'disagreement incomplete' : 'waiting';
    }
    $counted = array_map(fn (string $l): string => $l === 'U' && $unsureIncludes ? 'I' : $l[0], $letters);

    return match (true) {
        in_array('U', $counted, true) => 'disagreement unsure',
        in_array('I', $counted, true) && in_array('E', $counted, true) => 'disagreement include-exclude',
        in_array('I', $counted, true) => 'included',
        $reasonsMustAgree && count(array_unique($letters)) > 1 => 'disagreement reason',
        default => 'excluded',
    };
}

it('says for every combination of decisions and rules where the item stands', function () {
    $combinations = [[]];
    foreach (range(1, 3) as $length) {
        $longer = [];
        foreach (array_filter($combinations, fn (array $c): bool => count($c) === $length - 1) as $shorter) {
            foreach (['I', 'E0', 'E1', 'U'] as $letter) {
                $longer[] = [...$shorter, $letter];
            }
        }
        $combinations = [...$combinations, ...$longer];
    }
    $seen = [];
    foreach ($combinations as $letters) {
        foreach ([1, 2, 3] as $required) {
            if (count($letters) > $required) {
                continue;
            }
            foreach ([false, true] as $unsureIncludes) {
                foreach ([false, true] as $reasonsMustAgree) {
                    foreach ([false, true] as $closed) {
                        $outcome = ballot(
                            implode(' ', $letters),
                            null,
                            $required,
                            $unsureIncludes,
                            $reasonsMustAgree,
                            $closed,
                        )->outcome();
                        $state = trim("{$outcome->state->value} {$outcome->kind?->value}");
                        expect($state)->toBe(
                            expectedState($letters, $required, $unsureIncludes, $reasonsMustAgree, $closed),
                            implode(' ', $letters)." of {$required}",
                        );
                        expect($outcome->criterion !== null)->toBe($state === 'excluded');
                        $seen[$state] = true;
                        // a settlement ends whatever is open, and nothing that is not
                        $settled = fn () => ballot(
                            implode(' ', $letters),
                            null,
                            $required,
                            $unsureIncludes,
                            $reasonsMustAgree,
                            $closed,
                        )
                            ->settledBy(new Decision('lead', Verdict::Include))
                            ->outcome()->state;
                        $state === 'waiting'
                            ? expect($settled)->toThrow(BallotClosed::class)
                            : expect($settled())->toBe(ItemState::Included);
                    }
                }
            }
        }
    }
    expect($seen)->toHaveCount(7);
});

it('lets those who decided change their mind while they disagree, and nobody else', function () {
    expect(ballot('I E1')->rethought(new Decision('p1', Verdict::Include))->outcome()->state)
        ->toBe(ItemState::Included)
        ->and(ballot('I U')->rethought(new Decision('p1', Verdict::Exclude, 0))->outcome()->state)
        ->toBe(ItemState::Disagreement);
    foreach (['I' => 'p0', 'I I' => 'p0', 'I E1' => 'p7'] as $verdicts => $who) {
        expect(fn () => ballot($verdicts)->rethought(new Decision($who, Verdict::Exclude, 0)))->toThrow(
            BallotClosed::class,
        );
    }
});

it('says who may settle', function (Settler $settler, bool $agreement, array $alone) {
    expect($settler->byAgreement())
        ->toBe($agreement)
        ->and([
            $settler->alone(true, true),
            $settler->alone(true, false),
            $settler->alone(false, true),
            $settler->alone(false, false),
        ])
        ->toBe($alone);
})->with([
    [Settler::Pair, true, [true, true, false, false]],
    [Settler::Third, true, [true, true, false, true]],
    [Settler::Adjudicator, false, [true, true, false, false]],
]);

it('stands behind its title as that stands', function (?ItemState $title, ItemState $decided, ItemState $stands) {
    expect($decided->behind($title))->toBe($stands);
})->with([
    'never asked about its title' => [null, ItemState::Waiting, ItemState::Waiting],
    'included by title, not judged' => [ItemState::Included, ItemState::Waiting, ItemState::Waiting],
    'included by title, judged' => [ItemState::Included, ItemState::Excluded, ItemState::Excluded],
    'excluded by title, not judged' => [ItemState::Excluded, ItemState::Waiting, ItemState::Excluded],
    'excluded by title, whatever was decided' => [ItemState::Excluded, ItemState::Included, ItemState::Excluded],
    'title not judged' => [ItemState::Waiting, ItemState::Included, ItemState::Awaited],
    'title in disagreement' => [ItemState::Disagreement, ItemState::Waiting, ItemState::Awaited],
]);

it('needs between one and nine decisions', function (int $required) {
    expect(fn () => new StageRule($required))
        ->toThrow(LogicException::class, 'A stage needs between one and 9 decisions per item.');
})->with([-1, 0, 10, 100]);

it('opens with as many decisions as it needs, one or nine', function () {
    expect(ballot('I', required: 1)->outcome()->state)->toBe(ItemState::Included)
        ->and(ballot('I I I I I I I I', required: 9)->outcome()->state)->toBe(ItemState::Waiting)
        ->and(ballot('I I I I I I I I I', required: 9)->outcome()->state)->toBe(ItemState::Included);
});

it('takes back the decision of one and keeps the others’', function () {
    $ballot = ballot('I E2', required: 3)->without('p0');
    expect($ballot->people())->toBe(['p1'])
        ->and($ballot->with(new Decision('p0', Verdict::Exclude, 2))->with(new Decision('p2', Verdict::Exclude, 2))->outcome()->criterion)
        ->toBe(2)
        ->and(fn () => ballot('I', required: 3)->without('p1'))
        ->toThrow(BallotClosed::class, 'You have no decision on this item to take back.');
});

it('reports the first reason of the protocol, where one is named', function (string $verdicts, ?int $criterion) {
    $outcome = ballot($verdicts)->outcome();
    expect($outcome->state)->toBe(ItemState::Excluded)->and($outcome->criterion)->toBe($criterion);
})->with([['E3 E1', 1], ['E1 E3', 1], ['E2 E2', 2], ['E4 E', 4], ['E E4', 4], ['E E', null]]);

it('hears other reasons for the same publication, until who gave them thinks again', function () {
    $rule = new StageRule(2, reasonsMustAgree: true);
    $decisions = [new Decision('p0', Verdict::Exclude, 1), new Decision('p1', Verdict::Exclude, 1)];
    expect(Ballot::of($rule, $decisions)->outcome()->state)->toBe(ItemState::Excluded);
    $also = [new Decision('p0', Verdict::Exclude, 2), new Decision('p1', Verdict::Exclude, 1)];
    $heard = Ballot::of($rule, $decisions, null, $also);
    expect($heard->outcome()->kind)->toBe(WaryHeron\Core\Screening\DisagreementKind::Reason)
        // the other has nothing to take back of it
        ->and($heard->rethought(new Decision('p1', Verdict::Exclude, 1))->outcome()->state)->toBe(ItemState::Disagreement)
        ->and($heard->rethought(new Decision('p0', Verdict::Exclude, 1))->outcome()->state)->toBe(ItemState::Excluded);
    $both = Ballot::of($rule, $decisions, null, [new Decision('p0', Verdict::Exclude, 2), new Decision('p1', Verdict::Exclude, 3)]);
    $once = $both->rethought(new Decision('p0', Verdict::Exclude, 1));
    expect($once->outcome()->state)->toBe(ItemState::Disagreement)
        ->and($once->rethought(new Decision('p1', Verdict::Exclude, 1))->outcome()->state)->toBe(ItemState::Excluded);
});

it('takes one decision of each person', function () {
    $twice = [new Decision('p0', Verdict::Include), new Decision('p0', Verdict::Exclude, 1)];
    expect(fn () => Ballot::of(new StageRule(2), $twice))
        ->toThrow(LogicException::class, 'A person has one current decision on an item.');
});
