<?php

declare(strict_types=1);

use Tests\Core\Scouting\Judged;
use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Scouting\Answer\Direction;
use WaryHeron\Core\Scouting\Criticism;
use WaryHeron\Core\Scouting\Finding;
use WaryHeron\Core\Scouting\Named\NameKind;
use WaryHeron\Core\Scouting\Reading\ReadRecord;
use WaryHeron\Core\Scouting\Remark;
use WaryHeron\Core\Scouting\Scout;

it('ranks what people judged to answer before what only shares its words', function (string $name, float $least) {
    $judged = Judged::read($name);
    $scout = new Scout();
    $findings = $scout->findings($scout->question($judged->question), $judged->records);

    expect($judged->ndcg(array_map(fn (Finding $one): string => $one->id, $findings)))->toBeGreaterThan($least);
})->with([['q01', 0.93], ['q06', 0.85], ['q07', 0.9], ['q08', 0.93]]);

it('shows the sentence that answers and which way it points', function (string $name) {
    $judged = Judged::read($name);
    $scout = new Scout();
    $right = $wrongWay = $firmWrong = $answering = 0;
    foreach ($scout->findings($scout->question($judged->question), $judged->records) as $finding) {
        $label = $judged->labels[$finding->id];
        if ($label['grade'] >= 2) {
            $answering++;
            $right += $judged->isRightSentence($finding->id, $finding->sentence) ? 1 : 0;
            $isWrong = $label['direction'] !== null && $finding->direction?->value !== $label['direction'];
            $wrongWay += $isWrong ? 1 : 0;
            $firmWrong += $isWrong && $finding->confidence === Confidence::Firm ? 1 : 0;
        }
    }

    expect($right / $answering)->toBeGreaterThanOrEqual(0.8)
        ->and($wrongWay / $answering)->toBeLessThanOrEqual(0.15)
        ->and($firmWrong)->toBe(0);
})->with(['q01', 'q06', 'q07', 'q08']);

it('finds the instruments that papers name, under all the names they go by', function () {
    $judged = Judged::read('q07');
    $scout = new Scout();
    $found = [];
    foreach ($scout->named($scout->question($judged->question), $judged->records, NameKind::Instrument) as $thing) {
        $found[$thing->name] = $thing->ids;
    }

    expect($found)->toBe(array_column($judged->named, 'ids', 'name'));
});

it('says why a variant is taken for the same thing', function () {
    $scout = new Scout();
    $records = [
        ReadRecord::of('a', 'A scale', 'The Marrow Night Strain Scale (MNSS) measures strain of nurses at night with 12 items.'),
        ReadRecord::of('b', 'A use of it', 'Strain of nurses at night was measured with the MNSS-6 in 40 nurses. The Marrow scale is short.'),
    ];
    $things = $scout->named($scout->question('Which instruments measure strain in nurses at night?'), $records, NameKind::Instrument);

    expect($things)->toHaveCount(1)
        ->and($things[0]->ids)->toBe(['a', 'b'])
        ->and(array_combine($things[0]->variants, $things[0]->joined))->toBe([
            'MNSS' => 'its short form in brackets',
            'MNSS-6' => 'its first letters',
            'Marrow scale' => 'a first word that nothing else named here has',
        ])
        ->and($things[0]->definition)->toStartWith('The Marrow Night Strain Scale');
});

it('gives the same order whatever the order of the records', function () {
    $judged = Judged::read('q01');
    $scout = new Scout();
    $question = $scout->question($judged->question);
    $ranked = fn (array $records): array => array_map(fn (Finding $one): string => $one->id, $scout->findings($question, $records));

    expect($ranked(array_reverse($judged->records)))->toBe($ranked($judged->records));
});

it('claims nothing of records without an abstract or about something else', function () {
    $scout = new Scout();
    $question = $scout->question('Does a planned nap during the night shift reduce sleepiness in hospital staff?');
    $findings = $scout->findings($question, [
        ReadRecord::of('empty', 'Naps', ''),
        ReadRecord::of('other', 'Cotton with a raised nap', 'We weighed dust from 40 blankets. Dust fell by 12% (p = 0.02) after brushing.'),
    ]);

    expect(array_map(fn (Finding $one): array => [$one->id, $one->sentence, $one->direction, $one->confidence], $findings))->toBe([
        ['other', '', null, Confidence::Check],
        ['empty', '', null, Confidence::Check],
    ]);
});

it('takes what the records define for what they define it as', function () {
    $scout = new Scout();
    $question = $scout->question('Do short handover meetings reduce drug errors in nurses?');
    $named = fn (string $definition): float => $scout->findings($question, [
        ReadRecord::of('defines', 'Lantern talks', $definition),
        ReadRecord::of('uses', 'Lantern talks on wards', 'In 60 nurses drug errors were fewer with lantern talks than without (p = 0.01).'),
    ])[0]->score;

    expect($named('A lantern talk was a short handover meeting of nurses.'))
        ->toBeGreaterThan($named('A lantern talk was held at dusk by nurses.'));
});

it('takes words that begin alike for one another where nothing else is known of them', function (string $finding, bool $answers) {
    $scout = new Scout();
    $question = $scout->question('Does marzipan reduce gloominess in nurses?');
    $found = $scout->findings($question, [ReadRecord::of('a', 'Marzipan on the ward', "We randomised 80 nurses to marzipan or none. {$finding}")])[0];

    expect($found->sentence === $finding)->toBe($answers);
})->with([
    ['Gloominess was lower with marzipan than without (p = 0.02).', true],
    ['Nurses were less gloomy with marzipan than without (p = 0.02).', true],
    ['Weather was the same on both wards.', false],
    ['This article summarises where opinion on gloominess and marzipan differs.', false],
    ['Gloominess with marzipan deserves more attention than without.', false],
]);

it('knows what speaks against a paper, and lets a letter speak of the question through the paper it is about', function () {
    $trial = ReadRecord::of('trial', 'Planned naps of night nurses', '120 nurses were randomised to a planned nap or to usual breaks. Sleepiness was 1.2 points lower with the nap (95% CI 0.7 to 1.7).', 'Haldor');
    $letter = ReadRecord::of('letter', 'Letter: who was awake?', 'We read with interest the trial by Haldor and colleagues. Without the four youngest who napped the difference is 0.2 points (95% CI -0.4 to 0.8).', 'Zelen');
    $other = ReadRecord::of('other', 'Letter: parking at night', 'We read with interest the paper by Ostrow and colleagues on car parks. The difference is 3 spaces.', 'Bruun');
    $all = [$trial, $letter, $other];
    $scout = new Scout();
    $findings = $scout->findings($scout->question('Does a planned nap reduce sleepiness in nurses?'), $all);
    $remarks = Criticism::remarks($all);

    expect(array_map(fn (Finding $one): string => $one->id, $findings))->toBe(['trial', 'letter', 'other'])
        ->and($findings[1]->sentence)->toContain('0.2 points')
        ->and($findings[2]->sentence)->toBe('')
        ->and(array_column(Criticism::comments($trial, $remarks), 'id'))->toBe(['letter'])
        ->and(Criticism::comments($letter, $remarks))->toBe([]);
});

it('shows replies, errata and retractions with the paper that they are of, and with their sentence', function (
    string $title,
    string $text,
    string $says,
) {
    $trial = ReadRecord::of('trial', 'Planned naps of night nurses', 'Sleepiness was 1.2 points lower with the nap (95% CI 0.7 to 1.7).', 'Haldor');
    $other = ReadRecord::of('other', 'Car parks of night porters', 'Spaces were counted.', 'Ostrow');
    $remark = ReadRecord::of('remark', $title, $text, 'Zelen');
    $remarks = Criticism::remarks([$trial, $other, $remark]);

    expect(Criticism::comments($trial, $remarks))->toEqual([new Remark('remark', $says)])
        ->and(Criticism::comments($other, $remarks))->toBe([]);
})->with([
    [
        'Erratum: Planned naps of night nurses',
        'A table was printed twice. The difference is corrected to 0.2 points.',
        'The difference is corrected to 0.2 points.',
    ],
    [
        'Retraction: Planned naps of night nurses',
        'The journal was told in May. The paper is withdrawn by its authors.',
        'The paper is withdrawn by its authors.',
    ],
    ['Reply: planned naps of night nurses', 'We thank Dr Zelen. However, nobody slept longer.', 'However, nobody slept longer.'],
]);

it('finds those who say otherwise, the likeliest first', function () {
    $found = fn (string $id, float $score, ?Direction $direction): Finding => new Finding($id, $score, 'It was so.', $direction, Confidence::Fair, '');
    $all = [
        $found('a', 0.9, Direction::Less),
        $found('b', 0.5, Direction::More),
        $found('c', 0.8, Direction::NoDifference),
        $found('d', 0.7, Direction::Mixed),
        $found('e', 0.6, null),
    ];
    $against = fn (int $i): array => array_map(fn (Finding $one): string => $one->id, Criticism::contrary($all[$i], $all));

    expect([$against(0), $against(2), $against(3)])->toBe([['c', 'b'], ['a', 'b'], []]);
});
