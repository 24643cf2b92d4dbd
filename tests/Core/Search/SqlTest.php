<?php

use WaryHeron\Core\Search\Query\Parser;
use WaryHeron\Core\Search\Sql\CannotAnswer;
use WaryHeron\Core\Search\Sql\HeadingNumbers;
use WaryHeron\Core\Search\Sql\PostgresPrinter;
use WaryHeron\Core\Search\Sql\TableLayout;

function condition(string $query): array
{
    $headings = new class implements HeadingNumbers
    {
        public function numberOf(string $label): ?int
        {
            return strtolower($label) === 'night work' ? 3 : null;
        }
    };
    $table = new TableLayout(
        'words',
        'journal_words',
        ['doi' => 'doi'],
        ['year' => 'year', 'language' => 'lower(language)', 'type' => 'types[]'],
        $headings,
        'headings',
        'above',
        'major',
        'major_above',
    );
    $condition = (new PostgresPrinter($table))->condition(Parser::parse($query)->root);

    return [$condition->text, $condition->bindings];
}

it('puts free text into one tsquery, so that one index scan answers it', function (string $query, string $tsquery) {
    expect(condition($query))->toBe(['words @@ ?::tsquery', [$tsquery]]);
})->with([
    ['lamp', "'lamp':ABC"],
    ['lamp*', "'lamp':*ABC"],
    ['title:lamp', "'lamp':A"],
    ['author,title:lamp', "'lamp':DA"],
    ['"night shift*"', "('night':ABC <-> 'shift':*ABC)"],
    ['bright-light*', "('bright':ABC <-> 'light':*ABC)"],
    ['a AND (b OR c) NOT d', "('a':ABC & (('b':ABC | 'c':ABC) & !'d':ABC))"],
    ['a NEAR/1 b', "(('a':ABC <1> 'b':ABC) | ('b':ABC <1> 'a':ABC))"],
]);

it('looks for titles in their own column, alone, in a union and in an exclusion', function (
    string $query,
    string $text,
    array $bindings,
) {
    $table = new TableLayout('words', 'journal_words', [], [], titleWords: 'title_words', authorWords: 'author_words');
    $condition = (new PostgresPrinter($table))->condition(Parser::parse($query)->root);
    expect([$condition->text, $condition->bindings])->toBe([$text, $bindings]);
})->with([
    ['title:lamp*', 'title_words @@ ?::tsquery', ["'lamp':*"]],
    [
        'title:(lamp OR "night shift")',
        '(title_words @@ ?::tsquery OR title_words @@ ?::tsquery)',
        ["'lamp'", "('night' <-> 'shift')"],
    ],
    ['ward OR title:lamp', '(words @@ ?::tsquery OR title_words @@ ?::tsquery)', ["'ward'", "'lamp'"]],
    ['ward NOT title:lamp', 'words @@ ?::tsquery', ["('ward' & !'lamp':A)"]],
    ['title,abstract:lamp', 'words @@ ?::tsquery', ["'lamp':AB"]],
]);

it('joins other columns around it, values always as bindings', function (string $query, string $text, array $bindings) {
    expect(condition($query))->toBe([$text, $bindings]);
})->with([
    ['lamp AND year:2005-2010', '(words @@ ?::tsquery AND (year >= ? AND year <= ?))', ["'lamp':ABC", 2005, 2010]],
    [
        'lamp NOT type:"Case Report"',
        '(words @@ ?::tsquery AND NOT (types @> ARRAY[?]::text[]))',
        ["'lamp':ABC", 'case report'],
    ],
    ['language:English OR doi:"10.71111/X"', '(lower(language) = ? OR doi IN (?))', ['english', '10.71111/x']],
    ['heading:"Night work"', 'headings @> ARRAY[?]::integer[]', [3]],
    ['heading:"NIGHT WORK"/narrower/major', 'major_above @> ARRAY[?]::integer[]', [3]],
    ['journal:medicine', 'journal_words @@ ?::tsquery', ["'medicine'"]],
    ['title,journal:lamp', '(words @@ ?::tsquery OR journal_words @@ ?::tsquery)', ["'lamp':A", "'lamp'"]],
    ['"it\'s; DROP TABLE"', 'words @@ ?::tsquery', ["('it':ABC <-> 's':ABC <-> 'drop':ABC <-> 'table':ABC)"]],
]);

it('says what a table cannot answer', function (string $query, string $why) {
    expect(fn () => condition($query))->toThrow(CannotAnswer::class, $why);
})->with([
    ['#1 AND lamp', 'Line references'],
    ['heading:"No such"', 'no heading'],
    ['heading:"Night work"/q:x', 'Qualifiers'],
    ['id:7', 'no field'],
    ['doi:10*', 'compared whole'],
    ['age:young', 'no limit'],
]);
