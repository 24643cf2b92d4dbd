<?php

use WaryHeron\Core\Coding\AskedItems;
use WaryHeron\Core\Coding\AskedWhen;
use WaryHeron\Core\Coding\Book\BadBook;
use WaryHeron\Core\Coding\Book\BookCsv;
use WaryHeron\Core\Coding\Book\BookJson;
use WaryHeron\Core\Coding\Book\Entry;
use WaryHeron\Core\Coding\Book\Outline;
use WaryHeron\Core\Coding\Code;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\Coding\InvalidAnswer;
use WaryHeron\Core\Coding\ItemStanding;
use WaryHeron\Core\Coding\Pass;
use WaryHeron\Core\Coding\Subset;
use WaryHeron\Core\Coding\SubsetChanges;

it('reads options with narrower ones under them, and writes them the same', function (string $text, array $options) {
    expect(Outline::read($text))->toBe($options)->and(Outline::read(Outline::write($options)))->toBe($options);
})->with([
    ["ward\nhome", ['ward', 'home']],
    ["ward\n  emergency\n  surgery\nhome", ['ward', 'ward › emergency', 'ward › surgery', 'home']],
    ["ward\n  emergency\n    trauma\n\nhome\nhome", ['ward', 'ward › emergency', 'ward › emergency › trauma', 'home']],
    ["ward\n\temergency\n  surgery", ['ward', 'ward › emergency', 'ward › surgery']],
    ['', []],
]);

it('keeps numbers within what can be', function (string $given, string $why) {
    expect(fn () => (new Code(CodeType::Number, minimum: 16.0, maximum: 80.0))->read($given))
        ->toThrow(InvalidAnswer::class, $why);
})->with([['15.9', 'between 16 and 80'], ['81', 'between 16 and 80']]);

it('knows yes, no and unclear, and nothing else', function () {
    $code = new Code(CodeType::YesNo);
    expect($code->read('Unclear'))->toBe('Unclear')->and(fn () => $code->read('Maybe'))->toThrow(InvalidAnswer::class);
});

it('reads a codebook from CSV as from JSON, and writes it so that it is read the same', function () {
    $entries = [
        new Entry('design', 'Design, "as told"', new Code(CodeType::Choice, ['trial', 'trial › cluster', '-5 to 0']), 'What they say; not what it is.', 'a, b', ['type']),
        new Entry('n', 'People', new Code(CodeType::Number, unit: 'people', minimum: 1.0, maximum: 5000.5), pass: Pass::InDepth, isRequired: true, when: new AskedWhen('design', ['trial', '-5 to 0'])),
        new Entry('why', 'Why', new Code(CodeType::Text), "Two\nlines", section: 'End'),
    ];

    expect(BookCsv::read(BookCsv::write($entries)))->toEqual(BookJson::read(BookJson::write('Book', $entries)))
        ->and(BookCsv::read("label;type;options\r\nLight;choice;\"bright\ndim\"\r\n;;\r\n"))
        ->toEqual(BookJson::read('{"items": [{"label": "Light", "type": "choice", "options": ["bright", "dim"]}]}'));
});

it('says what is wrong with a codebook in CSV', function (string $csv, string $why) {
    expect(fn () => BookCsv::read($csv))->toThrow(BadBook::class, $why);
})->with([
    'no columns' => ["name,kind\nLight,text\n", 'names no columns'],
    'nothing' => ['', 'names no columns'],
    'no items' => ["label,type\n", 'It holds no items'],
    'no such type' => ["label,type\nLight,colour\n", 'Item 1: its type is none of'],
    'a condition on nothing' => ["label,type,asked when,is\nLight,text,Dark,yes\n", 'which is no item before it'],
]);

function item(string $id, ?AskedWhen $when = null, Pass $pass = Pass::Mapping): Entry
{
    return new Entry($id, $id, new Code(CodeType::Text), pass: $pass, when: $when);
}

it('asks what the answers so far make it ask', function (array $values, array $asked) {
    $items = new AskedItems(
        [
            item('light'),
            item('lux', new AskedWhen('light', ['lamp'])),
            item('why', new AskedWhen('lux', ['unknown'])),
            item('bias', null, Pass::InDepth),
        ],
        new Subset([new AskedWhen('light', ['lamp'])], follows: true),
    );
    expect(array_keys($items->of($values, 'a study')))->toBe($asked)->and($items->areAll())->toBeFalse();
})->with([
    'nothing is known' => [[], ['light']],
    'the condition holds' => [['light' => 'lamp'], ['light', 'lux', 'bias']],
    'for a narrower option too' => [['light' => 'lamp › desk'], ['light', 'lux', 'bias']],
    'not for one that only begins alike' => [['light' => 'lampshade'], ['light']],
    'for one of several' => [['light' => ['window', 'lamp']], ['light', 'lux', 'bias']],
    'down the line' => [['light' => 'lamp', 'lux' => 'unknown'], ['light', 'lux', 'why', 'bias']],
    'not below what is not asked' => [['light' => 'window', 'lux' => 'unknown'], ['light']],
]);

it('tells how far an item has come', function (bool $answered, bool $shown, bool $isValue, bool $lead, ItemStanding $standing) {
    expect(ItemStanding::of($answered, $shown, $isValue, $lead))->toBe($standing);
})->with([
    [true, true, true, false, ItemStanding::Answered],
    [true, false, true, true, ItemStanding::Begun],
    [true, false, false, false, ItemStanding::Answered],
    [false, true, false, true, ItemStanding::Begun],
    [false, false, false, true, ItemStanding::LeadWaits],
    [false, false, false, false, ItemStanding::Open],
]);

it('reads back a codebook that it wrote', function () {
    $entries = [
        new Entry('a', 'Setting', new Code(CodeType::Choice, ['ward', 'ward › emergency']), 'Where.', 'ward', ['site'], 'Place'),
        new Entry(
            'b',
            'People',
            new Code(CodeType::Number, unit: 'persons', minimum: 0.0, maximum: 9.5),
            pass: Pass::InDepth,
            isRequired: true,
            when: new AskedWhen('a', ['ward']),
        ),
    ];
    expect(BookJson::read(BookJson::write('Mine', $entries)))->toEqual($entries);
});

it('says what is wrong with a codebook, and where', function (string $json, string $why) {
    expect(fn () => BookJson::read($json))->toThrow(BadBook::class, $why);
})->with([
    ['', 'no items'],
    ['{"items": []}', 'no items'],
    ['{"items": [7]}', 'Item 1: it has no label'],
    ['{"items": [{"label": "a", "type": "poem"}]}', 'Item 1: its type is none of choice'],
    ['{"items": [{"label": "a", "type": "text"}, {"label": "b", "type": "choice"}]}', 'Item 2: it has no options'],
    [
        '{"items": [{"label": "a", "type": "text", "when": {"item": "b", "answers": ["x"]}}, {"id": "b", "label": "b", "type": "text"}]}',
        'no item before it',
    ],
]);

it('reads each of the sets that ship, and what they ask hangs together', function (string $path) {
    $entries = BookJson::read((string) file_get_contents($path));
    foreach ($entries as $entry) {
        $named = array_values(array_filter($entries, fn (Entry $one): bool => $one->id === $entry->when?->item));
        expect(array_diff($entry->when->answers ?? [], $named === [] ? [] : $named[0]->code->choosable()))->toBe([]);
    }
    expect(count($entries))->toBeGreaterThan(3);
})->with(fn (): array => glob(__DIR__.'/../../../resources/codebooks/*.json') ?: []);

it('goes to the studies of a rule or of a list, and tells what the rule would change of the list', function () {
    $rule = [new AskedWhen('light', ['lamp']), new AskedWhen('people', ['nurses'])];
    $both = ['light' => 'lamp › desk', 'people' => ['nurses', 'doctors']];
    $one = ['light' => 'lamp', 'people' => ['doctors']];
    $listed = ['listed' => Subset::RULE, 'by hand' => Subset::HAND, 'out' => Subset::OUT];
    $fixed = new Subset($rule, follows: false, listed: $listed);
    $following = new Subset($rule, follows: true, listed: $listed);

    expect(array_map(fn (string $study): bool => $fixed->has($study, $both), ['listed', 'by hand', 'out', 'new']))->toBe([true, true, false, false])
        ->and(array_map(fn (string $study): bool => $fixed->has($study, $one), ['listed', 'by hand', 'out', 'new']))->toBe([true, true, false, false])
        ->and(array_map(fn (string $study): bool => $following->has($study, $both), ['listed', 'by hand', 'out', 'new']))->toBe([true, true, false, true])
        ->and(array_map(fn (string $study): bool => $following->has($study, $one), ['listed', 'by hand', 'out', 'new']))->toBe([false, true, false, false])
        ->and($fixed->changes(['listed' => $one, 'by hand' => $one, 'out' => $both, 'new' => $both, 'other' => []]))->toEqual(new SubsetChanges(join: ['new'], leave: ['listed']))
        ->and($following->changes(['new' => $both]))->toEqual(new SubsetChanges())
        ->and((new Subset([], follows: true))->has('any', $both))->toBeFalse();
});
