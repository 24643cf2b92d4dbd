<?php

namespace Tests\Core\Bibliography\AsFound;

use WaryHeron\Core\Bibliography\Format\Formats;
use WaryHeron\Core\Bibliography\Format\Reading;
use WaryHeron\Core\Bibliography\Format\Table\HeadingRow;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Bibliography\SourceField;

/** Files as programs and people leave them: whatever a careful reader can read is read, in a format told by its beginning. */

/** @return list<Reference|UnreadableRecord> */
function found(string $format, string $text, Reading $reading = new Reading()): array
{
    expect(Formats::recognise(substr($text, 0, 4096)))->toBe($format);
    $stream = fopen('php://memory', 'r+b');
    fwrite($stream, $text);
    rewind($stream);

    return iterator_to_array(Formats::readers()[$format]->read($stream, $reading), false);
}

/** A record in a line: type, title, year, authors, editors, keywords, pages; or why it was refused. */
function told(Reference|UnreadableRecord $one): string
{
    $names = fn (array $names): string => implode('; ', array_map(fn (Name $name): string => $name->inverts(), $names));

    return $one instanceof UnreadableRecord
        ? "refused: {$one->message}"
        : rtrim(
            implode('|', [
                $one->title,
                $one->year,
                $names($one->authors),
                $names($one->editors),
                implode('; ', $one->keywords),
                trim("{$one->firstPage}-{$one->lastPage}", '-'),
            ]),
            '|',
        );
}

it('reads it', function (string $format, string $text, array $records) {
    expect(array_map(told(...), found($format, $text)))->toBe($records);
})->with([
    'RIS with ends that have no dash' => ['ris', "TY  - JOUR\nTI  - Lamps\nER\nTY  - JOUR\nTI  - Naps\nER  \n", ['Lamps', 'Naps']],
    'RIS in small letters' => ['ris', "ty  - jour\nti  - Lamps\nau  - Kolbe, A\npy  - 2004\ner  - \n", ['Lamps|2004|Kolbe, A']],
    'RIS whose text looks like a tag in small letters' => [
        'ris',
        "TY  - JOUR\nTI  - Lamps\nAB  - As\nwe - the crew - slept\nER  - \n",
        ['Lamps'],
    ],
    'RIS whose type is said twice' => ['ris', "TY  - JOUR\nTY  - JOUR\nTI  - Lamps\nER  - \nER  - \n", ['Lamps']],
    'RIS that is indented' => ['ris', "\tTY  - JOUR\n\tTI  - Lamps\n\t  of wards\n\tER  - \n", ['Lamps of wards']],
    'RIS with tabs and long dashes' => [
        'ris',
        "TY\t- JOUR\nTI\t- Lamps\nER\t- \nTY  – JOUR\nTI  — Naps\nER  – \n",
        ['Lamps', 'Naps'],
    ],
    'RIS with all names in one place' => [
        'ris',
        "TY  - JOUR\nTI  - Lamps\nAU  - Kolbe, A., Ito, K.\nAU  - Ude, M., Jr\nAU  - The Ward Group, Night Section, Tern Hospital\nER  - \n",
        ['Lamps||Kolbe, A.; Ito, K.; Ude, M., Jr; The Ward Group, Night Section, Tern Hospital'],
    ],
    'RIS with hard blanks, and signs that nobody sees' => [
        'ris',
        "\u{200B}TY\u{A0}\u{A0}-\u{A0}JOUR\nTI\u{A0}\u{A0}-\u{A0}Lamps\nER\u{A0}\u{A0}-\u{A0}\n\u{FEFF}TY  - JOUR\nTI  - Naps\nER  - \n\x1A",
        ['Lamps', 'Naps'],
    ],
    'RIS with two blanks behind the dash' => ['ris', "TY  -  JOUR\nTI  -  Lamps\nER  -  \n", ['Lamps']],
    'RIS without any blank' => [
        'ris',
        "TY-JOUR\nTI-Lamps\nAU-Kolbe, A\nPY-2004\nAB-Long.\nT2-weighted pictures, and\nIL-6, were had.\nER-\n\nTY-JOUR\nTI-Naps\nER-\n",
        ['Lamps|2004|Kolbe, A', 'Naps'],
    ],
    'RIS with one blank, behind the dash' => ['ris', "TY- JOUR\nTI- Lamps\nER- \n", ['Lamps']],
    'RIS with a name and a keyword a line' => [
        'ris',
        "TY  - JOUR\nTI  - Lamps\n  of wards\nAU  - Kolbe, A\n  Okafor, I\nA2  - Ito, K\n  Ude, M\nKW  - glare\nnaps\nER  - \n",
        ['Lamps of wards||Kolbe, A; Okafor, I|Ito, K; Ude, M|glare; naps'],
    ],
    'tagged text without a blank' => ['nbib', "PMID-123\nTI-Lamps\nAU-Kolbe A\nDP-2004\n", ['Lamps|2004|Kolbe, A']],
    'tagged text that is counted' => [
        'nbib',
        "\n\n1: PMID- 5\nTI  - Lamps\n\n2: PMID- 6\nTI  - Naps\n",
        ['Lamps', 'Naps'],
    ],
    'tagged text with names in full, in short, or both' => [
        'nbib',
        "PMID- 5\nTI  - Lamps\nFAU - Kolbe, Anna Jr\nAU  - Kolbe A Jr\nAU  - Ito K\nED  - Okafor, I\nFED - Okafor, Ines\nFED - Ude, Mo\nED  - Ude M\n",
        ['Lamps||Kolbe, Anna, Jr; Ito, K|Okafor, Ines; Ude, Mo'],
    ],
    'JSON with a comma too much' => [
        'csl-json',
        '[{"title":"Lamps, }","author":[{"family":"Kolbe","given":"A"},],},{"title":"Naps"},]',
        ['Lamps, }||Kolbe, A', 'Naps'],
    ],
    'a table below its heading' => [
        'csv',
        "Export of the third of May\n\nTitle,Authors,Publication Year\nLamps,Kolbe A,2004\n",
        ['Lamps|2004|Kolbe, A'],
    ],
    'JSON of a register of identifiers' => [
        'csl-json',
        '{"message":{"type":"journal-article","title":["Lamps"],"published-print":{"date-parts":[[2004,5]]},"subject":["Glare","Naps"]}}',
        ['Lamps|2004|||Glare; Naps'],
    ],
    'JSON with a year and a month by name' => ['csl-json', '[{"title":"Lamps","issued":{"year":2004,"month":5}}]', ['Lamps|2004']],
    'MODS that names its document type' => [
        'mods',
        "<!DOCTYPE mods SYSTEM \"mods.dtd\">\n<mods><titleInfo><title>Lamps</title></titleInfo></mods>",
        ['Lamps'],
    ],
    'names that commas or semicolons part' => [
        'bibtex',
        '@article{a, title={Lamps}, author={Kolbe, A., Ito, K., Ude, M. B.}} @article{b, title={Naps}, author={Anna Kolbe, Ken Ito, Mo Ude}}'.
        '@article{c, title={Glare}, author={Kolbe, A; M&uuml;ller, K}} @article{d, title={Visors}, author={Kolbe, Jr, Anna}}'.
        '@article{e, title={Rest}, author={family=Kolbe, given=Anna Mo, prefix=van der}}',
        [
            'Lamps||Kolbe, A.; Ito, K.; Ude, M. B.',
            'Naps||Kolbe, Anna; Ito, Ken; Ude, Mo',
            'Glare||Kolbe, A; M&uuml;ller, K',
            'Visors||Kolbe, Anna, Jr',
            'Rest||van der Kolbe, Anna Mo',
        ],
    ],
    'braces that do not pair' => [
        'bibtex',
        "@article{a, title = \"Lamps { of wards\", year = 2004}\n@article{b,\n title = {Naps {of wards},\n year = {2005},\n}\n@article{c, title={Glare}}",
        ['Lamps of wards|2004', 'Naps of wards|2005', 'Glare'],
    ],
    'links and notes within a title' => [
        'bibtex',
        '@article{a, title = {\href{http://a.test/x_y}{Lamps} of wards\footnote{Seen at night}}}',
        ['Lamps of wards (Seen at night)'],
    ],
    'a table whose names only commas part' => [
        'csv',
        "Title,Authors,Year\nLamps,\"Kolbe, A., Ito, K.\",2004\nNaps,\"Anna Kolbe, Ken Ito, Mo Ude\",2005\nGlare,\"Kolbe, Anna\",2006\nRest,\"Kolbe, Jr, Anna\",2007\n",
        ['Lamps|2004|Kolbe, A.; Ito, K.', 'Naps|2005|Anna Kolbe; Ken Ito; Mo Ude', 'Glare|2006|Kolbe, Anna', 'Rest|2007|Kolbe, Jr, Anna'],
    ],
    'a set, which names other works' => [
        'bibtex',
        '@set{s, entryset = {a}} @article{a, title = {Lamps in {\LaTeX}}, date = {199X}}',
        ['Lamps in LaTeX|1990'],
    ],
]);

it('reads MODS as libraries write it', function (string $inner, string $told, string $type = 'article') {
    $read = found('mods', "<mods xmlns=\"http://www.loc.gov/mods/v3\">{$inner}</mods>");
    expect(told($read[0]))->toBe($told)->and($read[0]->type->value)->toBe($type);
})->with([
    'an article before the title that sorts' => [
        '<titleInfo type="alternative"><title>Light</title></titleInfo><titleInfo><nonSort>The</nonSort><title>lamps</title><subTitle>a study</subTitle></titleInfo>',
        'The lamps: a study',
    ],
    'an article that is written together' => [
        "<titleInfo><nonSort>L'</nonSort><title>heure</title></titleInfo>",
        "L'heure",
    ],
    'no title but a translated one' => ['<titleInfo type="translated"><title>Lamps</title></titleInfo>', 'Lamps'],
    'a book, with years of life and who translated it' => [
        '<titleInfo><title>Lamps</title></titleInfo><name type="personal"><namePart type="date">1950-</namePart><namePart>Kolbe, Anna</namePart>'.
        '<role><roleTerm type="code">aut</roleTerm></role></name><name><namePart>Ito, K</namePart><role><roleTerm>translator</roleTerm></role></name>'.
        '<originInfo><dateIssued>c2004</dateIssued><dateIssued encoding="marc">2004</dateIssued><issuance>monographic</issuance></originInfo>'.
        '<typeOfResource>text</typeOfResource>',
        'Lamps|2004|Kolbe, Anna',
        'book',
    ],
    'nobody but who supervised it' => [
        '<titleInfo><title>Lamps</title></titleInfo><name><namePart>Ito, K</namePart><role><roleTerm>supervisor</roleTerm></role></name>',
        'Lamps||Ito, K',
    ],
    'pages by another name, and a part without its host' => [
        '<titleInfo><title>Lamps</title></titleInfo><part><detail type="number"><number>2</number></detail><extent unit="page"><start>3</start><end>9</end></extent><date>2004</date></part>',
        'Lamps|2004||||3-9',
    ],
    'pages in one' => [
        '<titleInfo><title>Lamps</title></titleInfo><relatedItem type="host"><titleInfo><title>Nights</title></titleInfo><genre>book</genre><part><extent unit="pages"><list>pp. 3-9</list></extent></part></relatedItem>',
        'Lamps|||||3-9',
        'chapter',
    ],
    'years from and to, places and times' => [
        '<titleInfo><title>Lamps</title></titleInfo><originInfo><dateIssued point="start">1988</dateIssued><dateIssued point="end">1994</dateIssued></originInfo>'.
        '<subject><topic>Glare</topic></subject><subject><geographic>Varna</geographic></subject>',
        'Lamps|1988|||Glare; Varna',
    ],
    'a picture' => [
        '<titleInfo><title>Lamps</title></titleInfo><typeOfResource>still image</typeOfResource>',
        'Lamps',
        'other',
    ],
]);

it('keeps what somebody else did for a work, and each abstract', function () {
    [$read] = found(
        'mods',
        '<mods xmlns="http://www.loc.gov/mods/v3"><titleInfo><title>Lamps</title></titleInfo><abstract>One.</abstract><abstract>Two.</abstract>'.
        '<name><namePart>Kolbe, A</namePart></name><name><namePart>Ito, K</namePart><role><roleTerm>Translator</roleTerm></role></name>'.
        '<identifier type="DOI">10.71111/lamps</identifier></mods>',
    );
    expect($read->extra)
        ->toEqual([new SourceField('translator', 'Ito, K')])
        ->and($read->abstract)
        ->toBe("One.\n\nTwo.")
        ->and($read->doi)
        ->toBe('10.71111/lamps');
});

it('leaves out what stands outside of any record, and says where that was', function (string $format, string $text, string $said) {
    $reading = new Reading();
    expect(array_map(told(...), found($format, $text, $reading)))->toBe(['Lamps', 'Naps'])->and($reading->remarks())->toBe($said);
})->with([
    'RIS' => [
        'ris',
        "Provider: a library\nContent: text\n\nTY  - JOUR\nTI  - Lamps\nER  - \n\nRecord 2 of 2\nTY  - JOUR\nTI  - Naps\nER  - \n\nThe end of a list of two works on nights, and on days too\n",
        'Text outside of any record was left out: line 1 (“Provider: a library”), line 8 (“Record 2 of 2”), line 13 (“The end of a list of two works on night…”).',
    ],
    'tagged text' => [
        'nbib',
        "Two records\n\nPMID- 5\nTI  - Lamps\n\nPMID- 6\nTI  - Naps\n",
        'Text outside of any record was left out: line 1 (“Two records”).',
    ],
    'a table' => [
        'csv',
        "My list\nTitle,Year\nLamps,\nNaps,\n",
        'Text outside of any record was left out: line 1 (“My list”).',
    ],
]);

it('names three texts outside of records, and counts the rest', function () {
    $reading = new Reading();
    array_map(fn (int $line) => $reading->leaveOut($line, "text {$line}"), range(1, 1200));
    expect($reading->remarks())->toEndWith('line 3 (“text 3”) and 1,197 more.');
});

it('begins a table at its headings, or at its first row where none are known', function (array $rows, array $from, string $said) {
    $reading = new Reading();
    expect(iterator_to_array(HeadingRow::on(array_combine(range(1, count($rows)), $rows), $reading)))->toBe($from)
        ->and($reading->remarks())->toBe($said);
})->with([
    'headings at once' => [[['Title', 'Year'], ['Lamps', '2004']], [1 => ['Title', 'Year'], 2 => ['Lamps', '2004']], ''],
    'below a name' => [
        [['My list', ''], ['', ''], ['Title', 'Year'], ['Lamps', '2004']],
        [3 => ['Title', 'Year'], 4 => ['Lamps', '2004']],
        'Text outside of any record was left out: line 1 (“My list”).',
    ],
    'in a language that we do not know' => [[['Otsikko', 'Vuosi'], ['Lamps', '2004']], [1 => ['Otsikko', 'Vuosi'], 2 => ['Lamps', '2004']], ''],
    'further down than anybody writes' => [
        [...array_fill(0, 10, ['x', 'y']), ['Title', 'Year']],
        array_combine(range(1, 11), [...array_fill(0, 10, ['x', 'y']), ['Title', 'Year']]),
        '',
    ],
    'nothing' => [[['', '']], [], ''],
]);
