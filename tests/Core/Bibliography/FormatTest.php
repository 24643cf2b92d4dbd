<?php

use WaryHeron\Core\Bibliography\Doi;
use WaryHeron\Core\Bibliography\Format\Bibtex\BibtexWriter;
use WaryHeron\Core\Bibliography\Format\CslJson\CslJsonWriter;
use WaryHeron\Core\Bibliography\Format\Csv\CsvLine;
use WaryHeron\Core\Bibliography\Format\Nbib\NbibWriter;
use WaryHeron\Core\Bibliography\Format\Ris\RisReader;
use WaryHeron\Core\Bibliography\Format\Ris\RisWriter;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Bibliography\SourceField;
use WaryHeron\Core\Matching\ExactKeys;

function risOf(string $text): array
{
    $stream = fopen('php://memory', 'w+');
    fwrite($stream, $text);
    rewind($stream);

    return iterator_to_array((new RisReader())->read($stream), false);
}

it('reads both generations of RIS', function () {
    [$old, $new] = risOf(
        "TY  - JOUR\r\nT1  - A lamp\r\nA1  - Okafor, Ines\r\nA1  - The Lamp Group\r\nY1  - 2019/04//\r\nJF  - Nocturnal Medicine\r\nN2  - First\r\n      second\r\nER  - \r\n\r\nTY  - CPAPER\nTI  - Another\nAU  - Haas, M.\nPY  - 2020\nT2  - Congress\nDO  - https://doi.org/10.71111/ABC.\nM3  - Talk\nER  - ",
    );
    expect($old->title)
        ->toBe('A lamp')
        ->and($old->year)
        ->toBe(2019)
        ->and($old->abstract)
        ->toBe('First second')
        ->and($old->authors)
        ->toEqual([new Name('Okafor', 'Ines'), new Name('The Lamp Group')]);
    expect($new->type)
        ->toBe(PublicationType::Conference)
        ->and($new->doi)
        ->toBe('10.71111/abc')
        ->and($new->journal)
        ->toBe('Congress')
        ->and($new->extra)
        ->toEqual([new SourceField('M3', 'Talk')])
        ->and($new->line)
        ->toBe(11);
});

it('keeps the good records and reports the bad ones by line', function () {
    $read = risOf(
        "stray words\nTY  - JOUR\nTI  - Good\nER  - \nTY  - JOUR\nPY  - 2001\nER  - \nTY  - JOUR\nTI  - No end here\nTY  - JOUR\nTI  - Last\n",
    );
    expect(
        array_map(
            fn (object $r): string => $r instanceof Reference ? $r->title : "line {$r->line}: {$r->message}",
            $read,
        ),
    )->toBe([
        'Good',
        'line 5: The record has no title, nor an author, DOI, journal, publisher or note to tell it by. Add a TI line, or leave it out.',
        'No end here',
        'Last',
    ]);
    expect($read[1]->text)->toContain('2001');
});

it('loses nothing in a round trip', function (string $file) {
    $read = risOf((string) file_get_contents(__DIR__."/{$file}"));
    $again = risOf(implode('', [...(new RisWriter())->write($read)]));
    expect(count($read))->toBeGreaterThan(20);
    foreach ($read as $i => $reference) {
        expect($again[$i]->toArray())->toBe($reference->toArray());
        expect(Reference::fromArray(json_decode(json_encode($reference->toArray()), true))->toArray())->toBe(
            $reference->toArray(),
        );
    }
})->with(['earlier.ris', 'later.ris']);

it('writes nothing that starts a tag of its own', function () {
    $evil = new Reference(PublicationType::Article, "One\nER  - \nTY  - JOUR\nTI  - Two", id: "a\rER  - ");
    expect(risOf(implode('', [...(new RisWriter())->write([$evil])])))->toHaveCount(1);
});

it('takes the sting out of formulas, and leaves numbers alone', function (string $cell, string $written) {
    expect(CsvLine::defused($cell))->toBe($written);
})->with([
    ['=1+1', "'=1+1"],
    ['+cmd', "'+cmd"],
    ['-1', '-1'],
    ['-1.5', '-1.5'],
    ['-1+2', "'-1+2"],
    ['@SUM(A1)', "'@SUM(A1)"],
    ["\t=1", "'\t=1"],
    [' =1', "' =1"],
    ['＝1', "'＝1"],
    ['night', 'night'],
    ['', ''],
]);

it('writes CSL-JSON', function () {
    $items = json_decode(
        implode('', [
            ...(new CslJsonWriter())->write([
                new Reference(
                    PublicationType::Conference,
                    'A lamp',
                    [new Name('Haas', 'Mirela'), new Name('Lamp Group')],
                    2020,
                    firstPage: '1',
                    lastPage: '4',
                ),
            ]),
        ]),
        true,
    );
    expect($items[0])->toMatchArray([
        'type' => 'paper-conference',
        'title' => 'A lamp',
        'page' => '1-4',
        'issued' => ['date-parts' => [[2020]]],
        'author' => [['family' => 'Haas', 'given' => 'Mirela'], ['literal' => 'Lamp Group']],
    ]);
    expect(json_decode(implode('', [...(new CslJsonWriter())->write([])]), true))->toBe([]);
});

it('writes tagged text', function () {
    $text = implode('', [
        ...(new NbibWriter())->write([
            new Reference(
                PublicationType::Article,
                str_repeat('A long title ', 12),
                [new Name('Okafor', 'Ines N.')],
                2017,
                journal: "Nocturnal\nMedicine",
                firstPage: '3',
                lastPage: '9',
                doi: '10.7000/x',
                keywords: ['Light', 'Night work'],
                id: '77',
            ),
        ]),
    ]);
    expect($text)
        ->toStartWith("PMID- 77\r\n")
        ->toContain("\r\nFAU - Okafor, Ines N.\r\nAU  - Okafor IN\r\n")
        ->toContain("LID - 10.7000/x [doi]\r\n")
        ->toContain("JT  - Nocturnal Medicine\r\n")
        ->toContain("OT  - Light\r\nOT  - Night work\r\n")
        ->toContain("PG  - 3-9\r\n");
    foreach (explode("\r\n", trim($text)) as $line) {
        expect($line)->toMatch('/^(?:[A-Z]{2,4} *- |      )\S/')->and(mb_strlen($line))->toBeLessThanOrEqual(94);
    }
});

it('writes BibTeX that TeX does not trip over', function () {
    $references = [
        new Reference(
            PublicationType::Article,
            'Light {at} 50% & more_or_less',
            [new Name('Ó Sé', 'Úna'), new Name('Strand', 'B.')],
            2017,
            journal: 'Lamps \\ Nights',
            firstPage: '1',
            lastPage: '2',
        ),
        new Reference(PublicationType::Conference, 'Light {at} 50% & more_or_less', [new Name('Ó Sé', 'Úna')], 2017),
    ];
    $text = implode('', [...(new BibtexWriter())->write($references)]);
    expect($text)
        ->toContain('@article{o2017light,')
        ->toContain('@inproceedings{o2017light-2,')
        ->toContain('title = {{Light \\{at\\} 50\\% \\& more\\_or\\_less}}')
        ->toContain('author = {Ó Sé, Úna and Strand, B.}')
        ->toContain('journal = {Lamps \\textbackslash{} Nights}')
        ->toContain('pages = {1--2}');
    expect(substr_count($text, '{') - substr_count($text, '\\{'))->toBe(
        substr_count($text, '}') - substr_count($text, '\\}'),
    );
});

it('normalises DOIs', function (string $given, ?string $doi) {
    expect(Doi::normalised($given))->toBe($doi);
})->with([
    ['10.71111/AbC', '10.71111/abc'],
    ['https://doi.org/10.71111/x%28y%29z', '10.71111/x(y)z'],
    ['doi: 10.71111/abc.', '10.71111/abc'],
    ['none', null],
    ['', null],
]);

it('knows what makes two records one', function () {
    $key = fn (string $title, ?int $year, string $author, string $doi = ''): ExactKeys => ExactKeys::of(
        new Reference(PublicationType::Article, $title, [new Name($author)], $year, doi: $doi),
    );
    expect($key('A Lamp: for nights.', 2020, 'Özkaya'))->toEqual($key('a lamp for NIGHTS', 2020, 'Ozkaya'));
    expect($key('A lamp', 2020, 'Haas')->work)
        ->not->toBe($key('A lamp', 2021, 'Haas')->work)
        ->not->toBe($key('A lamp', 2020, 'Haase')->work);
    expect($key('A lamp', null, 'Haas')->work)->toBeNull()->and($key('A lamp', 2020, '')->work)->toBeNull();
});
