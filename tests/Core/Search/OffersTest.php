<?php

use WaryHeron\Core\Search\Offers\Candidate;
use WaryHeron\Core\Search\Offers\CandidateCount;
use WaryHeron\Core\Search\Offers\ConceptPlace;
use WaryHeron\Core\Search\Offers\Ground;
use WaryHeron\Core\Search\Offers\LostItem;
use WaryHeron\Core\Search\Offers\LostOffer;
use WaryHeron\Core\Search\Offers\Placed;
use WaryHeron\Core\Search\Offers\TitlePhrases;

/** A small thesaurus: where each name stands. */
function placedAs(string ...$names): array
{
    $tree = [
        'nursing staff' => ['Nursing staff', 'Health personnel', 'Occupations'],
        'nurses' => ['Nursing staff', 'Health personnel', 'Occupations'],
        'ambulance crews' => ['Ambulance staff', 'Health personnel', 'Occupations'],
        'ambulance staff' => ['Ambulance staff', 'Health personnel', 'Occupations'],
        'crews' => ['Occupations'],
        'adults' => ['Adults', 'Age groups'],
        'caffeine' => ['Caffeine', 'Drugs'],
        'coffee' => ['Caffeine', 'Drugs'],
        'near misses' => ['Near misses', 'Errors', 'Safety'],
        'sleepiness' => ['Sleepiness', 'Fatigue', 'Body'],
    ];
    $standing = [];
    foreach ($names === [] ? array_keys($tree) : $names as $name) {
        $standing[$name] = new Placed($tree[$name][0], $tree[$name]);
    }

    return $standing;
}

/** @return list<string> */
function offeredTexts(array $candidates): array
{
    return array_map(fn (Candidate $one): string => $one->text, $candidates);
}

it('offers for a lost concept what stands in its branch, and nothing that other concepts say', function () {
    $people = ConceptPlace::of(['nurses', 'Nursing staff'], array_values(placedAs('nursing staff')));
    $others = ConceptPlace::of(
        ['caffeine', 'coffee', 'near misses', 'sleepiness'],
        array_values(placedAs('caffeine', 'near misses', 'sleepiness')),
    );
    $headings = ['Caffeine / adverse effects', 'Ambulance staff', 'Adults', 'Near misses'];
    $found = LostItem::candidates(
        'Caffeine and near misses in ambulance crews of Mossvale: a pilot study',
        'Ambulance crews drank coffee.',
        $headings,
        $people,
        $others,
        placedAs(),
    );
    expect(offeredTexts($found))->toBe(['heading:"Ambulance staff"', '"ambulance crews"']);
    expect($found[0]->ground)->toBe(Ground::HeadingOfBranch)->and($found[0]->nearness)->toBe(2);
    // and the other way round
    $lost = LostItem::candidates(
        'Caffeine and near misses in ambulance crews',
        '',
        $headings,
        ConceptPlace::of(['tea'], array_values(placedAs('coffee'))),
        $people,
        placedAs(),
    );
    expect(offeredTexts($lost)[0])->toBe('heading:"Caffeine"');
});

it('falls back on what of the title no concept says, where no thesaurus has it', function () {
    $found = LostItem::candidates(
        'Bean tea and near misses in tram drivers: a survey',
        '',
        [],
        ConceptPlace::of(['pilots'], []),
        ConceptPlace::of(['bean tea', 'near misses'], []),
        [],
    );
    expect(offeredTexts($found))->toBe(['"tram drivers"']);
    expect(
        LostItem::keepsCompanyWith(
            array_values(placedAs('adults', 'nurses')),
            $people = ConceptPlace::of(['nurses'], array_values(placedAs('nurses'))),
            ConceptPlace::of(['x'], []),
        ),
    )
        ->toBeTrue()
        ->and(
            LostItem::keepsCompanyWith(
                array_values(placedAs('caffeine')),
                $people,
                ConceptPlace::of(['coffee'], array_values(placedAs('coffee'))),
            ),
        )
        ->toBeFalse();
});

it('leaves out what finds nothing, what is only the setting, and words that keep no company', function () {
    $candidates = [
        Candidate::heading('Night work', Ground::HeadingOfBranch, 2),
        Candidate::heading('Rest breaks', Ground::HeadingOfBranch, 2),
        Candidate::words('quiet', Ground::WordOfTitle),
        Candidate::words('rest rooms', Ground::PhraseOfTitle),
    ];
    $counts = [
        'heading:"Night work"' => new CandidateCount(900, 80, 0.7),
        'heading:"Rest breaks"' => new CandidateCount(60, 20, 0.05),
        'quiet' => new CandidateCount(40, 1, 0.01),
        '"rest rooms"' => new CandidateCount(0, 0, 0.0),
    ];
    expect(
        array_map(fn (LostOffer $one): string => $one->candidate->text, LostItem::ranked($candidates, $counts, 0.1)),
    )->toBe(['heading:"Rest breaks"']);
});

it('weighs company against chance', function (int $shared, int $own, float $base, float $expected) {
    expect(round(LostItem::logLikelihood($shared, $own, $base), 3))->toBe($expected);
})->with([
    'as chance has it' => [10, 100, 0.1, 0.0],
    'above' => [30, 100, 0.1, 30.733],
    'below' => [1, 100, 0.1, -14.266],
    'never' => [0, 50, 0.1, -10.536],
    'nothing to go by' => [0, 0, 0.1, 0.0],
]);

it('cuts a title into the phrases that may be terms', function (string $title, array $phrases) {
    expect(TitlePhrases::of($title))->toBe($phrases);
})->with([
    [
        'Influence of caffeine before the night shift upon near misses: a pilot study',
        ['caffeine', 'night shift', 'near misses'],
    ],
    ['Sick leave and its relation to twelve-hour shifts: a survey in Ingleford', ['sick leave', 'twelve hour shifts']],
    ['Light Visors In Tram Drivers', ['light visors', 'tram drivers']],
    ['', []],
]);

it('says what a concept is about by what its records carry oftener than others', function () {
    $within = [['Adults', 'Bright light'], ['Adults', 'Bright light', 'Vision'], ['Bright light'], ['Adults']];
    $outside = [['Adults'], ['Adults', 'Vision'], ['Adults'], ['Night work']];
    expect(ConceptPlace::typical($within, $outside))
        ->toBe(['Bright light'])
        ->and(ConceptPlace::typical([], $outside))
        ->toBe([]);
});
