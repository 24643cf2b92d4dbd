<?php

namespace Tests\Core\Bibliography\Refer;

use WaryHeron\Core\Bibliography\Format\Formats;
use WaryHeron\Core\Bibliography\Format\Reading;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\Reference;

/** @return list<Reference|UnreadableRecord> */
function refer(string $text, Reading $reading = new Reading()): array
{
    expect(Formats::recognise($text))->toBe('refer');
    $stream = fopen('php://memory', 'r+b');
    fwrite($stream, $text);
    rewind($stream);

    return iterator_to_array(Formats::readers()['refer']->read($stream, $reading), false);
}

/** @return array<string, mixed> what is not empty, names as indexes have them */
function said(Reference $one): array
{
    $names = fn (array $of): array => array_map(fn (Name $name): string => $name->inverts(), $of);
    $values = [...$one->toArray(), 'authors' => $names($one->authors), 'editors' => $names($one->editors)];

    return array_filter(
        array_diff_key($values, ['source' => 1, 'line' => 1]),
        fn (mixed $value): bool => ! in_array($value, ['', [], null], true),
    );
}

it('reads an article, a chapter, a report and a book, told apart by their fields', function () {
    $read = refer(<<<'REFER'
        %A Anna Kolbe
        %A Karim M. van den Ito
        %T Lamps over ward seven
        %J Annals of Nocturnal Medicine
        %V 12
        %N 3
        %P 211-19
        %D March 2004
        %K lamps; nurses
        %X Wards were lit.
           Nurses slept.

        %A Kolbe, Anna
        %T Of oil
        %B Light and Lamps
        %E Mirela Haas
        %I Fen House
        %C Lund
        %D 1999
        %P 3-9

        %Q Ministry of Lamps
        %T Visors
        %R 7/04
        %I Guild of Light
        %D 2001

        %A A. Kolbe
        %T Wicks
        %I Fen House
        %D 1987
        REFER);
    expect(array_map(said(...), $read))->toBe([
        [
            'type' => 'article',
            'title' => 'Lamps over ward seven',
            'authors' => ['Kolbe, Anna', 'van den Ito, Karim M.'],
            'year' => 2004,
            'date' => 'March 2004',
            'journal' => 'Annals of Nocturnal Medicine',
            'volume' => '12',
            'issue' => '3',
            'firstPage' => '211',
            'lastPage' => '19',
            'abstract' => 'Wards were lit. Nurses slept.',
            'keywords' => ['lamps', 'nurses'],
        ],
        [
            'type' => 'chapter',
            'title' => 'Of oil',
            'authors' => ['Kolbe, Anna'],
            'year' => 1999,
            'date' => '1999',
            'journal' => 'Light and Lamps',
            'firstPage' => '3',
            'lastPage' => '9',
            'publisher' => 'Fen House',
            'place' => 'Lund',
            'editors' => ['Haas, Mirela'],
        ],
        [
            'type' => 'report',
            'title' => 'Visors',
            'authors' => ['Ministry of Lamps'],
            'year' => 2001,
            'date' => '2001',
            'publisher' => 'Guild of Light',
            'extra' => [['R', '7/04']],
        ],
        ['type' => 'book', 'title' => 'Wicks', 'authors' => ['Kolbe, A.'], 'year' => 1987, 'date' => '1987', 'publisher' => 'Fen House'],
    ]);
});

it('reads what programs add: kinds, numbers, addresses, keywords a line, gaps within a record', function () {
    [$lamps, $book] = refer(
        "%0 Journal Article\n%T Lamps\n%A Kolbe, Anna\n%D 2004\n%8 March 3\n%@ 1234-5678\n%R 10.1234/Lamp.7\n".
            "%U https://lamps.example/7\n%K lamps\nnurses at night\n%X One.\n\nTwo.\n%G eng\n%9 Letter\n\n\n".
            "%0 Book Section\n%T Wicks\n%E Haas, Mirela\n%B Light\n%@ 978-1-2345-6789-7\n%D 1999\n",
    );
    expect(said($lamps))->toMatchArray([
        'type' => 'article',
        'year' => 2004,
        'date' => 'March 3 2004',
        'issn' => '1234-5678',
        'doi' => '10.1234/lamp.7',
        'urls' => ['https://lamps.example/7'],
        'keywords' => ['lamps', 'nurses at night'],
        'abstract' => 'One. Two.',
        'extra' => [['0', 'Journal Article'], ['9', 'Letter']],
    ])->and(said($book))->toMatchArray(['type' => 'chapter', 'journal' => 'Light', 'isbn' => '978-1-2345-6789-7']);
});

it('keeps what only some of it tells, refuses what identifies nothing, and says where', function () {
    $reading = new Reading();
    $read = refer("A list of the guild\n%A Anna Kolbe\n%D 2004\n\n%K lamps\n\n%T Visors\n%Z seen\n", $reading);
    expect(array_map(fn (Reference|UnreadableRecord $one): string => $one instanceof Reference
        ? $one->suppliedTitle()
        : "line {$one->line}", $read))->toBe(['[Untitled: Kolbe A, 2004]', 'line 5', 'Visors'])
        ->and($reading->remarks())->toContain('line 1');
});

it('takes no comment of another format for it', function (string $text, string $format) {
    expect(Formats::recognise($text))->toBe($format);
})->with([
    ["% A remark\n%T of two lines\n@article{a, title = {Lamps}}\n", 'bibtex'],
    ["title,year,journal\n\"%A of staff\",2004,Lamps\n\"%T of wards\",2005,Naps\n", 'csv'],
    ["TY  - JOUR\nTI  - Lamps\nAB  - As\n%A of all\n%D of them\nER  - \n", 'ris'],
]);
