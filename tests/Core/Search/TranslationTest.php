<?php

use WaryHeron\Core\Search\Dialect\Dialects;
use WaryHeron\Core\Search\Dialect\TranslationNote;
use WaryHeron\Core\Search\Query\Parser;
use WaryHeron\Core\Search\Strategy\BadStrategy;
use WaryHeron\Core\Search\Strategy\ComparedLine;
use WaryHeron\Core\Search\Strategy\MixedOperators;
use WaryHeron\Core\Search\Strategy\Spelling;
use WaryHeron\Core\Search\Strategy\Strategy;
use WaryHeron\Core\Search\Strategy\StrategyChange;
use WaryHeron\Core\Search\Strategy\StrategyComparison;
use WaryHeron\Core\Search\Strategy\StrategyImport;
use WaryHeron\Core\Search\Strategy\StrategyLine;
use WaryHeron\Core\Search\Strategy\Translated\TargetHeadings;
use WaryHeron\Core\Search\Strategy\Translated\TranslatedLine;
use WaryHeron\Core\Search\Strategy\Translated\Translation;

/** A thesaurus of a few headings: Rotas above Nights and Evenings, Nights above Fixed nights. */
final class MarshHeadings implements TargetHeadings
{
    private const BELOW = [
        'Rotas' => ['Nights', 'Evenings'],
        'Nights' => ['Fixed nights'],
        'Evenings' => [],
        'Fixed nights' => [],
    ];

    public function has(string $label): bool
    {
        return isset(self::BELOW[$label]);
    }

    public function confirmed(string $label): array
    {
        return ['Shift work' => ['Rotas'], 'Duty' => ['Nights', 'Evenings']][$label] ?? [];
    }

    public function candidates(string $label): array
    {
        return $label === 'Lamps' ? ['Lighting'] : [];
    }

    public function narrower(string $label): array
    {
        return self::BELOW[$label];
    }

    public function broughtAlong(string $label, string $chosen): array
    {
        return $label !== $chosen ? ['Evenings'] : [];
    }
}

function inMarsh(string $query, string $dialect = 'cql'): array
{
    $compiled = (new Translation(Dialects::named($dialect), new MarshHeadings()))->query(Parser::parse($query)->root);

    return [
        $compiled->text,
        array_map(fn (TranslationNote $note): string => $note->message(), $compiled->notes),
        $compiled->isUsable(),
    ];
}

it('says headings in another thesaurus', function (string $query, string $text, array $notes, bool $usable = true) {
    expect(inMarsh($query))->toBe([$text, $notes, $usable]);
})->with([
    'the same label' => ['heading:"Nights"/narrower/major', 'alder.heading =/alder.narrower/alder.major "Nights"', []],
    'confirmed, with what explosion brings' => [
        'heading:"Shift work"/narrower',
        'alder.heading =/alder.narrower "Rotas"',
        [
            'heading:"Shift work"/narrower: its narrower headings here bring Evenings, which it has not where it was chosen',
            'heading:"Shift work"/narrower: is “Rotas” here, as confirmed',
        ],
    ],
    'two for one' => [
        'heading:"Duty" AND lux',
        '(alder.heading = "Nights" or alder.heading = "Evenings") and lux',
        ['heading:"Duty": is “Nights” or “Evenings” here, as confirmed'],
    ],
    'missing beside others' => [
        'heading:"Lamps" OR lux',
        'lux',
        [
            'heading:"Lamps": not a heading of this thesaurus, so it is left out here, which finds less; candidates: “Lighting”',
        ],
    ],
    'missing alone' => [
        'heading:"Fog" AND lux',
        '',
        [
            'heading:"Fog": not a heading of this thesaurus, so it is left out here, which finds less; no candidate is known',
            'This line: nothing of it can be searched here',
        ],
        false,
    ],
    'taken away' => [
        'lux NOT heading:"Fog"',
        'lux',
        [
            'heading:"Fog": not a heading of this thesaurus, so it is left out here, which finds less; no candidate is known',
        ],
    ],
    'a branch left out' => [
        'heading:"Rotas"/narrower/less:"Evenings"',
        'alder.heading = "Rotas" or alder.heading =/alder.narrower "Nights"',
        [],
    ],
    'a deep branch left out' => [
        'heading:"Rotas"/narrower/less:"Fixed nights"',
        'alder.heading = "Rotas" or alder.heading = "Nights" or alder.heading = "Evenings"',
        [],
    ],
    'a branch that is not there' => [
        'heading:"Rotas"/narrower/less:"Fog"',
        'alder.heading =/alder.narrower "Rotas"',
        [
            'heading:"Rotas"/narrower/less:"Fog": the branch “Fog” is not a heading here and is not left out, which finds more',
        ],
    ],
]);

it('numbers the lines that are left as the database numbers them', function () {
    $strategy = Strategy::fromArray([
        'lines' => [
            ['id' => 'a', 'text' => 'heading:"Fog"'],
            ['id' => 'b', 'text' => 'lux'],
            ['id' => 'c', 'text' => 'any(#1-#2)'],
            ['id' => 'd', 'text' => ''],
            ['id' => 'e', 'text' => '#3 AND heading:"Fog"'],
            ['id' => 'f', 'text' => '#3 NOT #1'],
            ['id' => 'g', 'text' => '#2 AND ('],
        ],
    ]);
    $lines = (new Translation(Dialects::named('ccl'), new MarshHeadings()))->lines($strategy);
    expect(array_map(fn (TranslatedLine $line): array => [$line->number, $line->text], $lines))
        ->toBe([[null, ''], [1, 'lux'], [2, 'S1'], [null, ''], [null, ''], [3, 'S2'], [null, '']])
        ->and($lines[6]->problem)
        ->toContain('Line #7')
        ->and($lines[1]->isUsable())
        ->toBeTrue()
        ->and($lines[0]->isUsable())
        ->toBeFalse();
    // where there are no line numbers every line stands for itself
    expect(
        array_map(
            fn (TranslatedLine $line): string => $line->text,
            (new Translation(Dialects::cql(), new MarshHeadings()))->lines($strategy),
        ),
    )->toBe(['', 'lux', 'lux', '', '', 'lux', '']);
});

it('refuses a query that is longer than the database takes', function () {
    $words = implode(' OR ', array_map(fn (int $i): string => "word{$i}", range(1, 900)));
    [, $notes, $usable] = inMarsh($words, 'fen');
    expect($usable)->toBeFalse()->and($notes[0])->toContain('this database takes 8,000 at most');
});

it('knows other spellings', function (string $word, array $others) {
    expect(Spelling::transatlantic($word))->toBe($others);
})->with([
    ['randomised', ['randomized']],
    ['colour', ['color']],
    ['paediatric', ['pediatric']],
    ['anaesthetist', ['anesthetist']],
    ['behavior', ['behaviour']],
    ['ageing', ['aging']],
    ['exercise', []],
    ['monitor', []],
    ['doctors', []],
    ['light', []],
    ['work', []],
    ['centre', ['center']],
]);

it('knows plurals and singulars', function (string $word, ?string $other) {
    expect(Spelling::otherNumber($word))->toBe($other);
})->with([
    ['nurse', 'nurses'],
    ['nurses', 'nurse'],
    ['study', 'studies'],
    ['studies', 'study'],
    ['light boxes', null],
    ['box', 'boxes'],
    ['boxes', 'box'],
    ['illness', null],
    ['lighting', null],
    ['analysis', null],
    ['day', 'days'],
]);

it('guesses a misspelt word', function (string $word, ?string $meant) {
    expect(Spelling::nearest($word, ['light', 'night', 'nursing', 'alertness', 'shift']))->toBe($meant);
})->with([
    ['lihgt', 'light'],
    ['ligt', 'light'],
    ['alertnes', 'alertness'],
    ['light', null],
    ['banana', null],
    ['nursig', 'nursing'],
]);

it('sees AND beside OR without brackets', function (string $query, bool $mixed) {
    expect(MixedOperators::in($query))->toBe($mixed);
})->with([
    ['a AND b OR c', true],
    ['a AND (b OR c)', false],
    ['a OR b OR c', false],
    ['(a OR b NOT c) AND d', true],
    ['"a AND b" OR c', false],
    ['(a AND b) OR (c AND d)', false],
]);

it('takes synonyms apart as people write them', function (string $typed, array $terms) {
    expect(StrategyImport::synonyms($typed))->toBe($terms);
})->with([
    ['night shift OR "night duty" OR rota*', ['"night shift"', '"night duty"', 'rota*']],
    ["lamp\nlight box; lux,\n\nlamp", ['lamp', '"light box"', 'lux']],
    ['(bright OR blue) NEAR/2 light*', ['(bright OR blue) NEAR/2 light*']],
    ['heading:"Night work"/narrower', ['heading:"Night work"/narrower']],
    ['title:lamp*', ['title:lamp*']],
    ['nurse’s cap', ['"nurse’s cap"']],
    ['  ', []],
    ['oranges AND lemons', ['oranges AND lemons']],
]);

it('compares two states line by line, whatever their numbers', function () {
    $strategy = Strategy::fromArray([
        'lines' => [
            ['id' => 'a', 'text' => 'lux'],
            ['id' => 'b', 'text' => 'lamp'],
            ['id' => 'c', 'text' => 'any(#1-#2)'],
            ['id' => 'd', 'text' => '#3 AND night'],
        ],
    ]);
    $changed = StrategyChange::apply($strategy, 'add-line', ['to' => 1, 'text' => 'visor*'], fn (): string => 'new')->strategy;
    $changed = $changed
        ->withText($changed->numberOf('d'), '#4 AND nights')
        ->withText($changed->numberOf('c'), 'any(#2)')
        ->without(3);
    expect(
        array_map(
            fn (ComparedLine $row): array => [$row->how, $row->line()->id],
            StrategyComparison::of($strategy, $changed),
        ),
    )->toBe([['added', 'new'], ['same', 'a'], ['removed', 'b'], ['changed', 'c'], ['changed', 'd']]);
    expect(array_unique(array_column(StrategyComparison::of($strategy, $strategy->moved(2, 1)), 'how')))->toContain(
        'same',
    );
});

it('changes a strategy by name, or says why not', function (string $change, array $with, array|string $after) {
    $n = 0;
    $strategy = Strategy::fromArray([
        'lines' => [
            ['id' => 'a', 'text' => 'lux'],
            ['id' => 'b', 'text' => 'any(#1)', 'note' => 'Light'],
            ['id' => 'c', 'text' => 'night'],
            ['id' => 'd', 'text' => 'any(#3)', 'note' => 'Night'],
            ['id' => 'e', 'text' => '#2 AND #4'],
        ],
    ]);
    $id = function () use (&$n): string {
        return 'n'.++$n;
    };
    is_string($after)
        ? expect(fn () => StrategyChange::apply($strategy, $change, $with, $id))->toThrow(
            WaryHeron\Core\Search\Strategy\BadStrategy::class,
            $after,
        )
        : expect(
            array_map(
                fn (StrategyLine $line): string => $line->text,
                StrategyChange::apply($strategy, $change, $with, $id)->strategy->lines,
            ),
        )->toBe($after);
})->with([
    ['add-block', ['name' => 'Outcome'], ['lux', 'any(#1)', 'night', 'any(#3)', '', '#2 AND #4']],
    ['move-block', ['block' => 'd', 'to' => 1], ['night', 'any(#1)', 'lux', 'any(#3)', '#2 AND #4']],
    ['remove-block', ['block' => 'd'], ['lux', 'any(#1)']],
    ['combine-block', ['block' => 'd', 'on' => false], ['lux', 'any(#1)', 'night', 'any(#3)']],
    [
        'add-terms',
        ['block' => 'b', 'texts' => ['light box', 'lamp* OR visor*']],
        ['lux', '"light box"', 'lamp*', 'visor*', 'any(#1-#4)', 'night', 'any(#6)', '#5 AND #7'],
    ],
    ['add-terms', ['block' => 'b', 'texts' => ['#1']], 'stands for itself'],
    ['remove-term', ['line' => 'a'], ['', 'night', 'any(#2)']],
    [
        'add-limit',
        ['text' => 'type:letter', 'exclude' => true],
        ['lux', 'any(#1)', 'night', 'any(#3)', '#2 AND #4', '#5 NOT type:letter'],
    ],
    ['add-limit', ['text' => 'year:20'], 'years are written'],
    [
        'combine-lines',
        ['lines' => ['d', 'b'], 'how' => 'not'],
        ['lux', 'any(#1)', 'night', 'any(#3)', '#2 AND #4', '#4 NOT #2'],
    ],
    ['combine-lines', ['lines' => ['d'], 'how' => 'or'], 'at least two'],
    [
        'append',
        ['texts' => ['lamp', '#1 AND x']],
        ['lux', 'any(#1)', 'night', 'any(#3)', '#2 AND #4', 'lamp', '#6 AND x'],
    ],
    ['set-note', ['line' => 'z', 'note' => 'why'], 'This line is gone'],
    ['fly', [], 'no change that can be made'],
]);

it('changes a note without the text of its line, and a text without its note', function () {
    $strategy = Strategy::fromArray(['lines' => [['id' => 'a', 'text' => 'lux', 'note' => 'Light']]]);
    $apply = fn (Strategy $one, string $change, array $with): Strategy => StrategyChange::apply(
        $one,
        $change,
        ['line' => 'a', ...$with],
        fn (): string => 'new',
    )->strategy;
    $after = $apply($apply($strategy, 'set-line', ['text' => 'lamp*']), 'set-note', ['note' => str_repeat('why', 999)]);
    expect($after->lines[0]->text)
        ->toBe('lamp*')
        ->and($after->lines[0]->note)
        ->toBe(mb_substr(str_repeat('why', 999), 0, StrategyLine::LONGEST_NOTE))
        ->and($apply($strategy, 'set-line', ['text' => 'lamp*'])->lines[0]->note)
        ->toBe('Light')
        ->and($apply($strategy, 'set-note', ['note' => ''])->lines[0]->note)
        ->toBe('');
});

it('leaves what is fetched as it was when lines are combined', function (?string $named) {
    $strategy = Strategy::fromArray([
        'lines' => [
            ['id' => 'a', 'text' => 'lux'],
            ['id' => 'b', 'text' => 'night'],
            ['id' => 'c', 'text' => '#1 AND #2'],
            ['id' => 'd', 'text' => 'type:letter'],
        ],
        'result' => $named,
    ]);
    $before = $strategy->lines[$strategy->resultNumber() - 1]->id;
    $after = StrategyChange::apply(
        $strategy,
        'combine-lines',
        ['lines' => ['a', 'd'], 'how' => 'not'],
        fn (): string => 'new',
    )->strategy;
    expect($after->lines[$after->resultNumber() - 1]->id)
        ->toBe($before)
        ->and($after->lines[4]->text)
        ->toBe('#1 NOT #4');
    $made = StrategyChange::apply($after, 'set-result', ['line' => 'new'], fn (): string => 'x')->strategy;
    expect($made->resultNumber())->toBe(5);
})->with([null, 'c', 'b']);

it('takes no line at all where one of them cannot be read', function (string $text, string $dialect, string $line) {
    expect(fn () => StrategyImport::lines($text, $dialect))->toThrow(BadStrategy::class, $line);
})->with([
    'ours, a bracket' => ["lamp*\ntitle:(shift work*\nlux", 'heron', 'Line 2'],
    'ours, a heading' => ["lamp*\nlux\nexp Naps/", 'heron', 'Line 3'],
    'ours, a gap' => ["(nap OR\nlux", 'heron', 'Line 1'],
    'CQL' => ["dc.title = lamp\n(lux", 'cql', 'Line 2'],
    'command language' => ["TI=lamp\nTI=(lux", 'ccl', 'Line 2'],
]);
