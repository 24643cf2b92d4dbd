<?php

use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Core\Search\RandomQuery;
use WaryHeron\Core\Search\Dialect\Cql\CqlParser;
use WaryHeron\Core\Search\Dialect\Cql\CqlProblem;
use WaryHeron\Core\Search\Dialect\Dialects;
use WaryHeron\Core\Search\Dialect\Printer;
use WaryHeron\Core\Search\Dialect\TranslationNote;
use WaryHeron\Core\Search\Query\Node\Operation;
use WaryHeron\Core\Search\Query\Operator;
use WaryHeron\Core\Search\Query\Parser;
use WaryHeron\Core\Search\Query\Problem;

dataset('cases', function () {
    foreach (explode("\n\n", trim((string) file_get_contents(__DIR__.'/cases.txt'))) as $case) {
        [$title, $rest] = explode("\n-----\n", $case, 2);
        $parts = preg_split('/^----- (\w+)\n/m', $rest, -1, PREG_SPLIT_DELIM_CAPTURE);
        for ($i = 1; $i < count($parts); $i += 2) {
            yield "{$title} ({$parts[$i]})" => [trim($parts[0]), $parts[$i], trim($parts[$i + 1])];
        }
    }
});

it('compiles', function (string $query, string $dialect, string $expected) {
    $parsed = Parser::parse($query);
    expect($parsed->problems)->toBe([]);
    $compiled = Printer::print($parsed->root, Dialects::named($dialect));
    $said = $compiled->isUsable()
        ? $compiled->text
        : implode("\n", array_map(fn (TranslationNote $note): string => "! {$note->message()}", $compiled->notes));
    expect($said)->toBe($expected);
})->with('cases');

it('names what is wrong by column and kind', function (string $query, string $expected) {
    $found = array_map(
        fn (Problem $p): string => "{$p->span->start}-{$p->span->end} {$p->kind->value}",
        Parser::parse($query)->problems,
    );
    expect(implode('; ', $found))->toBe($expected);
})->with(function () {
    foreach (explode("\n\n", trim((string) file_get_contents(__DIR__.'/mistakes.txt'))) as $case) {
        yield explode("\n", $case);
    }
});

it('prints every tree back to text that gives the same tree', function () {
    $random = new RandomQuery(new Randomizer(new Mt19937(($seed = 20261123))));
    for ($i = 0; $i < 1500; $i++) {
        $tree = $random->tree(4);
        $heron = Printer::print($tree, Dialects::heron())->text;
        expect(Parser::parse($heron)->problems)->toBe([], "seed {$seed}: {$heron}");
        expect(Parser::parse($heron)->root)->toEqual($tree, "seed {$seed}: {$heron}");
    }
});

it('prints to CQL and back, where the tree needs no field on a group', function () {
    $random = new RandomQuery(new Randomizer(new Mt19937(($seed = 7))), fields: false);
    for ($i = 0; $i < 1500; $i++) {
        $tree = $random->tree(4);
        $cql = Printer::print($tree, Dialects::cql())->text;
        expect(CqlParser::parse($cql, Dialects::cql()))->toEqual($tree, "seed {$seed}: {$cql}");
    }
});

it('reads CQL operators from the left, all of equal strength', function () {
    $tree = CqlParser::parse('a or b and c', Dialects::cql());
    expect($tree)->toBeInstanceOf(Operation::class)->and($tree->operator)->toBe(Operator::And);
    expect(Printer::print($tree, Dialects::heron())->text)->toBe('(a OR b) AND c');
});

it('reads the rest of CQL', function (string $cql, string $heron) {
    expect(Printer::print(CqlParser::parse($cql, Dialects::cql()), Dialects::heron())->text)->toBe($heron);
})->with([
    ['title = lamp', 'title:lamp'],
    ['dc.title any "lamp lux"', 'title:(lamp OR lux)'],
    ['dc.title all "lamp lux"', 'title:(lamp AND lux)'],
    ['dc.title adj "night shift"', 'title:"night shift"'],
    ['cql.serverChoice = lamp', 'lamp'],
    ['> dc = "info:srw/cql-context-set/1/dc-v1.1" dc.title = lamp', 'title:lamp'],
    ['dc.date > 2005', 'year:2006-'],
    ['"a \"quoted\" word"', '"a quoted word"'],
    ['LAMP OR lux', 'LAMP OR lux'],
]);

it('refuses CQL with the standard’s number and the column', function (string $cql, int $diagnostic, int $column) {
    try {
        CqlParser::parse($cql, Dialects::cql());
        $this->fail('It was accepted.');
    } catch (CqlProblem $problem) {
        expect([$problem->diagnostic, $problem->column])->toBe([$diagnostic, $column]);
    }
})->with([
    ['lamp and', 10, 9],
    ['and lamp', 10, 1],
    ['(lamp', 13, 1],
    ['lamp)', 13, 5],
    ['"lamp', 14, 1],
    ['foo.bar = lamp', 16, 1],
    ['dc.title <> lamp', 19, 10],
    ['dc.title < lamp', 22, 10],
    ['dc.title =/stem lamp', 20, 12],
    ['""', 27, 1],
    ['l*p', 29, 1],
    ['?', 29, 1],
    ['l*', 29, 1],
    ['^lamp', 31, 1],
    ['dc.date = long', 36, 11],
    ['a prox/unit=sentence b', 42, 8],
    ['a prox/distance>3 b', 40, 8],
    ['a prox/distance<=90 b', 41, 3],
    ['a prox/ordered b', 43, 8],
    ['a and/foo b', 46, 6],
    ['dc.title = a prox dc.description = b', 48, 14],
    ['lamp sortBy dc.date', 80, 13],
    ['lamp lux', 10, 9],
    ['lamp lux more', 16, 1],
]);

it('answers hostile text with problems, not with its stack', function (string $text) {
    $parsed = Parser::parse($text);
    expect(count($parsed->problems))->toBeGreaterThan(0)->toBeLessThanOrEqual(50);
    expect(fn () => CqlParser::parse($text, Dialects::cql()))->toThrow(CqlProblem::class);
})->with([
    'open brackets' => str_repeat('(', 99_000),
    'closing brackets' => str_repeat(')', 99_000),
    'quotation marks' => str_repeat('"', 99_001),
    'too long' => str_repeat('lamp OR ', 20_000),
    'no letters' => '????',
    'broken bytes' => "\xff\xfe\"\xc3",
]);

it('reads five thousand terms', function () {
    $parsed = Parser::parse(implode(' OR ', array_map(fn (int $i): string => "w{$i}", range(1, 5000))));
    expect($parsed->problems)->toBe([])->and($parsed->root->operands)->toHaveCount(5000);
});
