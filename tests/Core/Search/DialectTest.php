<?php

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Tests\Core\Search\RandomQuery;
use WaryHeron\Core\Search\Dialect\BadDialect;
use WaryHeron\Core\Search\Dialect\Ccl\CclParser;
use WaryHeron\Core\Search\Dialect\Ccl\CclProblem;
use WaryHeron\Core\Search\Dialect\Cql\CqlParser;
use WaryHeron\Core\Search\Dialect\Dialect;
use WaryHeron\Core\Search\Dialect\Dialects;
use WaryHeron\Core\Search\Dialect\Printer;
use WaryHeron\Core\Search\Query\Parser;
use WaryHeron\Core\Search\Query\Tree;

/** A database that can do next to nothing. */
function poorDialect(array $changes = []): string
{
    return json_encode([
        ...[
            'name' => 'poor',
            'title' => 'Poor',
            'boolean' => ['and' => '&', 'or' => '|', 'not' => '-', 'reading' => 'not-and-or'],
            'fields' => ['title' => 'TI'],
            'fieldForm' => '{field}:{text}',
            'fieldScope' => 'term',
            'plainWord' => '/^\w+$/u',
            'escape' => null,
            'truncation' => ['sign' => '$', 'minimumStem' => 4],
            'proximity' => null,
            'heading' => null,
            'limits' => [],
            'lines' => null,
        ],
        ...$changes,
    ]);
}

it('widens what a dialect lacks and says so', function (string $query, string $text, array $notes, bool $usable) {
    $compiled = Printer::print(Parser::parse($query)->root, Dialect::fromJson(poorDialect()));
    expect([$compiled->text, array_map(fn ($n) => $n->message(), $compiled->notes), $compiled->isUsable()])->toBe([
        $text,
        $notes,
        $usable,
    ]);
})->with([
    ['title:(lamp* OR lux)', 'TI:lamp$ | TI:lux', [], true],
    [
        'light NEAR/3 lamp',
        'light & lamp',
        ['light NEAR/3 lamp: no distance in this dialect; searched as AND, which finds more'],
        true,
    ],
    [
        '(a OR b) NEAR/2 c',
        '(a | b) & c',
        ['(a OR b) NEAR/2 c: no distance in this dialect; searched as AND, which finds more'],
        true,
    ],
    [
        'abstract:lamp',
        'lamp',
        ['abstract:lamp: no such field here; searched in the default fields, which finds more'],
        true,
    ],
    [
        'heading:"Night work"/narrower',
        '"Night work"',
        ['heading:"Night work"/narrower: no headings here; searched as a phrase'],
        true,
    ],
    [
        'la*',
        'la',
        [
            'la*: at least 4 letters are needed before the sign here; searched as the bare word, which finds less; write the endings out',
        ],
        true,
    ],
    [
        'lamp AND year:2010',
        'lamp',
        ['year:2010: this database has no such limit; it is left off, which finds more'],
        true,
    ],
    [
        'lamp NOT type:letter',
        'lamp',
        ['type:letter: this database has no such limit; it is left off, which finds more'],
        true,
    ],
    ['year:2010', '', ['year:2010: this database has no such limit; take it off here'], false],
]);

it('refuses a dialect file that is not whole', function (string $json, string $why) {
    expect(fn () => Dialect::fromJson($json))->toThrow(BadDialect::class, $why);
})->with([
    ['{', 'not valid JSON'],
    ['[]', 'an object'],
    ['{"name": "x"}', 'no “title”'],
    [poorDialect(['fields' => ['colour' => 'C']]), '“fields.colour” is not a field'],
    [poorDialect(['colour' => 1]), '“colour” is not a key'],
    [poorDialect(['fieldForm' => 'x:{text}']), '“fieldForm” has no {field}'],
    [poorDialect(['truncation' => ['sign' => '$', 'minimumStem' => 0]]), '“truncation.minimumStem”'],
    [
        poorDialect(['proximity' => ['form' => '{left} near', 'furthest' => 3, 'binds' => 'tightest']]),
        '“proximity.form” has no {right}',
    ],
    [poorDialect(['limits' => ['year' => 'PY={value}']]), '“limits.year” has the keys'],
    [poorDialect(['plainWord' => '/^(a+)+$/']), '“plainWord”'],
    [poorDialect(['name' => 'Two words']), '“name”'],
]);

it('reads back what it prints in the command language', function () {
    $random = new Randomizer(new Xoshiro256StarStar(8));
    $ccl = Dialects::named('ccl');
    for ($i = 0; $i < 600; $i++) {
        $tree = (new RandomQuery($random))->tree(4);
        $compiled = Printer::print($tree, $ccl);
        if ($compiled->notes === []) {
            // an operation within the same operation reads the same without its brackets
            expect(Printer::print(CclParser::parse($compiled->text, $ccl), $ccl)->text)
                ->toBe($compiled->text)
                ->and(json_encode(Tree::of(CclParser::parse($compiled->text, $ccl))))
                ->toBe(json_encode(Tree::of($tree)));
        }
    }
});

it('reads back what it prints in the plain form of a register', function () {
    $random = new Randomizer(new Xoshiro256StarStar(9));
    $fen = Dialects::named('fen');
    $read = 0;
    for ($i = 0; $i < 900; $i++) {
        $tree = (new RandomQuery($random, fields: false))->tree(3);
        $compiled = Printer::print($tree, $fen);
        if ($compiled->notes === []) {
            expect(json_encode(Tree::of(CqlParser::parse($compiled->text, $fen))))->toBe(json_encode(Tree::of($tree)));
            $read++;
        }
    }
    expect($read)->toBeGreaterThan(100);
});

it('reads the command language', function (string $command, string $meaning) {
    expect(Printer::print(CclParser::parse($command, Dialects::named('ccl')), Dialects::heron())->text)->toBe($meaning);
})->with([
    ['FIND night AND shift OR rota?', 'night AND shift OR rota*'],
    ['a OR b AND c', '(a OR b) AND c'],
    ['f TI,AB=(lamp? %3 lux)', 'title,abstract:(lamp* NEAR/3 lux)'],
    ['SH="Night work" NOT SH+N=Farming', 'heading:"Night work" NOT heading:"Farming"/narrower'],
    ['S1 AND (S2 OR S3)', '#1 AND (#2 OR #3)'],
    ['PY=2005- and LA=english', 'year:2005- AND language:english'],
    ['find', 'find'],
    ['behavio?r AND wom#n', 'behavio*r AND wom?n'],
    ['"li#ht shift?"', '"li?ht shift*"'],
    ['?ycin', '*ycin'],
    ['lamp~', 'lamp'],
]);

it('names the column of a mistake in a command', function (string $command, string $problem) {
    expect(fn () => CclParser::parse($command, Dialects::named('ccl')))->toThrow(CclProblem::class, $problem);
})->with([
    ['light (', 'Column 7: AND, OR or NOT'],
    ['(light', 'Column 1: this bracket'],
    ['ZZ=light', 'Column 1: “ZZ” is no field'],
    ['li?', 'Column 1: at least 3'],
    ['light AND', 'Column 10: the command ends'],
    ['"light', 'Column 1: this quotation'],
    ['a %99 b', 'Column 3: the distance'],
    ['TI=SH=x', 'Column 4: a heading'],
    ['PY=20', 'Column 4: years'],
    [str_repeat('(', 99), 'nested deeper'],
    ['l?t', 'beside signs that stand for letters'],
    ['l#t?', 'at least 3'],
]);

it('knows its own by name', function () {
    expect(Dialects::named('cql')->name())
        ->toBe('cql')
        ->and(Dialects::named('heron')->readsLeftToRight())
        ->toBeFalse()
        ->and(Dialects::named('klingon'))
        ->toBeNull();
});
