<?php

use WaryHeron\Core\Synthesis\Report\ReportForm;
use WaryHeron\Core\Synthesis\Report\StudyDesign;
use WaryHeron\Core\Synthesis\Twice\CodedResult;
use WaryHeron\Core\Synthesis\Twice\ResultDifference;
use WaryHeron\Core\Synthesis\Twice\ResultPair;
use WaryHeron\Core\Synthesis\Twice\ResultPairs;

/** @param  array<string, string>  $given */
function took(
    string $id,
    array $given = ['e1' => '12', 'n1' => '60'],
    string $place = 'day 28',
    string $of = 'misses',
    ReportForm $form = ReportForm::Counts,
    StudyDesign $design = StudyDesign::Parallel,
): CodedResult {
    return new CodedResult($id, $of, $place, $form, $design, $given);
}

it('says in what two readings differ', function (CodedResult $other, ResultDifference $difference, array $fields) {
    expect(took('a')->differsFrom($other))->toBe($difference)
        ->and($other->differsFrom(took('a')))->toBe($difference)
        ->and(took('a')->fields($other))->toBe($fields);
})->with([
    'nothing' => [fn () => took('b'), ResultDifference::None, []],
    'only how a number is written' => [fn () => took('b', ['n1' => '60.0', 'e1' => ' 12']), ResultDifference::None, []],
    'a number' => [fn () => took('b', ['e1' => '12', 'n1' => '61']), ResultDifference::Numbers, ['n1']],
    'one left out' => [fn () => took('b', ['e1' => '12']), ResultDifference::Numbers, ['n1']],
    'one more' => [fn () => took('b', ['e1' => '12', 'n1' => '60', 'e2' => '9']), ResultDifference::Numbers, ['e2']],
    'words instead' => [fn () => took('b', ['e1' => 'twelve', 'n1' => '60']), ResultDifference::Numbers, ['e1']],
    'a field left empty by one and not told by the other' => [
        fn () => took('b', ['e1' => '12', 'n1' => '60', 'e2' => '']), ResultDifference::None, [],
    ],
    'the time' => [fn () => took('b', place: 'day 7'), ResultDifference::Place, []],
    'the form' => [fn () => took('b', form: ReportForm::Percentages), ResultDifference::Form, []],
    'the design' => [fn () => took('b', design: StudyDesign::Cluster), ResultDifference::Design, []],
]);

it('takes “1,060” and 1060 for one number, and minus signs of any kind', function () {
    expect(took('a', ['m1' => '1,060', 'm2' => '−0.4'])->fields(took('b', ['m1' => '1060', 'm2' => '-0·4'])))->toBe([]);
});

it('reads numbers through blanks of any kind, and words without those around them', function () {
    $one = took('a', ['n1' => '1 060', 'n2' => "2\u{A0}048", 'm1' => ' not told ']);
    expect($one->fields(took('b', ['n1' => '1060', 'n2' => '2048', 'm1' => 'not told'])))->toBe([])
        ->and($one->fields(took('b', ['n1' => '1061', 'n2' => '2049', 'm1' => 'told'])))->toBe(['n1', 'n2', 'm1']);
});

it('names both results of a pair in one order, whoever took which', function () {
    expect((new ResultPair(took('b'), took('a')))->ids())->toBe(['a', 'b'])
        ->and((new ResultPair(took('a'), took('b')))->ids())->toBe(['a', 'b'])
        ->and((new ResultPair(null, took('b')))->ids())->toBe(['b'])
        ->and((new ResultPair(took('b'), null))->fields())->toBe([]);
});

/** @return list<string> */
function paired(array $one, array $other): array
{
    return array_map(
        fn (ResultPair $pair): string => ($pair->one->id ?? '–').($pair->other->id ?? '–'),
        ResultPairs::of($one, $other),
    );
}

it('finds which result of one coder is which of the other’s', function (array $one, array $other, array $pairs) {
    expect(paired($one, $other))->toBe($pairs);
})->with([
    'in another order' => [
        fn () => [took('a', place: 'day 7'), took('b', place: 'day 28')],
        fn () => [took('c', place: 'day 28'), took('d', place: 'day 7')],
        ['ad', 'bc'],
    ],
    'by numbers where time is told otherwise' => [
        fn () => [took('a', ['e1' => '1'], 'day 7'), took('b', ['e1' => '2'], 'day 28')],
        fn () => [took('c', ['e1' => '2'], 'day 30'), took('d', ['e1' => '1'], 'a week')],
        ['ad', 'bc'],
    ],
    'the alike before those of the same time only' => [
        fn () => [took('a', ['e1' => '1']), took('b', ['e1' => '2'])],
        fn () => [took('c', ['e1' => '2']), took('d', ['e1' => '3'])],
        ['ad', 'bc'],
    ],
    'those of the same time and form before those of the same time' => [
        fn () => [took('a', ['e1' => '1'])],
        fn () => [took('c', ['e1' => '1'], form: ReportForm::Percentages), took('d', ['e1' => '2'])],
        ['ad', '–c'],
    ],
    'those of the same time before those of the same numbers' => [
        fn () => [took('a', ['e1' => '1'])],
        fn () => [took('c', ['e1' => '1'], 'day 7'), took('d', ['e1' => '9'], form: ReportForm::Percentages)],
        ['ad', '–c'],
    ],
    'those of the same numbers before any' => [
        fn () => [took('a', ['e1' => '1'])],
        fn () => [took('c', ['e1' => '2'], 'day 7'), took('d', ['e1' => '1'], 'day 90')],
        ['ad', '–c'],
    ],
    'whatever is of the same outcome, in the end' => [
        fn () => [took('a', ['e1' => '1'])],
        fn () => [took('b', ['e1' => '2'], 'day 7', form: ReportForm::Percentages)],
        ['ab'],
    ],
    'never of another outcome' => [fn () => [took('a')], fn () => [took('b', of: 'sleep')], ['a–', '–b']],
    'one has taken more' => [fn () => [took('a')], fn () => [took('b'), took('c', place: 'day 90')], ['ab', '–c']],
    'nobody anything' => [[], [], []],
]);

it('holds each result once, whatever was taken, and whoever comes first', function () {
    mt_srand(7);
    foreach (range(1, 60) as $round) {
        $some = fn (string $who): array => array_map(
            fn (int $i): CodedResult => took(
                "{$who}{$i}",
                ['e1' => (string) mt_rand(1, 3)],
                'day '.mt_rand(1, 3),
                ['misses', 'sleep'][mt_rand(0, 1)],
            ),
            range(1, mt_rand(1, 6)),
        );
        [$one, $other] = [$some('a'), $some('b')];
        $ids = array_merge(...array_map(fn (ResultPair $pair): array => $pair->ids(), ResultPairs::of($one, $other)));
        expect($ids)->toHaveCount(count($one) + count($other))->and(array_unique($ids))->toHaveCount(count($ids));
        $alike = fn (array $a, array $b): int => count(array_filter(
            ResultPairs::of($a, $b),
            fn (ResultPair $pair): bool => $pair->difference() === ResultDifference::None,
        ));
        expect($alike($one, $other))->toBe($alike($other, $one));
    }
});
