<?php

use WaryHeron\Core\Bibliography\Doi;
use WaryHeron\Core\Bibliography\Format\Formats;
use WaryHeron\Core\Bibliography\Format\Reading;
use WaryHeron\Core\Bibliography\Keywords;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\Pages;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Bibliography\Year;

it('finds a DOI however it is written', function (string $text, ?string $doi) {
    expect(Doi::normalised($text))->toBe($doi);
})->with([
    ['10.71111/ABC', '10.71111/abc'],
    ['DOI 10.71111/abc.', '10.71111/abc'],
    ['doi:10.71111/abc', '10.71111/abc'],
    ['urn:doi:10.71111/abc', '10.71111/abc'],
    ['info:doi/10.71111/abc', '10.71111/abc'],
    ['10.71111/abc [doi]', '10.71111/abc'],
    ['[10.71111/abc]', '10.71111/abc'],
    ['https://lamps.example/doi/full/10.71111/abc', '10.71111/abc'],
    ['https://doi.org/10.71111/abc?from=list', '10.71111/abc'],
    ['https://lamps.example/find?doi=10.71111/abc', '10.71111/abc'],
    ['10.71111/abc;10.71111/def', '10.71111/abc'],
    ['10.71111/abc, 10.71111/def', '10.71111/abc'],
    ['10.71111/(SICI)1097-0142(19990101)85:1<10::AID-LMP2>3.0.CO;2-P', '10.71111/(sici)1097-0142(19990101)85:1<10::aid-lmp2>3.0.co;2-p'],
    ['https://doi.org/10.71111/(SICI)1097%3C10::AID%3E3.0.CO;2-P', '10.71111/(sici)1097<10::aid>3.0.co;2-p'],
    ['10.71111/1521(200101)57:1&lt;59::aid&gt;2.0.co;2-0', '10.71111/1521(200101)57:1<59::aid>2.0.co;2-0'],
    ['<doi>10.71111/abc</doi>', '10.71111/abc'],
    ['none', null],
    ['10.71111', null],
]);

it('finds all DOIs of a text', function () {
    expect(Doi::all('See 10.71111/a, and (10.71111/b(1)), 10.71111/a; 10.71111/c<1::x>3.0.co;2-k.'))
        ->toBe(['10.71111/a', '10.71111/b(1)', '10.71111/c<1::x>3.0.co;2-k'])
        ->and(Doi::all('none'))->toBe([]);
});

it('keeps a DOI with brackets through every format', function (string $format) {
    $doi = '10.71111/(sici)1097-0142(19990101)85:1<10::aid-lmp2>3.0.co;2-p';
    $one = new Reference(PublicationType::Article, 'Lamps', [new Name('Lind', 'Ora')], 1999, doi: $doi);
    $stream = fopen('php://memory', 'r+b');
    fwrite($stream, implode('', [...Formats::writers()[$format]->write([$one])]));
    rewind($stream);
    $read = iterator_to_array(Formats::readers()[$format]->read($stream, new Reading()), false);
    expect($read[0]->doi)->toBe($doi);
})->with(['ris', 'nbib', 'bibtex', 'csl-json', 'mods', 'csv']);

it('parts pages however they are written', function (string $pages, array $parts) {
    $read = Pages::of($pages);
    expect([$read->first, $read->last])->toBe($parts);
})->with([
    ['123-130', ['123', '130']],
    ['pp. 123–30', ['123', '30']],
    ['pp 123 - 130', ['123', '130']],
    ['S12-S15', ['S12', 'S15']],
    ['iv-xii', ['iv', 'xii']],
    ['1-12.e3', ['1', '12.e3']],
    ['e1-e9', ['e1', 'e9']],
    ['123-', ['123', '']],
    ['123', ['123', '']],
    ['e123', ['e123', '']],
    ['123, 125-130', ['123, 125-130', '']],
    ['', ['', '']],
]);

it('finds the year of a date however it is written', function (string $date, ?int $year) {
    expect(Year::of($date))->toBe($year);
})->with([
    ['2004', 2004],
    ['12.05.2004', 2004],
    ['Sept 2004', 2004],
    ['c2004', 2004],
    ['1999a', 1999],
    ['2004/2005', 2004],
    ['20040512', 2004],
    ['20041350', null],
    ['12345678', null],
    ['in press', null],
    ['99', null],
]);

it('parts keywords however they are set apart', function (string $text, array $words) {
    expect(Keywords::split($text))->toBe($words);
})->with([
    ['lamps; nights, long; wards', ['lamps', 'nights, long', 'wards']],
    ['lamps, nights', ['lamps', 'nights']],
    ['lamps | nights', ['lamps', 'nights']],
    ['lamps · nights · wards', ['lamps', 'nights', 'wards']],
    ['lamps•nights', ['lamps', 'nights']],
    ["lamps\nnights", ['lamps', 'nights']],
    ['lamps \sep nights, long', ['lamps', 'nights, long']],
    ['lamps', ['lamps']],
    ['', []],
]);

it('gives keywords back as they were joined', function (array $words) {
    expect(Keywords::split(Keywords::joined($words)))->toBe($words);
})->with([
    [['lamps', 'nights, long']],
    [['nights, long']],
    [['nights | long']],
    [['nights · long']],
    [['lamps']],
    [[]],
]);
