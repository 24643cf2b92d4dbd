<?php

namespace Tests\Core\Bibliography\DoiElsewhere;

use WaryHeron\Core\Bibliography\Doi;
use WaryHeron\Core\Bibliography\Format\Formats;
use WaryHeron\Core\Bibliography\Reference;

function only(string $format, string $text): Reference
{
    $stream = fopen('php://memory', 'r+b');
    fwrite($stream, $text);
    rewind($stream);
    [$one] = iterator_to_array(Formats::readers()[$format]->read($stream), false);
    assert($one instanceof Reference);

    return $one;
}

it('finds the DOI of a record that has no field of its own for it', function (string $format, string $text) {
    expect(only($format, $text)->doi)->toBe('10.71111/abc.5');
})->with([
    'an address in RIS' => ['ris', "TY  - JOUR\nTI  - Lamps\nUR  - https://doi.org/10.71111/ABC.5\nER  - \n"],
    'the second address' => [
        'ris',
        "TY  - JOUR\nTI  - Lamps\nUR  - https://lamps.example/1\nUR  - http://dx.doi.org/10.71111/abc.5\nER  - \n",
    ],
    'a link in RIS' => ['ris', "TY  - JOUR\nTI  - Lamps\nL3  - 10.71111/abc.5\nER  - \n"],
    'a note of its kind in RIS' => ['ris', "TY  - JOUR\nTI  - Lamps\nM3  - doi: 10.71111/abc.5\nER  - \n"],
    'BibTeX' => ['bibtex', "@article{k, title={Lamps}, url={https://doi.org/10.71111/abc.5}}\n"],
    'a note in BibTeX' => ['bibtex', "@article{k, title={Lamps}, note={doi: 10.71111/abc.5}}\n"],
    'CSL-JSON' => ['csl-json', '[{"title":"Lamps","URL":"https://doi.org/10.71111/abc.5"}]'],
    'NBIB' => ['nbib', "PMID- 1\nTI  - Lamps\nURL - https://doi.org/10.71111/abc.5\n\n"],
    'a table' => ['csv', "Title,Link\nLamps,https://doi.org/10.71111/abc.5\n"],
    'MODS' => [
        'mods',
        '<mods><titleInfo><title>Lamps</title></titleInfo><location><url>https://doi.org/10.71111/abc.5</url></location></mods>',
    ],
]);

it('takes no address for one that only holds it, and none before the one that is named', function () {
    $page = 'https://lamps.example/article/10.71111/abc.5/full';
    expect(Doi::named('', [$page, 'see 10.71111/abc.5', 'https://doi.org/']))->toBe('')
        ->and(Doi::named('10.71111/Own', ['https://doi.org/10.71111/other']))->toBe('10.71111/own')
        ->and(Doi::named('not one', ['https://doi.org/10.71111/other']))->toBe('not one');
});

it('reads names that a line or a catalogue puts together', function (string $format, string $text, array $names) {
    $authors = array_map(fn ($name): string => $name->inverts(), only($format, $text)->authors);
    expect($authors)->toBe($names);
})->with([
    'columns of their own' => [
        'csv',
        "Title,Author 1,Year,Author 2,Author 3\nL,\"Kolbe, A\",2001,\"Haas, M\",\n",
        ['Kolbe, A', 'Haas, M'],
    ],
    'initials behind the family name' => [
        'bibtex',
        '@article{k, title={L}, author={Kolbe A and Haas M.-L. and Ines Okafor and Wei XU}}',
        ['Kolbe, A', 'Haas, M.-L.', 'Okafor, Ines', 'XU, Wei'],
    ],
    'several initials behind the family name' => [
        'bibtex',
        '@article{k, title={L}, author={Kolbe A. B. and van der Lind M.}}',
        ['Kolbe, A. B.', 'van der Lind, M.'],
    ],
    'parted by semicolons' => ['ris', "TY  - JOUR\nTI  - L\nAU  - Kolbe, A;Haas, M\nER  - \n", ['Kolbe, A', 'Haas, M']],
    'a life behind it' => [
        'mods',
        '<mods><titleInfo><title>L</title></titleInfo><name type="personal"><namePart>Kolbe, Anna, 1960-</namePart></name></mods>',
        ['Kolbe, Anna'],
    ],
    'a life that ended' => [
        'mods',
        '<mods><titleInfo><title>L</title></titleInfo><name><namePart>Kolbe, Anna (1911–1999)</namePart></name></mods>',
        ['Kolbe, Anna'],
    ],
    'a person in the order of speech' => [
        'mods',
        '<mods><titleInfo><title>L</title></titleInfo><name type="personal"><namePart>Anna M. Kolbe</namePart></name></mods>',
        ['Kolbe, Anna M.'],
    ],
    'a body' => [
        'mods',
        '<mods><titleInfo><title>L</title></titleInfo><name><namePart>Night Lamp Office</namePart></name></mods>',
        ['Night Lamp Office'],
    ],
    'an office of 1998' => [
        'mods',
        '<mods><titleInfo><title>L</title></titleInfo><name type="corporate"><namePart>Lamps 1998</namePart></name></mods>',
        ['Lamps 1998'],
    ],
]);

it('keeps quotation marks within a quoted cell, and costs no other cell', function (string $row, array $title) {
    $one = only('csv', "title,authors,year\n{$row}\n\"Rooms\",\"Lind, J\",2001\n");
    expect([$one->title, $one->year, $one->authors[0]->inverts()])->toBe([...$title, 'Okafor, I']);
})->with([
    'within' => ['"Lamps "bright" at night","Okafor, I",2019', ['Lamps "bright" at night', 2019]],
    'doubled' => ['"Lamps ""bright"" at night","Okafor, I",2019', ['Lamps "bright" at night', 2019]],
    'before the cell goes on' => ['"Bright" lamps,"Okafor, I",2019', ['Bright lamps', 2019]],
    'none' => ['Bright lamps,"Okafor, I",2019', ['Bright lamps', 2019]],
]);
