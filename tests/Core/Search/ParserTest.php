<?php

use WaryHeron\Core\Search\Query\Node\Missing;
use WaryHeron\Core\Search\Query\Parser;
use WaryHeron\Core\Search\Query\Problem;
use WaryHeron\Core\Search\Query\Tree;

/** @return Generator<string, array{string, string, list<string>}> query, its tree and what is said of it, as parsed.txt has them */
function parsedCases(): Generator
{
    foreach (explode("\n\n", trim((string) file_get_contents(__DIR__.'/parsed.txt'), "\n")) as $case) {
        $lines = explode("\n", $case);
        yield $lines[0] => [$lines[0], $lines[1], array_slice($lines, 2)];
    }
}

it('reads a line, goes on after a mistake and says in words what is wrong', function (string $query, string $tree, array $said) {
    $parsed = Parser::parse($query);
    expect(json_encode(Tree::of($parsed->root), JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES))
        ->toBe($tree)
        ->and(array_map(fn (Problem $one): string => "! {$one->kind->value}: {$one->message()}", $parsed->problems))
        ->toBe($said);
})->with(parsedCases());

it('reads the same with more blanks, and in any case of operators and names', function (string $query) {
    $tree = fn (string $text): array => Tree::of(Parser::parse($text)->root);
    expect($tree("  {$query}\n\t"))->toBe($tree($query))
        ->and($tree((string) preg_replace('/(AND|OR|NOT) /', "\u{a0}\n$1  ", $query)))->toBe($tree($query))
        ->and($tree((string) preg_replace_callback('/\b(?:AND|OR|NOT|NEAR|title|year|any)\b/', fn (array $m): string => strtolower($m[0]), $query)))
        ->toBe($tree($query));
})->with(fn () => array_map(fn (array $case): array => [$case[0]], array_filter(
    iterator_to_array(parsedCases()),
    fn (array $case): bool => $case[2] === [] && ! str_contains($case[0], '"'),
)));

it('takes brackets sixty deep and no deeper, and a hundred thousand bytes and no more', function () {
    $nested = fn (int $deep): string => str_repeat('(', $deep).'lamp'.str_repeat(')', $deep).' AND lux';
    expect(Parser::parse($nested(60))->problems)->toBe([]);
    $tooDeep = Parser::parse($nested(61));
    expect(array_map(fn (Problem $one): string => "{$one->kind->value} {$one->message()}", $tooDeep->problems))->toBe([
        'too-deep Column 61: brackets are nested deeper than 60. Put the inner part on a line of its own.',
    ])->and($tooDeep->root)->toBeInstanceOf(Missing::class);
    // one behind the other they are not deep
    expect(Parser::parse(implode(' OR ', array_fill(0, 70, '(lamp AND lux)')))->problems)->toBe([]);

    expect(Parser::parse(str_pad('lamp', 100_000))->problems)->toBe([]);
    $tooLong = Parser::parse(str_pad('lamp', 100_001));
    expect($tooLong->problems[0]->toArray())->toBe([
        'kind' => 'too-long',
        'start' => 1,
        'end' => 1,
        'message' => 'Column 1: the query is longer than 100,000 bytes. Split it into lines and combine them.',
    ])->and($tooLong->problems)->toHaveCount(1);
});

it('says what an empty line wants', function (string $text, int $column) {
    [$problem] = Parser::parse($text)->problems;
    expect([$problem->kind->value, $problem->message()])->toBe([
        'empty',
        "Column {$column}: type a word, a phrase in quotation marks, or a heading.",
    ]);
})->with([['', 1], ['   ', 4]]);

it('counts columns by letters, not by bytes, and mends broken ones', function () {
    expect(Parser::parse('äöü (ß')->problems[1]->span->start)->toBe(5)
        ->and(Tree::of(Parser::parse("lamp\xff")->root))->toBe(['word' => 'lamp?']);
});

it('names fifty mistakes at most, in order', function () {
    $starts = array_map(fn (Problem $one): int => $one->span->start, Parser::parse(str_repeat('lamp light ', 60))->problems);
    $sorted = $starts;
    sort($sorted);
    expect($starts)->toHaveCount(50)->toBe($sorted);
});
