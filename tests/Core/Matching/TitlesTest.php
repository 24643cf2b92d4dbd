<?php

use WaryHeron\Core\Matching\Field\TitleText;

it('writes titles in one manner', function (string $title, string $text) {
    expect(TitleText::of($title)->text)->toBe($text);
})->with([
    'case, accents and punctuation' => ['Écoles, NIGHTS & naps!', 'ecoles nights and naps'],
    'an apostrophe' => ['Nurses’ naps and nurse\'s lamps', 'nurses naps and nurses lamps'],
    'Greek letters' => ['β-waves of σ and ς', 'beta waves of sigma and sigma'],
    'markup' => ['Lamps of <i>wards</i> and H<sub>2</sub>O', 'lamps of wards and h2o'],
    'entities twice over' => ['Lamps &amp;amp; beds', 'lamps and beds'],
    'a comparison, which is no markup' => ['Naps < 20 min', 'naps 20 min'],
    'LaTeX' => ['Lamps of {Br\"u}nn', 'lamps of brunn'],
    'numbers in words' => ['Twelve naps in the third night', '12 naps in the 3rd night'],
    'British spelling' => ['Organisation of haematology wards, colour and analyse', 'organization of hematology wards color and analyze'],
    'doubled letters and endings' => ['Travelling programme dialogue in metres', 'traveling program dialog in meters'],
    'older spelling, all of it' => [
        'Foetal phase: realising, realised, realise, analysing, ageing, judgement, centre',
        'fetal fase realizing realized realize analyzing aging judgment center',
    ],
    'words of four letters, and of three' => ['Aeon of aex', 'eon of aex'],
    'short words as they are' => ['Sole ale', 'sole ale'],
    'a retracted one' => ['RETRACTED: Lamps of the ward', 'lamps of the ward'],
    'one withdrawn' => ['Withdrawn – Lamps of the ward.', 'lamps of the ward'],
    'one in brackets' => ['[Lamps of the ward].', 'lamps of the ward'],
]);

it('keeps apart what a title is besides the thing itself', function (string $title, string $kind, string $text) {
    $made = TitleText::of($title);
    expect([$made->kind, $made->text])->toBe([$kind, $text]);
})->with([
    'the thing itself' => ['Lamps of the ward', '', 'lamps of the ward'],
    'an erratum' => ['Erratum: Lamps of the ward', 'correction', 'lamps of the ward'],
    'a correction by the publisher' => ['Publisher correction to: Lamps of the ward', 'correction', 'lamps of the ward'],
    'a corrigendum behind' => ['Lamps of the ward (Corrigendum)', 'correction', 'lamps of the ward'],
    'a correction with its place' => ['Correction: Lamps of the ward [J. Lamps 64 (2023) 510-526]', 'correction', 'lamps of the ward'],
    'a correction with its place in round brackets' => ['Correction: Lamps of the ward (Ward Stud 2023; 4: 17)', 'correction', 'lamps of the ward'],
    'a comment with a year in brackets' => ['Comment on: Lamps of the ward (Ward Stud 2023)', 'comment', 'lamps of the ward ward stud 2023'],
    'a reply to a comment that is called both' => ['Reply to: Comment on: Lamps of the ward', 'reply', 'lamps of the ward'],
    'a place alone' => ['Lamps of the ward (vol 18, pg 1047, 2005)', 'correction', 'lamps of the ward'],
    'a retraction' => ['Retraction notice to: Lamps of the ward', 'retraction', 'lamps of the ward'],
    'a reply' => ['Reply to: Lamps of the ward', 'reply', 'lamps of the ward'],
    'the authors’ reply' => ['Lamps of the ward: authors’ reply', 'reply', 'lamps of the ward'],
    'a response to a comment' => ['Response to the comment on Lamps of the ward', 'reply', 'lamps of the ward'],
    'a response that is a thing itself' => ['Response to bright lamps', '', 'response to bright lamps'],
    'a comment' => ['Comment on: Lamps of the ward', 'comment', 'lamps of the ward'],
    'a commentary behind' => ['Lamps of the ward [Commentary]', 'comment', 'lamps of the ward'],
    'a letter' => ['Letter to the editor: Lamps of the ward', 'comment', 'lamps of the ward'],
    'data' => ['Data from: Lamps of the ward', 'data', 'lamps of the ward'],
    'a title of that word alone' => ['Erratum:', 'correction', 'erratum'],
]);

it('keeps apart the parts, updates and years that a title tells', function (string $title, string $marks, string $years) {
    $made = TitleText::of($title);
    expect([$made->marks, $made->years])->toBe([$marks, $years]);
})->with([
    'none' => ['Lamps of the ward', '', ''],
    'a part' => ['Lamps of the ward, part 2', 'part 2', ''],
    'a part by a Roman number' => ['Lamps of the ward. Part IV', 'part 4', ''],
    'a part by a letter' => ['Lamps of the ward, part B', 'part b', ''],
    'a number at the end' => ['Lamps of the ward III', 'part 3', ''],
    'a report by its place' => ['Lamps of the ward: second report', 'part 2', ''],
    'an interim report' => ['Lamps of the ward: interim results', 'part interim', ''],
    'two parts' => ['Lamps of the ward, paper 3, part 1', 'part 1, part 3', ''],
    'one part said twice' => ['Part 1: lamps of the ward, part 1', 'part 1', ''],
    'an update' => ['Lamps of the ward: an updated systematic review', 'update', ''],
    'an update of a year' => ['Lamps of the ward: 2021 update', 'update', '2021'],
    'a protocol' => ['Lamps of the ward: protocol of a trial', 'protocol', ''],
    'a protocol of a part' => ['Lamps of the ward: protocol, part 2', 'part 2, protocol', ''],
    'years' => ['Lamps of wards, 1998 to 2006 and 1998', '', '1998 2006'],
    'numbers that are no years' => ['Lamps of 1750 and 2150 wards', '', ''],
]);

it('knows what is given in brackets', function (string $title, bool $isBracketed) {
    expect(TitleText::of($title)->bracketed)->toBe($isBracketed);
})->with([
    ['[Lamps of the ward]', true],
    ['[Lamps of the ward].', true],
    ['Lamps [of the ward]', false],
    ['[Lamps] of the ward', false],
]);
