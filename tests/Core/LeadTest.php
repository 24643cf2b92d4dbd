<?php

use WaryHeron\Core\Screening\Lead\TextLead;
use WaryHeron\Core\Screening\Lead\TextLeads;

it('points at the sentence that states it, and says how sure that is', function (
    string $title,
    string $abstract,
    array $leads,
) {
    expect(
        array_map(
            fn (TextLead $one): array => [$one->about, $one->confidence, $one->sentence],
            TextLeads::of($title, $abstract),
        ),
    )->toBe($leads);
})->with([
    'all three in one structured abstract' => [
        'Lamps on the ward',
        'Background: Nights are long. Methods: We randomly allocated 48 night nurses in two hospitals to lamps or none. Results: Sleepiness fell.',
        [
            ['Design', 'firm', 'We randomly allocated 48 night nurses in two hospitals to lamps or none.'],
            ['Number of people', 'fair', 'We randomly allocated 48 night nurses in two hospitals to lamps or none.'],
            ['Setting', 'fair', 'We randomly allocated 48 night nurses in two hospitals to lamps or none.'],
        ],
    ],
    'the plain statement before the word in passing' => [
        'A trial of lamps',
        'Earlier surveys differ. Staff were cluster-randomised by ward.',
        [
            ['Design', 'firm', 'Staff were cluster-randomised by ward.'],
            ['Setting', 'check', 'Staff were cluster-randomised by ward.'],
        ],
    ],
    'from the title where nothing else tells' => [
        'Lamps: a cross-sectional study',
        '',
        [['Design', 'firm', 'Lamps: a cross-sectional study']],
    ],
    'a number of what is not said' => [
        'Lamps',
        'We enrolled 312 in one winter.',
        [['Number of people', 'check', 'We enrolled 312 in one winter.']],
    ],
    'numbers in words, and thousands' => [
        'Lamps',
        'In all, 1,204 ambulance staff answered.',
        [['Number of people', 'fair', 'In all, 1,204 ambulance staff answered.']],
    ],
    'nothing' => ['Lamps', 'Lamps are bright.', []],
    'years and doses are no people' => ['Lamps', 'Between 1998 and 2004 lamps of 2,500 lux were sold.', []],
]);

it('cuts text into sentences and loses none', function (string $text, array $sentences) {
    expect(TextLeads::sentences($text))->toBe($sentences);
})->with([
    ['One. Two! Three?', ['One.', 'Two!', 'Three?']],
    ['It fell by 0.5 points (p = .03). Then it rose.', ['It fell by 0.5 points (p = .03).', 'Then it rose.']],
    ['Lamps vs. Naps. A. Kolbe wrote.', ['Lamps vs. Naps.', 'A. Kolbe wrote.']],
    ['', []],
]);
