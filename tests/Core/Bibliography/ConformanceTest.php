<?php

use App\Files\In\ReferenceFile;
use WaryHeron\Core\Bibliography\Format\Formats;
use WaryHeron\Core\Bibliography\Format\Reading;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\Format\UnusableFile;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Bibliography\SourceField;

/** @return resource */
function streamOf(string $text)
{
    $stream = fopen('php://temp', 'w+');
    fwrite($stream, $text);
    rewind($stream);

    return $stream;
}

/** @return list<Reference|UnreadableRecord> */
function readAs(string $format, string $text, Reading $reading = new Reading()): array
{
    return iterator_to_array(Formats::readers()[$format]->read(streamOf($text), $reading), false);
}

function writtenAs(string $format, array $references): string
{
    return implode('', [...Formats::writers()[$format]->write($references)]);
}

/** Records with everything that makes trouble, the same ones every time. */
function troublesome(int $seed, array $extra): Reference
{
    $random = new Random\Randomizer(new Random\Engine\Mt19937($seed));
    $words = [
        'Night',
        'lux & lamps',
        '50 % of',
        'α-rhythm',
        'naïve',
        'Łódź',
        '{light}',
        '"bright"',
        'a_b',
        '$5',
        '#3',
        '~7 h',
        'C:\\lamps',
        'n–m',
        'a--b',
        "O'Dea",
        'x^2',
        '<i>lux</i>',
        '数',
        'well—lit',
        '=SUM(A1)',
        '`tick`',
        'and',
        'é́',
        '@home',
        'Ã',
        'ER',
        'half; done',
        "two''s",
    ];
    $some = fn (int $most): string => implode(
        ' ',
        array_map(fn (): string => $words[$random->getInt(0, count($words) - 1)], range(1, $random->getInt(1, $most))),
    );
    $maybe = fn (string $value): string => $random->getInt(0, 3) === 0 ? '' : $value;
    $year = $random->getInt(1950, 2026);
    $names = [
        new Name('Okafor', 'Ines N.'),
        new Name('van de Laar', 'Ö.'),
        new Name('Haas', 'M.', 'Jr'),
        new Name('The Lamp & Lux Group'),
        new Name('Ó Sé-Łuk', 'Jean-Ürs'),
        new Name("d'Arnaud", 'É.'),
        new Name('Night and Day Study Group'),
    ];
    $first = $maybe((string) $random->getInt(1, 900));

    return new Reference(
        type: PublicationType::cases()[$seed % count(PublicationType::cases())],
        title: $some(12),
        authors: array_slice($random->shuffleArray($names), 0, $random->getInt(0, 5)),
        year: $year,
        date: [(string) $year, "{$year}-04", "{$year}-04-09", "{$year}/11//"][$random->getInt(0, 3)],
        journal: ($journal = $maybe('Annals of '.$some(2))),
        journalShort: $journal === '' ? '' : $maybe('Ann. Lamps'),
        volume: $maybe((string) $random->getInt(1, 90)),
        issue: $maybe('Suppl 2'),
        firstPage: $first,
        lastPage: $first === '' ? '' : $maybe((string) ((int) $first + 8)),
        doi: $maybe('10.71111/lamp_'.$seed.'(2)'),
        urls: array_slice(['https://lamps.example/a?b=c&d=%20e', 'https://lux.example/'], 0, $random->getInt(0, 2)),
        abstract: $maybe($some(60)),
        keywords: array_slice(
            $random->shuffleArray(['Night work', 'Light', 'Work, shift', 'α-amylase']),
            0,
            $random->getInt(0, 3),
        ),
        language: $maybe('English'),
        publisher: $maybe('Lux & Sons'),
        place: $maybe('Tarvik'),
        issn: $maybe('1234-567X'),
        accession: $maybe("A/{$seed}"),
        id: "R{$seed}",
        extra: array_values(array_filter(array_map(SourceField::fromPair(...), $extra))),
        editors: array_slice($random->shuffleArray($names), 0, $random->getInt(0, 2)),
        series: $maybe('Lamps and Lux'),
        edition: $maybe('2nd'),
        isbn: $maybe('978-0-00-000000-2'),
    );
}

dataset('formats', [
    'ris' => ['ris', [['N1', 'a note = with {signs}'], ['C1', 'first'], ['C1', 'second']]],
    'nbib' => ['nbib', [['OWN', 'LAMP'], ['GR', 'LX-1/Lux & Sons']]],
    'bibtex' => ['bibtex', [['note', '50 % {of} it'], ['x-lamp', '~']]],
    'csl-json' => ['csl-json', [['N1', 'note'], ['any name', 'é']]],
    'mods' => ['mods', [['note', 'a note'], ['N1', ' kept <as> it is ']]],
    'csv' => ['csv', [['N1', 'note; "quoted"'], ['=any', "'name"]]],
]);

it('gives back what it has room for', function (string $format, array $extra) {
    $given = array_map(fn (int $seed): Reference => troublesome($seed, $seed % 2 === 0 ? $extra : []), range(1, 120));
    $text = writtenAs($format, $given);
    expect(Formats::recognise(substr($text, 0, 4096)))->toBe($format);
    $read = readAs($format, $text);
    expect(count($read))->toBe(120);
    foreach ($given as $i => $reference) {
        expect($read[$i]->toArray())->toEqual($reference->toArray());
    }
    // and what is read is written the same again, byte for byte
    expect(writtenAs($format, $read))->toBe($text);
})->with('formats');

it('keeps title, names, place and numbers over any two formats', function (string $from, string $to) {
    $given = array_map(fn (int $seed): Reference => troublesome($seed, []), range(1, 40));
    $read = readAs($to, writtenAs($to, readAs($from, writtenAs($from, $given))));
    foreach ($given as $i => $reference) {
        expect($read[$i]->toArray())->toEqual($reference->toArray());
    }
})
    ->with(['ris', 'nbib', 'bibtex', 'csl-json', 'mods', 'csv'])
    ->with(['ris', 'nbib', 'bibtex', 'csl-json', 'mods', 'csv']);

it('goes on after a bad record, and says where it is', function (
    string $format,
    string $text,
    int $line,
    string $why,
    int $good,
) {
    $read = readAs($format, $text);
    $bad = array_values(array_filter($read, fn (object $one): bool => $one instanceof UnreadableRecord));
    expect($bad)
        ->toHaveCount(1)
        ->and($bad[0]->line)
        ->toBe($line)
        ->and($bad[0]->message)
        ->toContain($why)
        ->and($bad[0]->text)
        ->not->toBe('');
    expect(count($read) - 1)->toBe($good);
})->with([
    'ris without title' => [
        'ris',
        "TY  - JOUR\nTI  - A\nER  - \nTY  - JOUR\nPY  - 2001\nER  - \nTY  - JOUR\nTI  - C\nER  - \n",
        4,
        'no title',
        2,
    ],
    'nbib without title' => ['nbib', "PMID- 1\nTI  - A\n\nDP  - 2001\nLA  - eng\n\nPMID- 3\nTI  - C\n", 4, 'no title', 2],
    'bibtex never closed' => [
        'bibtex',
        "@article{a, title = {A}}\n@article{b, title = {B\n@article{c, title = {C}}\n",
        2,
        'does not end',
        2,
    ],
    'bibtex with a field that is none' => [
        'bibtex',
        "@article{a, title = {A}}\n\n@article{b, title = {B} {C}}\n@article{c, title = {C}}",
        3,
        'cannot be read at',
        2,
    ],
    'bibtex cut off' => [
        'bibtex',
        "@article{a, title = {A}}\n@article{b, title = {B},\n author = {",
        2,
        'does not end',
        1,
    ],
    'csl without title' => [
        'csl-json',
        "[{\"id\":1,\"title\":\"A\"},\n{\"id\":2},\n{\"id\":3,\"title\":\"C\"}]",
        2,
        'no title',
        2,
    ],
    'csl not json' => [
        'csl-json',
        "[{\"id\":1,\"title\":\"A\"},\n{\"id\":2,,\"title\":\"B\"},\n{\"id\":3,\"title\":\"C\"}]",
        2,
        'not valid JSON',
        2,
    ],
    'csl cut off' => ['csl-json', "[{\"id\":1,\"title\":\"A\"},\n{\"id\":2,\"title\":\"B", 2, 'ends within', 1],
    'mods not well formed' => [
        'mods',
        "<modsCollection xmlns=\"http://www.loc.gov/mods/v3\">\n<mods><titleInfo><title>A</title></titleInfo></mods>\n<mods><titleInfo><title>B</titleInfo></mods>\n<mods><titleInfo><title>C</title></titleInfo></mods></modsCollection>",
        3,
        'not well formed',
        2,
    ],
    'mods cut off' => [
        'mods',
        "<mods xmlns=\"http://www.loc.gov/mods/v3\"><titleInfo><title>A</title></titleInfo></mods>\n<mods xmlns=\"http://www.loc.gov/mods/v3\"><titleInfo>",
        2,
        'ends within',
        1,
    ],
    'csv without title' => ['csv', "id,title\n1,A\n2,\n3,C\n", 3, 'no title', 2],
    'csv with too many cells' => ['csv', "id,title\n1,A\n2,B,b\n3,C\n", 3, '3 cells', 2],
    'csv with an open quote' => ['csv', "id,title\n1,A\n2,\"B\n3,C\n4,D\n", 3, 'never closed', 3],
]);

it('reads RIS however it is put', function (string $text, array $titles) {
    expect(
        array_map(fn (Reference $one): string => "{$one->type->value} {$one->title} {$one->year}", readAs('ris', $text)),
    )->toBe($titles);
})->with([
    'tags before their type' => [
        "ID  - 1\nTI  - A\nTY  - JOUR\nPY  - 2020\nER  - \nTI  - B\nTY  - CONF\nER  -\n",
        ['article A 2020', 'conference B '],
    ],
    'no ends' => ["TY  - JOUR\nTI  - A\nTY  - JOUR\nTI  - B\n", ['article A ', 'article B ']],
    'wrapped lines' => [
        "TY  - JOUR\nTI  - A long\n   title on\nlines\nY1  - 1999/03//\nER  - \n",
        ['article A long title on lines 1999'],
    ],
    'no blank behind the dash' => [
        "TY  -JOUR\nTI  -Lamps\nAB  - seen with\nT2 -weighted pictures\nPY  -2001\nER  -\n",
        ['article Lamps 2001'],
    ],
    'zeros between the letters' => [
        implode("\0", str_split("TY  - JOUR\r\nTI  - Lamps\r\nER  - \r\n"))."\0",
        ['article Lamps '],
    ],
    'doubled line ends' => [
        "TY  - JOUR\r\r\nTI  - Lamps\r\r\nER  - \r\r\n\r\r\nTY  - JOUR\r\r\nTI  - Visors\r\r\nER  - \r\r\n",
        ['article Lamps ', 'article Visors '],
    ],
    'no type at all' => [
        "TY  - JOUR\nTI  - A\nER  - \n\nTI  - B\nY1  - 2001\nER  - \n",
        ['article A ', 'other B 2001'],
    ],
]);

it('reads BibTeX as TeX means it', function () {
    $text = <<<'BIB'
    @comment{ @article{never, title = {No}} }
    @preamble{"\newcommand{\x}{}"}
    @string{nm = "Nocturnal " # {Medicine}}
    Text between entries is a comment.
    @InProceedings{child, crossref = {parent}, title = {The $\alpha$ of {\'E}clair: \emph{bright} ``light''}, author = "Ines von der Okafor and {Lamp {\&} Lux Group} and Haas, Jr., Mirela and S{\o}rensen, \AA{}ge and others", pages = {S12--S19}}
    @proceedings(parent, title = {Congress of Lamps}, year = 2019, month = apr)
    @article{b, author = {G\"unther, K.~L. and {\v S}im{\'a}nek, Z.}, title = "Night {"}work{"} at 5\,\% \& more", journal = nm # {, Series B}, year = {2020}, keywords = {a; b, c}, url = {https://lamps.example/a\_b}}
    BIB;
    [$child, $proceedings, $article] = readAs('bibtex', $text);
    $read = [$proceedings->title => $proceedings, $child->title => $child, $article->title => $article];
    $child = $read['The α of Éclair: bright “light”'];
    expect($child->journal)
        ->toBe('Congress of Lamps')
        ->and($child->year)
        ->toBe(2019)
        ->and([$child->firstPage, $child->lastPage])
        ->toBe(['S12', 'S19'])
        ->and($child->authors)
        ->toEqual([
            new Name('von der Okafor', 'Ines'),
            new Name('Lamp & Lux Group'),
            new Name('Haas', 'Mirela', 'Jr.'),
            new Name('Sørensen', 'Åge'),
            new Name('et al.'),
        ]);
    $article = $read['Night "work" at 5 % & more'];
    expect($article->journal)
        ->toBe('Nocturnal Medicine, Series B')
        ->and($article->keywords)
        ->toBe(['a', 'b, c'])
        ->and($article->urls)
        ->toBe(['https://lamps.example/a_b'])
        ->and($article->authors)
        ->toEqual([new Name('Günther', 'K. L.'), new Name('Šimánek', 'Z.')]);
});

it('reads tables of any delimiter and heading', function (string $text) {
    [$one] = readAs('csv', $text);
    expect($one->title)
        ->toBe('Lamps, at night')
        ->and($one->authors)
        ->toEqual([new Name('Okafor', 'I.N.'), new Name('van der Haas', 'M')])
        ->and($one->year)
        ->toBe(2020)
        ->and([$one->firstPage, $one->lastPage])
        ->toBe(['3', '9'])
        ->and($one->extra)
        ->toEqual([new SourceField('Funding', 'none')]);
})->with([
    "Article Title,Author(s),Publication Year,Pages,Funding\n\"Lamps, at night\",Okafor I.N.; van der Haas M,2020,3-9,none\n",
    "sep=;\nTitle;Authors;Year;Pages;Funding\nLamps, at night;\"Okafor I.N.; van der Haas M\";2020;3–9;none\n",
    "TITLE\tAUTHORS\tYEAR\tPAGES\tFunding\r\nLamps, at night\tOkafor I.N., van der Haas M\t2020\t3--9\tnone\r\n",
]);

it('finds the encoding', function (string $bytes, string $found, string $title) {
    $reading = new Reading();
    expect(Formats::recognise($bytes))->toBe('ris');
    expect(readAs('ris', $bytes, $reading)[0]->title)->toBe($title)->and($reading->found)->toBe($found);
})->with(function () {
    $text = "TY  - JOUR\r\nTI  - Café “😀” Łuk\r\nER  - \r\n";
    yield 'UTF-8 with mark' => ["\xEF\xBB\xBF{$text}", 'UTF-8', 'Café “😀” Łuk'];
    yield 'UTF-16LE with mark' => [
        "\xFF\xFE".mb_convert_encoding($text, 'UTF-16LE', 'UTF-8'),
        'UTF-16LE',
        'Café “😀” Łuk',
    ];
    yield 'UTF-16BE with mark' => [
        "\xFE\xFF".mb_convert_encoding($text, 'UTF-16BE', 'UTF-8'),
        'UTF-16BE',
        'Café “😀” Łuk',
    ];
    yield 'UTF-16LE without' => [mb_convert_encoding($text, 'UTF-16LE', 'UTF-8'), 'UTF-16LE', 'Café “😀” Łuk'];
    yield 'Windows-1252' => ["TY  - JOUR\nTI  - Caf\xE9 \x93x\x94\nER  - \n", 'Windows-1252', 'Café “x”'];
    yield 'encoded twice' => [
        "TY  - JOUR\nTI  - ".mb_convert_encoding('Café – Søren', 'UTF-8', 'Windows-1252')."\nER  - \n",
        'UTF-8',
        'Café – Søren',
    ];
    yield 'looks so, but is not certain' => ["TY  - JOUR\nTI  - NÃO É Ã© ł\nER  - \n", 'UTF-8', 'NÃO É Ã© ł'];
});

it('refuses what cannot be read at all, and says why', function (string $bytes, string $why) {
    $path = (string) tempnam(sys_get_temp_dir(), 'heron');
    file_put_contents($path, $bytes);
    try {
        expect(
            fn () => iterator_to_array((new ReferenceFile($path, ReferenceFile::formatOf($path)))->records(), false),
        )->toThrow(UnusableFile::class, $why);
    } finally {
        unlink($path);
    }
})->with([
    'nothing' => ['', 'empty'],
    'blanks' => [" \n\n", 'empty'],
    'a picture named so' => ["\x89PNG\r\n\x1A\n\0\0\0\rIHDR", 'binary'],
    'prose' => ["Dear all,\nthe lamps are lit.\n", 'known format'],
    'entities' => [
        '<?xml version="1.0"?><!DOCTYPE m [<!ENTITY a "aaa">]><modsCollection xmlns="http://www.loc.gov/mods/v3"><mods><titleInfo><title>&a;</title></titleInfo></mods></modsCollection>',
        'entities',
    ],
    'entities further in' => [
        "<modsCollection xmlns=\"http://www.loc.gov/mods/v3\">\n<!DOCTYPE m [<!ENTITY a SYSTEM \"file:///etc/hostname\">]>\n<mods><titleInfo><title>&a;</title></titleInfo></mods></modsCollection>",
        'entities',
    ],
    'a table without titles' => ["id,year,kind\n1,2020,x\n", 'holds titles'],
]);

it('bounds what it holds, whatever the file says', function (string $format, string $beginning) {
    $stream = fopen('php://temp/maxmemory:1048576', 'w+');
    fwrite($stream, $beginning);
    for ($i = 0; $i < 40; $i++) {
        fwrite($stream, str_repeat('lamp ', 200_000));
    }
    rewind($stream);
    $before = memory_get_usage();
    memory_reset_peak_usage();
    foreach (Formats::readers()[$format]->read($stream) as $one) {
        expect($one)->toBeInstanceOf(UnreadableRecord::class);
    }
    expect(memory_get_peak_usage() - $before)->toBeLessThan(32 * 1_048_576);
})->with([
    ['ris', "TY  - JOUR\nTI  - "],
    ['nbib', "PMID- 1\nTI  - "],
    ['bibtex', '@article{a, title = {'],
    ['csl-json', '[{"title":"'],
    ['mods', '<mods xmlns="http://www.loc.gov/mods/v3"><titleInfo><title>'],
    ['csv', "id,title\n1,\""],
]);

it('keeps what has no title, told by what it has', function (string $format, string $text, string $shown) {
    [$one] = readAs($format, $text);
    expect($one)
        ->toBeInstanceOf(Reference::class)
        ->and($one->title)
        ->toBe('')
        ->and($one->suppliedTitle())
        ->toBe($shown);
    // and so through every format that can say it
    foreach (Formats::writers() as $other => $writer) {
        [$again] = readAs($other, writtenAs($other, [$one]));
        expect($again)
            ->toBeInstanceOf(Reference::class, $other)
            ->and($again->title)
            ->toBe('', $other)
            ->and($again->suppliedTitle())
            ->toBe($shown, $other);
    }
})->with([
    [
        'ris',
        "TY  - JOUR\nAU  - Kolbe, Anna\nAU  - Strand, Ben\nPY  - 2004\nJO  - Nocturnal Medicine\nVL  - 12\nSP  - 3\nER  - \n",
        '[Untitled: Kolbe A and others, 2004, Nocturnal Medicine, 12:3]',
    ],
    ['nbib', "PMID- 7\nAU  - Kolbe A\nDP  - 2004\n", '[Untitled: Kolbe A, 2004]'],
    [
        'bibtex',
        '@article{a, author = {Kolbe, Anna}, year = 2004, journal = {Nocturnal Medicine}}',
        '[Untitled: Kolbe A, 2004, Nocturnal Medicine]',
    ],
    ['csl-json', '[{"id":1,"type":"article-journal","DOI":"10.71111/lamp"}]', '[Untitled: 10.71111/lamp]'],
    ['ris', "TY  - GEN\nN1  - A letter of the guild\nER  - \n", '[Untitled: A letter of the guild]'],
    ['csv', "title,authors,year\n,\"Kolbe, Anna\",2004\n", '[Untitled: Kolbe A, 2004]'],
    [
        'mods',
        '<mods xmlns="http://www.loc.gov/mods/v3"><name type="personal"><namePart type="family">Kolbe</namePart><namePart type="given">Anna</namePart></name></mods>',
        '[Untitled: Kolbe A]',
    ],
]);

it('reads MODS of before, and MODS that names no namespace', function (string $open, string $close) {
    $read = readAs('mods', "{$open}<titleInfo><title>Lamps</title></titleInfo>{$close}");
    expect(array_map(fn (object $one): string => $one->title ?? $one->message, $read))->toBe(['Lamps']);
})->with([
    ['<modsCollection xmlns="http://www.loc.gov/mods/"><mods>', '</mods></modsCollection>'],
    ['<mods xmlns="http://www.loc.gov/mods/v2">', '</mods>'],
    ['<modsCollection><mods version="3.4">', '</mods></modsCollection>'],
    ['<mods>', '</mods>'],
    ['<mods xmlns="https://www.loc.gov/mods/v3/">', '</mods>'],
]);

it('refuses a mods element of somebody else’s namespace', function () {
    [$one] = readAs(
        'mods',
        '<mods xmlns="http://heron.example/other"><titleInfo><title>Lamps</title></titleInfo></mods>',
    );
    expect($one)->toBeInstanceOf(UnreadableRecord::class)->and($one->message)->toContain('namespace');
});

it('decodes stateful encodings before it looks for brackets and quotes', function () {
    $title = '夜勤の看護師と光「照明」'; // in its two-byte form it holds quotes, brackets and percent signs
    $bytes = mb_convert_encoding(
        "@article{a, title = {{$title}}, author = {高橋, 花}}\n@article{b, title = {Lamps}}",
        'ISO-2022-JP',
        'UTF-8',
    );
    $reading = new Reading();
    expect(array_map(fn (Reference $one): string => $one->title, readAs('bibtex', $bytes, $reading)))
        ->toBe([$title, 'Lamps'])
        ->and($reading->found)
        ->toBe('ISO-2022-JP');
});
