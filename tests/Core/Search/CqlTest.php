<?php

use WaryHeron\Core\Search\Dialect\Cql\CqlParser;
use WaryHeron\Core\Search\Dialect\Cql\CqlProblem;
use WaryHeron\Core\Search\Dialect\Cql\SortKey;
use WaryHeron\Core\Search\Dialect\Dialects;
use WaryHeron\Core\Search\Dialect\Printer;

it('reads what the grammar of CQL allows', function (string $cql, string $meaning) {
    expect(Printer::print(CqlParser::parse($cql, Dialects::cql()), Dialects::heron())->text)->toBe($meaning);
})->with([
    'a term' => ['light', 'light'],
    'a quoted term' => ['"bright light"', '"bright light"'],
    'an empty index' => ['cql.serverChoice = light', 'light'],
    'a bare index' => ['title = light', 'title:light'],
    'from the left' => ['a or b and c', '(a OR b) AND c'],
    'from the left again' => ['a and b or c not d', '(a AND b OR c) NOT d'],
    'brackets' => ['a or (b and c)', 'a OR b AND c'],
    'capitals' => ['a AND b Or c', 'a AND b OR c'],
    'prox' => ['a prox b', 'a NEAR/1 b'],
    'prox with modifiers' => ['a prox/unit=word/distance<=4/unordered b', 'a NEAR/4 b'],
    'prox below' => ['a prox/distance<4 b', 'a NEAR/3 b'],
    'any' => ['dc.title any "lamp lux"', 'title:(lamp OR lux)'],
    'all' => ['dc.title all "lamp lux"', 'title:(lamp AND lux)'],
    'adj' => ['dc.title adj "lamp lux"', 'title:"lamp lux"'],
    'a quoted index' => ['"dc.title" = "x"', 'title:"x"'],
    'modifiers that change nothing' => ['dc.title =/ignoreCase/cql.ignoreAccents light', 'title:light'],
    'masking' => ['lamp*', 'lamp*'],
    'an escaped mask' => ['"what\\*"', '"what"'],
    'an escaped quote' => ['"a \\" b"', '"a b"'],
    'a prefix' => ['> d = "info:srw/context-sets/1/dc-v1.1" d.title = light', 'title:light'],
    'a default set' => ['> "info:srw/cql-context-set/1/dc-v1.1" title = light', 'title:light'],
    'a prefix within brackets' => ['(> d = "info:srw/context-sets/1/dc-v1.1" d.title = a) and b', 'title:a AND b'],
    'dates' => ['dc.date > 2000 and dc.date < 2010', 'year:2001- AND year:-2009'],
    'within' => ['dc.date within "2000 2010"', 'year:2000-2010'],
    'a heading' => [
        'alder.heading =/alder.narrower/alder.qualifier="adverse effects" "Night work"',
        'heading:"Night work"/narrower/q:"adverse effects"',
    ],
    'words that are no operators' => ['android or nothing', 'android OR nothing'],
    'no spaces' => ['dc.title="a"and(b)', 'title:"a" AND b'],
]);

it('refuses what it does not, with the diagnostic and the column', function (
    string $cql,
    int $diagnostic,
    int $column,
) {
    try {
        CqlParser::parse($cql, Dialects::cql());
        $problem = null;
    } catch (CqlProblem $problem) {
    }
    expect([$problem?->diagnostic, $problem?->column])->toBe([$diagnostic, $column]);
})->with([
    ['', 10, 1],
    ['and', 10, 1],
    ['a and', 10, 6],
    ['a and or b', 10, 7],
    ['(a', 13, 1],
    ['a)', 13, 2],
    ['a b c', 16, 1],
    ['x and a prox b', 48, 9],
    ['"a', 14, 1],
    ['a "b"', 10, 3],
    ['foo.bar = x', 16, 1],
    ['dc.title <> x', 19, 10],
    ['dc.title > x', 22, 10],
    ['dc.title =/stem light', 20, 12],
    ['dc.title =/relevant light', 20, 12],
    ['a and/rel.algorithm=x b', 46, 6],
    ['l?t', 29, 1],
    ['*', 29, 1],
    ['*li', 29, 1],
    ['^light', 31, 1],
    ['a prox/unit=sentence b', 42, 8],
    ['a prox/distance>4 b', 40, 8],
    ['a prox/ordered b', 43, 8],
    ['a prox/distance<=99 b', 41, 3],
    ['> x = "http://elsewhere.example/set" x.title = a', 15, 7],
    ['> = "x" a', 10, 3],
    ['light sortBy dc.date', 80, 14],
    ['light sortBy', 10, 13],
    ['dc.date = soon', 36, 11],
    ['dc.title =', 10, 11],
    ['""', 27, 1],
]);

it('reads the order asked for', function () {
    $sorted = CqlParser::parseSorted('light sortBy dc.date/sort.descending rec.identifier', Dialects::cql());
    expect(array_map(fn (SortKey $one): array => [$one->index, $one->ascending], $sorted->order))
        ->toBe([['dc.date', false], ['rec.identifier', true]])
        ->and(Printer::print($sorted->query, Dialects::heron())->text)
        ->toBe('light');
});
