<?php

use WaryHeron\Core\Coding\AskedItems;
use WaryHeron\Core\Coding\AskedWhen;
use WaryHeron\Core\Coding\Book\BookCsv;
use WaryHeron\Core\Coding\Book\BookJson;
use WaryHeron\Core\Coding\Book\Entry;
use WaryHeron\Core\Coding\Code;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Coding\Lead\LeadEngine;
use WaryHeron\Core\Coding\Lead\Parted\PartLeads;
use WaryHeron\Core\Coding\Lead\Parted\PartNames;
use WaryHeron\Core\Coding\Lead\Parted\PartPassages;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\FullText\Reading\Block;
use WaryHeron\Core\FullText\Reading\BlockKind;
use WaryHeron\Core\FullText\Reading\Paper;
use WaryHeron\Core\FullText\Reading\SectionKind;

/** “What” of each arm, and “How much” of those arms where that is a lamp. */
function askedOfArms(): AskedItems
{
    return new AskedItems([
        new Entry('design', 'Design', new Code(CodeType::Text)),
        new Entry('what', 'What', new Code(CodeType::Choice, ['lamp', 'nothing']), per: 'arm'),
        new Entry('much', 'How much', new Code(CodeType::Number), when: new AskedWhen('what', ['lamp']), per: 'arm'),
    ]);
}

it('asks a part by what that part was answered', function () {
    $arms = ['a' => 'arm', 'b' => 'arm'];
    $asked = askedOfArms()->ofParts(['a' => ['what' => 'lamp'], 'b' => ['what' => 'nothing']], $arms, 'study');
    expect(array_keys($asked['a']))->toBe(['design', 'what', 'much'])
        ->and(array_keys($asked['b']))->toBe(['design', 'what']);
    // an arm that nobody has answered yet is not asked because another was
    expect(array_keys(askedOfArms()->ofParts(['a' => ['what' => 'lamp']], $arms, 'study')['b']))->toBe(['design', 'what']);
});

it('knows when everything is answered, of the study and of each part', function (array $said, array $parts, bool $is) {
    expect(askedOfArms()->areAnswered($said, $parts, 'study'))->toBe($is);
})->with([
    'each arm' => [
        ['' => ['design' => 'x'], 'a' => ['what' => 'lamp', 'much' => 900], 'b' => ['what' => 'nothing']],
        ['a' => 'arm', 'b' => 'arm'],
        true,
    ],
    'a dose is missing' => [['' => ['design' => 'x'], 'a' => ['what' => 'lamp']], ['a' => 'arm'], false],
    'one arm is not answered' => [
        ['' => ['design' => 'x'], 'a' => ['what' => 'nothing']],
        ['a' => 'arm', 'b' => 'arm'],
        false,
    ],
    'not reported is an answer' => [['' => ['design' => null], 'a' => ['what' => null]], ['a' => 'arm'], true],
    'no arm is named, so the study answers' => [['' => ['design' => 'x', 'what' => 'nothing']], [], true],
    'no arm is named, and nothing is said' => [['' => ['design' => 'x']], [], false],
    'parts of another kind ask nothing of arms' => [['' => ['design' => 'x', 'what' => 'nothing']], ['s' => 'site'], true],
    'the study is not answered' => [['a' => ['what' => 'nothing']], ['a' => 'arm'], false],
]);

it('puts together what parts say, each once', function () {
    expect(AskedItems::together([
        '' => ['design' => 'x'],
        'a' => ['what' => 'lamp', 'lux' => 900, 'when' => ['dawn', 'dusk']],
        'b' => ['what' => 'lamp', 'lux' => 900.5, 'when' => ['dusk'], 'who' => null],
    ]))->toBe(['design' => 'x', 'what' => ['lamp'], 'lux' => [900, 900.5], 'when' => ['dawn', 'dusk'], 'who' => null]);
});

it('keeps what an item is asked of in files', function () {
    $entry = new Entry('dose', 'Dose', new Code(CodeType::Number, unit: 'lux'), per: 'arm');
    expect(BookJson::read(BookJson::write('Lamps', [$entry]))[0]->per)->toBe('arm')
        ->and(BookCsv::read(BookCsv::write([$entry]))[0]->per)->toBe('arm');
});

it('tells which part a text names', function (array $names, string $text, array $named) {
    expect(PartNames::of($names)->in($text))->toBe($named);
})->with([
    [['a' => ['Night lights'], 'b' => ['Usual lighting']], 'those under night lights', ['a']],
    [['a' => ['Night lights'], 'b' => ['Usual lights']], 'lights of any kind', []],
    [['a' => ['Night lights'], 'b' => ['Usual lights']], 'usual lights, then night lights', ['b', 'a']],
    [['a' => ['30 min of light'], 'b' => ['60 min of light']], 'after 60 min', ['b']],
    [['a' => ['30 min of light'], 'b' => ['60 min of light']], '160 minutes', []],
    [['a' => ['Lamps', 'intervention'], 'b' => ['Nothing', 'control']], 'in the control wards', ['b']],
    [['a' => ['Éclairage'], 'b' => ['Rien']], 'eclairages', ['a']],
    [['a' => ['A (new)'], 'b' => ['A (old)']], 'the new ones', ['a']],
]);

/** @param  list<string|list<string>>  $lines  a list is a row of a table */
function paperOf(array $lines): Passages
{
    return Passages::of(new Paper(array_map(fn (string|array $line): Block => is_array($line)
        ? new Block(BlockKind::Row, implode(' ', $line), 2, section: SectionKind::Results, cells: $line)
        : new Block(BlockKind::Paragraph, $line, 1, section: SectionKind::Results), $lines)));
}

it('cuts a sentence down to what it says of one part', function (string $sentence, string $part, ?string $left) {
    $names = PartNames::of(['a' => ['Lamps', 'light group'], 'b' => ['Nothing', 'control']]);
    $cut = PartPassages::of(paperOf([$sentence]), $names, $part)->passages->all;
    expect($cut[0]->text ?? null)->toBe($left);
})->with([
    'its own' => ['In the light group 60 nurses took part.', 'a', 'In the light group 60 nurses took part.'],
    'of another' => ['In the light group 60 nurses took part.', 'b', null],
    'of none' => ['Sixty nurses took part.', 'a', null],
    'the first of two' => [
        'The mean age was 41.2 years in the light group and 43.0 in the control group.',
        'a',
        'The mean age was 41.2 years in the light group',
    ],
    'the second, with what leads in' => [
        'The mean age was 41.2 years in the light group and 43.0 in the control group.',
        'b',
        'The mean age was and 43.0 in the control group.',
    ],
    'in order' => [
        'Mean ages were 41.2 and 43.0 years in the light and control groups, respectively.',
        'b',
        'Mean ages were and 43.0 years in the light and control groups, respectively.',
    ],
    'in order, but of more numbers than parts' => [
        'Mean ages were 41.2 (SD 3) and 43.0 years in the light and control groups, respectively.',
        'b',
        null,
    ],
    'both in one clause' => ['The light and control groups had 60 nurses.', 'a', null],
]);

it('reads a number of each arm, and quotes the paper as it stands', function () {
    $paper = paperOf([
        ['Characteristic', 'Lamps (n = 60)', 'Usual light (n = 58)'],
        ['Mean age (SD)', '41.2 (9.1)', '43.0 (8.7)'],
        'Sessions in the lamps group lasted 30 minutes.',
    ]);
    $items = [
        new AskedItem('people', 'Participants', ItemType::Number),
        new AskedItem('age', 'Mean age', ItemType::Number),
    ];
    $names = PartNames::of(['a' => ['Lamps'], 'b' => ['Usual light', 'control']]);
    $leads = (new PartLeads(new LeadEngine()))->leads($items, $paper, $names);
    $said = fn (string $part, string $item): array => [$leads[$part][$item]->value, $leads[$part][$item]->quote];
    expect($said('a', 'age'))->toBe(['41.2', 'Mean age (SD) 41.2 (9.1) 43.0 (8.7)'])
        ->and($said('b', 'age'))->toBe(['43', 'Mean age (SD) 41.2 (9.1) 43.0 (8.7)'])
        ->and($said('a', 'people'))->toBe(['60', 'Characteristic Lamps (n = 60) Usual light (n = 58)'])
        ->and($said('b', 'people')[0])->toBe('58')
        ->and(PartLeads::offered($paper))->toBe(['Lamps', 'Usual light']);
});

it('doubts of a part what is said of the study', function () {
    $paper = paperOf(['Their mean age was 41.2 years (SD 9.1).']);
    $item = new AskedItem('age', 'Mean age', ItemType::Number);
    $lead = (new PartLeads(new LeadEngine()))->leads([$item], $paper, PartNames::of(['a' => ['Lamps'], 'b' => ['Nothing']]))['a']['age'];
    expect([$lead->value, $lead->confidence()])->toBe(['41.2', Confidence::Check])
        ->and($lead->reason)->toContain('said of the study, not of this part of it');
});
