<?php

namespace Tests\Core\Matching;

use WaryHeron\Core\Matching\Evidence;

/** What a line of evidence says once fields in it are told otherwise; "recurrent" and conflicts are told as in rules.txt. */
function toldOtherwise(string $line, string $change): Evidence
{
    [$agreements, $others] = [...explode(' | ', $line, 2), ''];
    $fields = [];
    foreach (explode(', ', "{$agreements}, {$change}") as $told) {
        if ($told !== '') {
            $fields[strtok($told, ' ')] = $told;
        }
    }
    [$comparison, $isRecurrent] = Told::evidence(implode(', ', $fields).($others === '' ? '' : " | {$others}"));

    return new Evidence($comparison, $isRecurrent);
}

it('says what its agreements come to', function (string $property, string $line, array $still, array $noMore) {
    $says = fn (string $change): bool => toldOtherwise($line, $change)->$property();
    expect($says(''))->toBeTrue();
    foreach ($still as $change) {
        expect($says($change))->toBeTrue("{$line}, but {$change}");
    }
    foreach ($noMore as $change) {
        expect($says($change))->toBeFalse("{$line}, but {$change}");
    }
})->with([
    'a DOI' => ['isSameDoi', 'doi Same', ['title Different'], ['doi NearlySame', 'doi Different', 'doi Unknown']],
    'a page' => ['isSamePage', 'pages Same', [], ['pages NearlySame', 'pages Different', 'pages Unknown']],
    'a volume' => [
        'isSameVolume',
        'volume Same',
        ['volume Exchanged'],
        ['volume NearlySame', 'volume Different', 'volume Unknown'],
    ],
    'a place: the page of one volume, in what is no other journal' => [
        'isSamePlace',
        'journal Same, volume Same, pages Same',
        ['journal OneHoldsOther', 'journal Unknown', 'volume Exchanged'],
        ['journal Different', 'volume NearlySame', 'volume Unknown', 'pages NearlySame', 'pages Unknown'],
    ],
    'a title that may be of one work' => [
        'isLikeTitle',
        'title Same, authors NoneSame',
        ['title Respelt', 'title WithoutSubtitle', 'title Translated'],
        ['title WordsAdded', 'title WordsDiffer', 'title Different', 'title Unknown'],
    ],
    'a title that many bear, with the same first author' => [
        'isLikeTitle',
        'title Same, authors FirstSame | recurrent',
        ['authors Same', 'title Translated'],
        ['authors SomeSame', 'authors NoneSame', 'title WordsAdded'],
    ],
    'a title that many bear, of other people, at one place by its DOI' => [
        'isLikeTitle',
        'title Same, authors SomeSame, volume Same, pages Same, doi Same | recurrent',
        ['pages Different', 'volume Different', 'pages Different, volume Exchanged'],
        ['doi NearlySame', 'doi Unknown', 'pages Different, volume Different', 'pages Unknown, volume Unknown'],
    ],
    'confirmed by the DOI' => ['isConfirmed', 'title Different, doi Same', ['title Unknown'], ['doi NearlySame', 'doi Unknown']],
    'confirmed by the place' => [
        'isConfirmed',
        'title Different, volume Same, pages Same',
        ['journal OneHoldsOther'],
        ['volume Different', 'pages NearlySame', 'journal Different'],
    ],
    'confirmed by a page of one journal under a like title' => [
        'isConfirmed',
        'title Respelt, journal Same, volume Different, pages Same',
        ['journal OneHoldsOther', 'title Translated'],
        ['journal Unknown', 'journal Different', 'pages NearlySame', 'title WordsAdded'],
    ],
    'known without a title, by DOI and place' => [
        'isKnown',
        'title Unknown, volume Same, pages Same, doi Same',
        ['title Same, doi Different, pages Different'],
        ['doi NearlySame', 'pages Unknown', 'volume Different', 'title Different', 'title WordsAdded'],
    ],
    'the same in one issue' => [
        'isSameInOneIssue',
        'title Same, authors Same, year Same, journal Same, volume Same, issue Same',
        ['title Respelt', 'volume Exchanged', 'pages Different'],
        [
            'title WithoutSubtitle', 'authors FirstSame', 'authors Unknown', 'year OneApart', 'year Unknown',
            'journal OneHoldsOther', 'journal Unknown', 'volume NearlySame', 'issue Different', 'issue Unknown',
        ],
    ],
    'a second DOI alone' => [
        'hasOneSlip',
        'title Same, authors Same, year Same, journal Same, volume Same, issue Same, pages Same, doi Different',
        [
            'pages NearlySame', 'pages Unknown', 'volume Unknown', 'issue Unknown', 'journal OneHoldsOther',
            'journal Unknown', 'pages NearlySame, volume Unknown, issue Unknown',
        ],
        [
            'title Respelt', 'title Unknown', 'authors FirstSame', 'authors Unknown', 'year OneApart', 'year Unknown',
            'journal Different', 'issue Different', 'pages Unknown, issue Unknown', 'pages Unknown, volume Unknown',
            'pages Unknown, volume Exchanged', 'pages Different', 'volume NearlySame', 'doi Same',
        ],
    ],
    'one page alone' => [
        'hasOneSlip',
        'title Same, authors Same, year Same, volume Same, pages Different',
        ['issue Same', 'doi NearlySame', 'journal Same'],
        ['volume Exchanged', 'volume Unknown', 'year OneApart', 'year Unknown', 'doi Different', 'issue Different'],
    ],
    'one volume alone, the page the same' => [
        'hasOneSlip',
        'title Same, authors Same, year Same, volume Different, pages Same',
        ['year OneApart', 'year Unknown', 'pages NearlySame', 'volume NearlySame'],
        ['year YearsApart', 'pages Unknown', 'pages Unknown, issue Same', 'volume Same'],
    ],
    'one digit of the volume alone, the issue the same' => [
        'hasOneSlip',
        'title Same, authors Same, year OneApart, volume NearlySame, issue Same',
        ['year Same'],
        ['volume Different', 'issue Unknown', 'issue Different'],
    ],
]);

it('sees no slip in a title that many bear, nor where something else speaks against them', function (string $against) {
    $slip = 'title Same, authors Same, year Same, volume Same, issue Same, pages Same, doi Different';
    expect(toldOtherwise($slip, '')->hasOneSlip())->toBeTrue()
        ->and(toldOtherwise("{$slip} | {$against}", '')->hasOneSlip())->toBeFalse();
})->with(['recurrent', 'Kind', 'Part', 'Mark', 'Genre', 'Words']);
