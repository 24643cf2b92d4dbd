<?php

use WaryHeron\Core\FullText\CopyMatcher;
use WaryHeron\Core\FullText\CopyOffer;
use WaryHeron\Core\FullText\ReportOfStudy;
use WaryHeron\Core\FullText\SameStudy;
use WaryHeron\Core\FullText\WantedCopy;

/** @return array<string, WantedCopy> */
function sought(): array
{
    $trial = 'Bright light and reaction time in ward nurses: a randomised trial';

    return [
        'a' => new WantedCopy($trial, '10.71000/nm.2020.1'),
        'b' => new WantedCopy("{$trial} in six hospitals", '10.71000/nm.2021.2'),
        'c' => new WantedCopy('Inter-shift naps among ambulance crews', ''),
        'd' => new WantedCopy('Editorial', '10.71000/nm.2020.9'),
    ];
}

it('tells what a PDF is a copy of, and where it cannot tell, what it may be', function (
    string $text,
    ?string $is,
    string $by,
    array $offers,
) {
    $match = (new CopyMatcher(sought()))->match($text);
    expect([$match->publication, $match->by])
        ->toBe([$is, $by])
        ->and(array_map(fn (CopyOffer $one): string => "{$one->publication} {$one->confidence}", $match->offers))
        ->toBe($offers);
})->with([
    'its DOI alone' => ["Some heading\nhttps://doi.org/10.71000/NM.2020.1.\nText.", 'a', 'doi', ['a firm']],
    'DOI and title' => [
        "Bright light and reaction time in ward\nnurses: a randomised trial\ndoi:10.71000/nm.2020.1",
        'a',
        'doi',
        ['a firm'],
    ],
    'a DOI cut by the line' => ["doi: 10.71000/nm.\n2021.2 Received in May", 'b', 'doi', ['b firm']],
    'the longer of two titles' => [
        "Nocturnal Medicine\nBright light and reaction time in ward nurses: a randomised trial in six hospitals\nA. Kolbe",
        'b',
        'title',
        ['b firm'],
    ],
    'a title with its hyphen at the line’s end' => [
        "INTER-\nSHIFT NAPS AMONG AMBULANCE CREWS\nB. Strand",
        'c',
        'title',
        ['c firm'],
    ],
    'a title cut within a word' => ["Inter-shift naps among ambu-\nlance crews", 'c', 'title', ['c firm']],
    'the DOI of another one at the title' => [
        "Bright light and reaction time in ward nurses: a randomised trial\ndoi 10.79999/other.5",
        null,
        '',
        ['a fair', 'b check'],
    ],
    'DOI and title of two' => [
        "Inter-shift naps among ambulance crews\ndoi:10.71000/nm.2020.1",
        null,
        '',
        ['a fair', 'c fair'],
    ],
    'two DOIs' => ['10.71000/nm.2020.1 and 10.71000/nm.2021.2', null, '', ['a fair', 'b fair']],
    'two DOIs, one with its title' => [
        "Correction to 10.71000/nm.2021.2\nBright light and reaction time in ward nurses: a randomised trial (10.71000/nm.2020.1)",
        'a',
        'doi',
        ['a firm'],
    ],
    'a DOI on the second page is one that is cited' => ["Something else altogether\f10.71000/nm.2020.1", null, '', []],
    'a title far from the top is one that is cited' => [
        str_repeat('word ', 200).'Inter-shift naps among ambulance crews',
        null,
        '',
        [],
    ],
    'a title of one word says nothing' => ["Editorial\nWho looks after the night?", null, '', []],
    'most words of a title' => [
        "Naps among crews of ambulance services\nwhen shift follows shift",
        null,
        '',
        ['c check'],
    ],
    'few words of a title' => ['Naps among crews', null, '', []],
    'no text at all' => ['', null, '', []],
    'bytes that are no text' => ["\xFF\xFE10.71000/nm.2020.1", 'a', 'doi', ['a firm']],
]);

it('leads to reports of one study by what they share, and to no others', function (
    array $one,
    array $other,
    ?string $confidence,
) {
    $report = fn (string $id, array $with): ReportOfStudy => new ReportOfStudy(
        $id,
        $with['title'] ?? 'Lamps on the ward',
        $with['authors'] ?? [],
        $with['year'] ?? 2020,
        $with['abstract'] ?? '',
    );
    $leads = SameStudy::leads([
        $report('x', $one),
        $report('y', $other),
        $report('z', ['authors' => ['Fremd O'], 'title' => 'Wholly other work']),
    ]);
    expect(array_column($leads, 'confidence'))->toBe($confidence === null ? [] : [$confidence]);
    if ($confidence !== null) {
        expect([$leads[0]->one, $leads[0]->other])->toBe(['x', 'y'])->and($leads[0]->because)->not->toBe([]);
    }
})->with([
    'a registration number, written twice' => [
        ['abstract' => 'Registered as NTR 20214.', 'title' => 'A'],
        ['abstract' => 'See NTR20214', 'title' => 'B'],
        'firm',
    ],
    'authors and people' => [
        [
            'authors' => ['Kolbe A', 'Strand BT'],
            'abstract' => 'We followed 48 night nurses.',
            'title' => 'First results',
        ],
        [
            'authors' => ['Strand, Ben', 'Kolbe, Anna'],
            'abstract' => 'The 48 nurses slept less.',
            'title' => 'What became of sleep',
        ],
        'fair',
    ],
    'authors and most of the title' => [
        ['authors' => ['Kolbe A', 'Strand B'], 'title' => 'Lamps and errors at night'],
        ['authors' => ['Kolbe A', 'Strand B'], 'title' => 'Lamps and errors at night: follow-up'],
        'fair',
    ],
    'authors and half of the title' => [
        ['authors' => ['Kolbe A', 'Strand B'], 'title' => 'Lamps and errors after naps'],
        ['authors' => ['Kolbe A', 'Strand B'], 'title' => 'Lamps and errors among porters there'],
        'check',
    ],
    'authors alone' => [
        ['authors' => ['Kolbe A', 'Strand B'], 'title' => 'Lamps'],
        ['authors' => ['Kolbe A', 'Strand B'], 'title' => 'Naps'],
        null,
    ],
    'the same words of others' => [['authors' => ['Kolbe A']], ['authors' => ['Varga C']], null],
    'years apart' => [
        ['authors' => ['Kolbe A', 'Strand B'], 'year' => 2001],
        ['authors' => ['Kolbe A', 'Strand B'], 'year' => 2020],
        null,
    ],
]);
