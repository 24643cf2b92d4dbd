<?php

use WaryHeron\Core\Search\Dialect\Ccl\CclParser;
use WaryHeron\Core\Search\Dialect\Cql\CqlParser;
use WaryHeron\Core\Search\Dialect\Dialects;
use WaryHeron\Core\Search\Dialect\Printer;
use WaryHeron\Core\Search\Dialect\TranslationNote;
use WaryHeron\Core\Search\Query\Parser;
use WaryHeron\Core\Search\Sql\CannotAnswer;
use WaryHeron\Core\Search\Sql\PostgresPrinter;
use WaryHeron\Core\Search\Sql\TableLayout;
use WaryHeron\Core\Search\Sql\WordList;
use WaryHeron\Core\Search\Text\Highlighter;
use WaryHeron\Core\Search\Text\Mask;
use WaryHeron\Core\Search\Text\Segment;

/** A word list of these words. */
function listOf(string ...$words): WordList
{
    return new class($words) implements WordList
    {
        /** @param  list<string>  $words */
        public function __construct(private array $words)
        {
        }

        public function matching(string $pattern, int $most): array
        {
            return array_slice(array_values(preg_grep("/{$pattern}/u", $this->words) ?: []), 0, $most);
        }
    };
}

it('stands for letters', function (string $masked, array $said, array $notSaid) {
    $all = [...$said, ...$notSaid];
    expect(array_values(preg_grep('/'.Mask::pattern($masked).'/u', $all) ?: []))->toBe($said);
})->with([
    ['behavio*r', ['behavior', 'behaviour'], ['behaviors', 'behave']],
    ['wom?n', ['woman', 'women'], ['womn', 'womean']],
    ['*ycin', ['mycin', 'ycin', 'doxycin'], ['mycins']],
    ['colo~r', ['color', 'colour'], ['coloour']],
    ['?ight*', ['light', 'nights', 'might'], ['ight', 'flight']],
    ['n?é', ['nué'], ['né']],
]);

it('is said in each dialect as far as it has signs, and says what it cannot', function (
    string $query,
    array $expected,
    array $notes,
) {
    $root = Parser::parse($query)->root;
    $printed = array_map(fn (string $name) => Printer::print($root, Dialects::named($name)), [
        'heron',
        'cql',
        'ccl',
        'fen',
    ]);
    expect(array_map(fn ($one): string => $one->text, $printed))->toBe($expected);
    expect(
        array_map(
            fn ($one): array => array_map(
                fn (TranslationNote $note): string => ($note->lost ? 'lost ' : '').$note->text,
                $one->notes,
            ),
            $printed,
        ),
    )->toBe($notes);
})->with([
    [
        'behavio*r',
        ['behavio*r', 'behavio*r', 'behavio?r', 'behavio*'],
        [[], [], [], ['no sign for letters within a word here; searched as “behavio*”, which finds more']],
    ],
    [
        'nurse?',
        ['nurse?', 'nurse?', 'nurse#', 'nurse*'],
        [[], [], [], ['no sign for letters within a word here; searched as “nurse*”, which finds more']],
    ],
    [
        'colo~r*',
        ['colo~r*', 'colo*r*', 'colo?r?', 'colo*'],
        [
            [],
            ['no sign for one letter or none here; searched with the sign for any number of letters, which finds more'],
            ['no sign for one letter or none here; searched with the sign for any number of letters, which finds more'],
            ['no sign for letters within a word here; searched as “colo*”, which finds more'],
        ],
    ],
    [
        '*ycin',
        ['*ycin', '*ycin', '?ycin', 'ycin'],
        [
            [],
            [],
            [],
            ['lost no sign for letters within a word here, and too few letters before it; write the spellings out'],
        ],
    ],
    [
        '"wom?n at night"',
        ['"wom?n at night"', '"wom?n at night"', '"wom#n at night"', '"womn at night"'],
        [
            [],
            [],
            [],
            ['lost no sign for letters within a word here, and too few letters before it; write the spellings out'],
        ],
    ],
]);

it('comes back out of every dialect that has its signs', function (string $query) {
    $root = Parser::parse($query)->root;
    expect(CqlParser::parse(Printer::print($root, Dialects::named('cql'))->text, Dialects::named('cql')))->toEqual(
        $root,
    );
    expect(CclParser::parse(Printer::print($root, Dialects::named('ccl'))->text, Dialects::named('ccl')))->toEqual(
        $root,
    );
    expect(Parser::parse(Printer::print($root, Dialects::heron())->text)->root)->toEqual($root);
})->with(['behavio*r', 'wom?n', '*ycin', 'nurse?', 'an?esth*', '"wom?n nurse?"', 'lig*t*']);

it('needs letters', function (string $query, string $problem) {
    expect(Parser::parse($query)->problems[0]->message())->toContain($problem);
})->with([
    ['*yc', 'at least 3 letters are needed beside *'],
    ['a?b', 'beside ?'],
    ['a~*b', 'beside ~ *'],
    ['n*', 'at least 2 letters are needed before the *'],
]);

it('is written out by the words of the index', function () {
    $layout = new TableLayout(
        'words',
        null,
        [],
        [],
        wordList: listOf('behavior', 'behaviour', 'behaviours', 'shift', 'shifts'),
    );
    $sql = (new PostgresPrinter($layout))->condition(Parser::parse('"behavio*r shift*"')->root);
    expect($sql->bindings)->toBe(["(('behavior':ABC | 'behaviour':ABC) <-> 'shift':*ABC)"]);
    expect((new PostgresPrinter($layout))->condition(Parser::parse('xylo*phone')->root)->bindings)->toBe(["'~':ABC"]);
    expect(
        fn () => (new PostgresPrinter(new TableLayout('words', null, [], [])))->condition(Parser::parse('wom?n')->root),
    )->toThrow(CannotAnswer::class, 'not understood');
    $many = new TableLayout(
        'words',
        null,
        [],
        [],
        wordList: listOf(...array_map(fn (int $n): string => "con{$n}s", range(1, 500))),
    );
    expect(fn () => (new PostgresPrinter($many))->condition(Parser::parse('con*s')->root))->toThrow(
        CannotAnswer::class,
        'more than 400 words',
    );
});

it('is marked in what is read', function () {
    $marked = array_values(
        array_filter(
            (new Highlighter(Parser::parse('behavio*r* OR *light OR "wom?n nurses"')->root))->segments(
                'Behaviours of women nurses in daylight; a behaviour of lights',
            ),
            fn (Segment $segment): bool => $segment->marked,
        ),
    );
    expect(array_column($marked, 'text'))->toBe(['Behaviours', 'women nurses', 'daylight', 'behaviour']);
});

it('is written between the quotation marks of the dialect', function () {
    $file = json_decode(Dialects::fileOf('ccl'), true);
    $dialect = WaryHeron\Core\Search\Dialect\Dialect::fromJson(
        (string) json_encode(['quote' => ['“', '”'], 'name' => 'own'] + $file),
    );
    expect(Printer::print(Parser::parse('"wom?n at night" OR heading:"Night work"')->root, $dialect)->text)->toBe(
        '“wom#n at night” OR SH=“Night work”',
    );
    expect(
        fn () => WaryHeron\Core\Search\Dialect\Dialect::fromJson(
            (string) json_encode(['quote' => ['a', '”'], 'masking' => ['one' => 'x', 'any' => '?']] + $file),
        ),
    )->toThrow(WaryHeron\Core\Search\Dialect\BadDialect::class, '“quote” is the opening');
});
