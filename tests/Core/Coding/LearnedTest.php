<?php

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Briefing;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\Ranked\Learned;
use WaryHeron\Core\Coding\Lead\Ranked\Ranking;
use WaryHeron\Core\FullText\Reading\Block;
use WaryHeron\Core\FullText\Reading\BlockKind;
use WaryHeron\Core\FullText\Reading\Paper;

const TAKEN = ['Lamps hung above the desk.', 'Lamps hung from the ceiling.', 'Two lamps hung over each bed.', 'The lamps hung low.'];

const ELSEWHERE = ['In all 40 nurses took part.', 'The ward was dim.', 'Nurses were asked on the ward.'];

it('learns which words speak for a passage, and which against it', function () {
    $learned = Learned::from(TAKEN, ['The lamps cost little.', 'Each lamp cost more.'], ELSEWHERE);
    expect(array_key_first($learned))->toBe('lamp')->and($learned['hung'])->toBeGreaterThan(0.5)->and($learned['cost'])->toBeLessThan(0.0);
    // what is said of everything tells nothing
    expect(Learned::from(['Nurses on the ward hung lamps.', 'Nurses of the ward hung lamps.'], [], ELSEWHERE)['nurse'] ?? 0.0)
        ->toBeLessThan($learned['hung']);
});

it('learns nothing of nothing, nor of one ruling, nor from numbers', function (array $taken, array $down) {
    expect(Learned::from($taken, $down, []))->toBe([]);
})->with([[[], []], [['Lamps hung above the desk.'], []], [['40 of 80', '40 of 90'], []], [[], ['Lamps cost little.']]]);

it('weighs more the more was ruled on', function () {
    expect(Learned::from(TAKEN, [], [])['hung'])->toBeGreaterThan(Learned::from(array_slice(TAKEN, 0, 2), [], [])['hung']);
});

it('brings the passage first that says what people took before', function () {
    $sentences = ['The place of the light was chosen with care by the place committee.', 'Lamps hung above the bed of each patient.', 'Costs were low.'];
    $paper = Passages::of(new Paper(array_map(fn (string $one): Block => new Block(BlockKind::Paragraph, $one, 1), $sentences)));
    $first = function (array $learned) use ($paper): string {
        $item = new AskedItem('place', 'Place of the light', ItemType::Text, briefing: new Briefing('', [], $learned));

        return Ranking::of($item, $paper)->best(1)[0]->passage->text;
    };
    expect($first([]))->toBe($sentences[0])->and($first(['lamp' => 2.0, 'hung' => 2.0]))->toBe($sentences[1]);
});
