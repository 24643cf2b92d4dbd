<?php

use WaryHeron\Core\Bibliography\KeptValues;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;

/** @return array<string, mixed> the CSL-JSON of the last entry */
function cslOf(string $bibtex): array
{
    $items = json_decode(writtenAs('csl-json', readAs('bibtex', $bibtex)), true);

    return array_diff_key(end($items), ['id' => 1, 'custom' => 1]);
}

it('gives reference lists what books, chapters, reports and theses need', function (string $entry, array $expected) {
    expect(cslOf($entry))->toEqual($expected);
})->with([
    'a book in a series' => [
        '@book{b, author={Ora Lind}, editor={Pim Ost and Ula von Rask}, title={Wicks}, subtitle={Threads}, titleaddon={An addition}, series={Light Studies}, number=7, edition=3, isbn={978-0-00-000000-2}, date={1723~}}',
        [
            'type' => 'book',
            'title' => 'Wicks: Threads. An addition',
            'author' => [['family' => 'Lind', 'given' => 'Ora']],
            'editor' => [
                ['family' => 'Ost', 'given' => 'Pim'],
                ['family' => 'Rask', 'given' => 'Ula', 'non-dropping-particle' => 'von'],
            ],
            'collection-title' => 'Light Studies',
            'collection-number' => '7',
            'edition' => '3',
            'ISBN' => '978-0-00-000000-2',
            'issued' => ['date-parts' => [[1723]], 'circa' => true],
        ],
    ],
    'a patent in three countries' => [
        '@patent{p, author={Ora Lind}, title={A visor}, number={NV-29702}, location={countryfr and countryuk and Tarvik}, date=1998}',
        [
            'type' => 'patent',
            'title' => 'A visor',
            'author' => [['family' => 'Lind', 'given' => 'Ora']],
            'number' => 'NV-29702',
            'publisher-place' => 'France; United Kingdom; Tarvik',
            'issued' => ['date-parts' => [[1998]]],
        ],
    ],
    'a page that was published at an address' => [
        '@misc{m, author={{Lamp Board}}, title={Lamp facts}, howpublished={Available online: \\url{http://lamps.example/facts}}, year=2012}',
        [
            'type' => 'document',
            'title' => 'Lamp facts',
            'author' => [['literal' => 'Lamp Board']],
            'URL' => 'http://lamps.example/facts',
            'issued' => ['date-parts' => [[2012]]],
        ],
    ],
    'what was published in a way of its own' => [
        '@misc{m, title={Lamp facts}, howpublished={Handed out at the door}, url={http://lamps.example}, year=2012}',
        [
            'type' => 'document',
            'title' => 'Lamp facts',
            'publisher' => 'Handed out at the door',
            'URL' => 'http://lamps.example',
            'issued' => ['date-parts' => [[2012]]],
        ],
    ],
    'a talk at a meeting' => [
        '@inproceedings{t, author={Ora Lind}, editor={Pim Ost}, title={Weak lamps}, booktitle={Light}, booksubtitle={New ways}, booktitleaddon={Papers of the eighth meeting}, eventdate={1968-05-19/1968-05-25}, venue={Tarvik}, publisher={Wick Press}, date=1969, pages={367--377}}',
        [
            'type' => 'paper-conference',
            'title' => 'Weak lamps',
            'author' => [['family' => 'Lind', 'given' => 'Ora']],
            'editor' => [['family' => 'Ost', 'given' => 'Pim']],
            'container-title' => 'Light: New ways. Papers of the eighth meeting',
            'event-date' => ['date-parts' => [[1968, 5, 19], [1968, 5, 25]]],
            'event-place' => 'Tarvik',
            'publisher' => 'Wick Press',
            'page' => '367-377',
            'issued' => ['date-parts' => [[1969]]],
        ],
    ],
    'an issue of a periodical' => [
        '@periodical{i, title={Lamps and Nights}, issuetitle={On visors}, editor={Pim Ost}, year=2011, volume=35, number=4, issn={0000-0000}}',
        [
            'type' => 'article-journal',
            'title' => 'On visors',
            'editor' => [['family' => 'Ost', 'given' => 'Pim']],
            'container-title' => 'Lamps and Nights',
            'volume' => '35',
            'issue' => '4',
            'ISSN' => '0000-0000',
            'issued' => ['date-parts' => [[2011]]],
        ],
    ],
    'a chapter of a volume' => [
        '@inbook{c, author={Ora Lind}, title={Oil}, booktitle={Fuels}, booksubtitle={Old ones}, maintitle={Lamps}, volume=2, bookauthor={Tor Ek}, editor={E. Dal}, pages={1--20}, date={-0044}, publisher={Glow House and Wick Press}, location={Tarvik and Soel}}',
        [
            'type' => 'chapter',
            'title' => 'Oil',
            'author' => [['family' => 'Lind', 'given' => 'Ora']],
            'editor' => [['family' => 'Dal', 'given' => 'E.']],
            'container-title' => 'Lamps',
            'volume-title' => 'Fuels: Old ones',
            'container-author' => [['family' => 'Ek', 'given' => 'Tor']],
            'volume' => '2',
            'page' => '1-20',
            'publisher' => 'Glow House; Wick Press',
            'publisher-place' => 'Tarvik; Soel',
            'issued' => ['date-parts' => [[-45]]],
        ],
    ],
    'a volume by itself, its whole named by another entry' => [
        '@book{v, crossref={w}, title={Oil}, volume=2} @mvbook{w, author={Ora Lind}, title={Lamps}, subtitle={A history}, publisher={{Glow and Sons}}, year=1988}',
        [
            'type' => 'book',
            'title' => 'Lamps: A history',
            'volume-title' => 'Oil',
            'author' => [['family' => 'Lind', 'given' => 'Ora']],
            'volume' => '2',
            'publisher' => 'Glow and Sons',
            'issued' => ['date-parts' => [[1988]]],
        ],
    ],
    'a thesis' => [
        '@mastersthesis{t, author={Ora Lind}, title={Wicks}, school={College of Soel}, year=1999, month=jun}',
        [
            'type' => 'thesis',
            'title' => 'Wicks',
            'author' => [['family' => 'Lind', 'given' => 'Ora']],
            'publisher' => 'College of Soel',
            'genre' => 'Master’s thesis',
            'issued' => ['date-parts' => [[1999, 6]]],
        ],
    ],
    'a report' => [
        '@report{r, author={{Lamp Board}}, title={Wicks}, type={techreport}, number={TR-4}, institution={Lamp Board}, date={1988/1994}}',
        [
            'type' => 'report',
            'title' => 'Wicks',
            'author' => [['literal' => 'Lamp Board']],
            'publisher' => 'Lamp Board',
            'number' => 'TR-4',
            'genre' => 'technical report',
            'issued' => ['date-parts' => [[1988], [1994]]],
        ],
    ],
    'a page' => [
        '@online{o, title={Wicks}, organization={Lamp Board}, url={https://lamps.example/}, urldate={2010-01-02}, date={2009}}',
        [
            'type' => 'webpage',
            'title' => 'Wicks',
            'publisher' => 'Lamp Board',
            'URL' => 'https://lamps.example/',
            'accessed' => ['date-parts' => [[2010, 1, 2]]],
            'issued' => ['date-parts' => [[2009]]],
        ],
    ],
    'a special issue' => [
        '@periodical{p, title={Nocturnal Medicine}, issuetitle={Wicks}, editor={E. Dal}, volume=3, date={2000}}',
        [
            'type' => 'article-journal',
            'title' => 'Wicks',
            'container-title' => 'Nocturnal Medicine',
            'editor' => [['family' => 'Dal', 'given' => 'E.']],
            'volume' => '3',
            'issued' => ['date-parts' => [[2000]]],
        ],
    ],
]);

it('takes "and" in a firm\'s name for a list only where the entry is one of BibLaTeX', function (
    string $entry,
    string $publisher,
) {
    expect(readAs('bibtex', $entry)[0]->publisher)->toBe($publisher);
})->with([
    ['@book{a, title={T}, publisher={Glow and Sons}, year=1988}', 'Glow and Sons'],
    ['@book{a, title={T}, publisher={Glow and Sons}, date=1988}', 'Glow; Sons'],
    ['@book{a, title={T}, publisher={{Glow and Sons}}, date=1988}', 'Glow and Sons'],
]);

it('brings a record of BibTeX back out of CSL-JSON whole', function () {
    $read = readAs(
        'bibtex',
        '@mastersthesis{t, title={Wicks}, school={College of Soel}, year=1999, translator={Q. Rask}, note={Printed}, type={Essay}} @online{o, title={W}, urldate={2010-01-02}}',
    );
    $back = readAs('csl-json', writtenAs('csl-json', $read));
    foreach ($read as $at => $reference) {
        expect($back[$at]->toArray())->toEqual($reference->toArray());
    }
});

it('keeps the title of a part where the format has a place for it, and with the title elsewhere', function (
    string $format,
    PublicationType $type,
) {
    $given = new Reference(
        $type,
        'Oil',
        journal: $type === PublicationType::Chapter ? 'Lamps' : '',
        partTitle: 'Fuels',
        id: 'R1',
    );
    [$read] = readAs($format, writtenAs($format, [$given]));
    expect([$read->fullTitle(), $read->containerTitle()])->toBe([$given->fullTitle(), $given->containerTitle()]);
    if (! in_array($format, ['ris', 'nbib'], true)) {
        expect($read->toArray())->toEqual($given->toArray());
    }
})
    ->with(['ris', 'nbib', 'bibtex', 'csl-json', 'mods', 'csv'])
    ->with([PublicationType::Chapter, PublicationType::Book]);

it('tells numbers of serials and books apart in RIS', function (array $numbers, string $issn, string $isbn) {
    [$read] = readAs(
        'ris',
        "TY  - BOOK\nTI  - Wicks\nT2  - Light Studies\nA2  - Ost, Pim\n".
            implode('', array_map(fn (string $number): string => "SN  - {$number}\n", $numbers)).
            "ER  - \n",
    );
    expect([$read->issn, $read->isbn, $read->series, $read->journal, $read->editors])->toEqual([
        $issn,
        $isbn,
        'Light Studies',
        '',
        [new Name('Ost', 'Pim')],
    ]);
})->with([
    [['1234-567X'], '1234-567X', ''],
    [['978-0-00-000000-2'], '', '978-0-00-000000-2'],
    [['0-00-000000-0', '1234-5679'], '1234-5679', '0-00-000000-0'],
    [['12345679'], '12345679', ''],
    [['9780000000002 (print)'], '', '9780000000002 (print)'],
    [['none'], 'none', ''],
]);

it('reads editors, books and parts of other formats', function (string $format, string $text) {
    [$read] = readAs($format, $text);
    expect([
        $read->title,
        $read->containerTitle(),
        $read->series,
        $read->edition,
        $read->isbn,
        array_map(fn (Name $name): string => $name->inverts(), $read->editors),
        array_map(fn (Name $name): string => $name->inverts(), $read->authors),
    ])->toBe(['Oil', 'Lamps', 'Light Studies', '2nd', '978-0-00-000000-2', ['Ost, Pim'], ['Lind, Ora']]);
})->with([
    [
        'nbib',
        "PMID- 1\nTI  - Oil\nBTI - Lamps\nCTI - Light Studies\nEN  - 2nd\nISBN- 978-0-00-000000-2 (print)\nFAU - Lind, Ora\nAU  - Lind O\nFED - Ost, Pim\nED  - Ost P\n",
    ],
    [
        'mods',
        '<mods xmlns="http://www.loc.gov/mods/v3"><titleInfo><title>Oil</title></titleInfo><name><namePart type="family">Lind</namePart><namePart type="given">Ora</namePart></name><genre>book chapter</genre><relatedItem type="host"><titleInfo><title>Lamps</title></titleInfo><name><namePart type="family">Ost</namePart><namePart type="given">Pim</namePart><role><roleTerm>editor</roleTerm></role></name><originInfo><edition>2nd</edition></originInfo><identifier type="isbn">978-0-00-000000-2</identifier><relatedItem type="series"><titleInfo><title>Light Studies</title></titleInfo></relatedItem></relatedItem></mods>',
    ],
    [
        'csv',
        "title,authors,editors,book title,series,edition,isbn\nOil,\"Lind, Ora;\",\"Ost, Pim;\",Lamps,Light Studies,2nd,978-0-00-000000-2\n",
    ],
]);

it('shows of joined records the longest list of editors, and what a person chose once only', function () {
    $kept = KeptValues::of([
        new Reference(PublicationType::Book, 'Lamps', partTitle: 'Oil', editors: [new Name('Ost', 'Pim')]),
        new Reference(
            PublicationType::Book,
            'Lamps',
            editors: [new Name('Ost', 'P.'), new Name('Rask', 'U.')],
            isbn: '978-0-00-000000-2',
        ),
    ]);
    expect([count($kept->reference->editors), $kept->reference->isbn, $kept->reference->fullTitle()])->toBe([
        2,
        '978-0-00-000000-2',
        'Lamps. Oil',
    ]);
    expect($kept->with(['title' => 'Lamps. Oil, wicks', 'editors' => 'Ost, Pim'])->fullTitle())->toBe(
        'Lamps. Oil, wicks',
    );
    expect((new Reference(PublicationType::Thesis, 'x', publisher: 'College of Soel'))->appearedIn())->toBe(
        'College of Soel',
    );
});

it('reads files of many megabytes that are one line', function (string $format) {
    $given = array_map(
        fn (int $n): Reference => new Reference(
            PublicationType::Article,
            "Lamps “{$n}” at night",
            [new Name('Lind', 'Ora')],
            2004,
            '2004',
            'Annals of Lamps',
            abstract: str_repeat("Lux \\ \"quoted\", née {$n}. ", 40),
            id: "R{$n}",
        ),
        range(1, 3000),
    );
    $line = str_replace("\n", ' ', writtenAs($format, $given));
    expect(strlen($line))->toBeGreaterThan(2_500_000);
    $read = readAs($format, $line);
    expect($read)->toHaveCount(3000);
    foreach ([0, 1000, 1200, 2999] as $at) {
        expect([$read[$at]->title, trim($read[$at]->abstract)])->toBe([
            $given[$at]->title,
            trim($given[$at]->abstract),
        ]);
    }
    expect(
        array_unique(
            array_map(fn (Reference $one): int => strlen(trim($one->abstract)) - strlen("{$one->id}") * 40, $read),
        ),
    )->toHaveCount(1);
})->with(['bibtex', 'csl-json']);

it('reads CSL-JSON however it is wrapped and typed', function (string $json, array $expected) {
    $read = readAs('csl-json', $json);
    expect(
        array_map(
            fn (Reference $one): string => "{$one->id}|{$one->title}|{$one->year}|".
                implode(';', array_map(fn (Name $name): string => $name->inverts(), $one->authors)),
            $read,
        ),
    )->toBe($expected);
})->with([
    'each under its key' => [
        '{"a": {"id": "a", "title": "Oil"}, "b": {"id": "b", "title": "Wicks", "issued": {"date-parts": [["2004"]]}}}',
        ['a|Oil||', 'b|Wicks|2004|'],
    ],
    'a list under a name, on lines' => [
        "{\n  \"references\": [\n    {\"id\": 1,\n \"title\": \"Oil\"},\n {\"id\": 2, \"title\": \"Wicks\"}\n]}",
        ['1|Oil||', '2|Wicks||'],
    ],
    'one item that begins with its date' => [
        '{"issued": {"date-parts": [2004, 4]}, "id": "a", "title": "Oil"}',
        ['a|Oil|2004|'],
    ],
    'one item that begins with its authors' => [
        '{"author": [{"name": "Lamp Board"}, "Lind, Ora"], "id": "a", "title": ["Oil"]}',
        ['a|Oil||Lamp Board;Lind, Ora'],
    ],
    'authors as text' => [
        '[{"id": "a", "title": "Oil", "author": "Lind, Ora; Ost, Pim", "issued": "4 May 1999"}]',
        ['a|Oil|1999|Lind, Ora;Ost, Pim'],
    ],
]);

it('reads letters that come by shifts', function () {
    [$read] = readAs('bibtex', mb_convert_encoding("@article{a, title = {야간 근무 lamps}}\n", 'ISO-2022-KR', 'UTF-8'));
    expect($read->title)->toBe('야간 근무 lamps');
});
