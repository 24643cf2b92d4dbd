<?php

use WaryHeron\Core\Search\Query\Parser;
use WaryHeron\Core\Search\Text\Highlighter;
use WaryHeron\Core\Search\Text\IndexedText;
use WaryHeron\Core\Search\Text\Segment;
use WaryHeron\Core\Text\AbstractPart;
use WaryHeron\Core\Text\StructuredAbstract;
use WaryHeron\Core\Text\Words;

it('cuts words alike whatever their case and accents', function (string $text, array $words) {
    expect(Words::of($text))->toBe($words);
})->with([
    ['Bright-light, NIGHT shifts', ['bright', 'light', 'night', 'shifts']],
    ['Mélatonine à l’hôpital', ['melatonine', 'a', 'l', 'hopital']],
    ['Straße Kjærgaard Özkaya', ['strasse', 'kjaergaard', 'ozkaya']],
    ["e\u{301}tude 1,500 lux", ['etude', '1', '500', 'lux']],
    ['', []],
    ['–…', []],
]);

it('marks what the query looks for and changes no letter', function (string $query, string $text, array $marked) {
    $segments = (new Highlighter(Parser::parse($query)->root))->segments($text);
    expect(implode('', array_column($segments, 'text')))->toBe($text);
    expect(array_values(array_column(array_filter($segments, fn (Segment $s): bool => $s->marked), 'text')))->toBe(
        $marked,
    );
})->with([
    ['light*', 'Bright lights, lighting.', ['lights', 'lighting']],
    ['"night shift*"', 'A night at a night shift.', ['night shift']],
    ['melatonine NOT placebo', 'La mélatonine et placebo', ['mélatonine']],
    ['title:lamp NOT lux OR "bright light"', 'Lamp lux bright-light', ['Lamp', 'bright-light']],
    ['lamp', '', []],
]);

it('keeps fields further apart than any distance', function () {
    $vector = IndexedText::tsvector(['title' => 'night', 'abstract' => 'shift']);
    expect(preg_match("/'night':(\d+)A 'shift':(\d+)B/", $vector, $at))->toBe(1);
    expect((int) $at[2] - (int) $at[1])->toBeGreaterThan(20);
});

it('cuts structured abstracts at their labels only', function () {
    $parts = StructuredAbstract::parts(
        'BACKGROUND: Nights are long. Materials and methods: Lamps. Time of onset: 23 h. Results: None.',
    );
    expect(array_column($parts, 'label'))->toBe(['Background', 'Materials and methods', 'Results']);
    expect($parts[1]->text)->toBe('Lamps. Time of onset: 23 h.');
    expect(StructuredAbstract::parts('Of note: one colon only.'))->toEqual([
        new AbstractPart('', 'Of note: one colon only.'),
    ]);
});

it('tells of which list each marked part is, also where lists overlap', function () {
    $lists = Highlighter::ofLists([
        'night' => [Parser::parse('night*')->root],
        'shift' => [Parser::parse('"night shift"')->root, Parser::parse('shift')->root],
        'nothing' => [Parser::parse('ether')->root],
    ]);
    $segments = $lists->segments('One Night shift; a nightly shift.');
    expect(implode('', array_column($segments, 'text')))->toBe('One Night shift; a nightly shift.');
    expect(
        array_map(
            fn (Segment $one): string => "{$one->text}:".implode('+', $one->lists),
            array_values(array_filter($segments, fn (Segment $one): bool => $one->marked)),
        ),
    )->toBe(['Night:night+shift', ' shift:shift', 'nightly:night', 'shift:shift']);
    // every letter stays, whatever overlaps
    $many = Highlighter::ofLists(
        array_map(fn (string $query): array => [Parser::parse($query)->root], ['"a b c"', '"b c d"', 'c*', 'é*']),
    );
    foreach (['a b c d', 'A-b C é d a b', 'ééé b c d c', ''] as $text) {
        expect(implode('', array_column($many->segments($text), 'text')))->toBe($text);
    }
});
