<?php

use WaryHeron\Core\Bibliography\Format\Lines;
use WaryHeron\Core\Bibliography\Format\Mods\ModsReader;
use WaryHeron\Core\Bibliography\Format\Mods\ModsWriter;
use WaryHeron\Core\Bibliography\Format\Nbib\NbibWriter;
use WaryHeron\Core\Bibliography\Format\ReferenceWriter;
use WaryHeron\Core\Bibliography\Format\Ris\RisWriter;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Bibliography\SourceField;

it('writes names short and inverted', function (string $given, string $short, string $inverted) {
    $name = Name::inverted($given);
    expect([$name->short(), $name->inverts()])->toBe([$short, $inverted]);
})->with([
    ['Okafor, Ines N.', 'Okafor IN', 'Okafor, Ines N.'],
    ['Özkaya, élan', 'Özkaya É', 'Özkaya, élan'],
    ['Haas, M.-K.', 'Haas MK', 'Haas, M.-K.'],
    ['The Lamp Group', 'The Lamp Group', 'The Lamp Group'],
    ['Strand, B., Jr', 'Strand B', 'Strand, B., Jr'],
    ['Boruta, AK', 'Boruta AK', 'Boruta, AK'],
    ['OKAFOR, INES', 'OKAFOR I', 'OKAFOR, INES'],
]);

it('hands notes on as other formats call them, and keeps the kind that a genre does not say', function () {
    $reference = new Reference(
        PublicationType::Report,
        'Lamps',
        extra: [new SourceField('note', 'Read twice'), new SourceField('genre', 'Report on light')],
    );
    $written = fn (ReferenceWriter $writer): string => implode('', iterator_to_array($writer->write([$reference]), false));
    $document = new DOMDocument();
    $document->loadXML($written(new ModsWriter()));
    $read = (new ModsReader())->reference($document->getElementsByTagName('mods')->item(0));
    expect($written(new RisWriter()))
        ->toContain("N1  - Read twice\r\n")
        ->and($written(new NbibWriter()))
        ->toContain("GN  - Read twice\r\n")
        ->and([$read->type, array_column($read->extra, 'value', 'tag')])
        ->toEqual([PublicationType::Report, ['note' => 'Read twice', 'genre' => 'Report on light']]);
});

it('says where a work stands in its journal', function (array $values, string $place) {
    expect((new Reference(PublicationType::Article, 'x', ...$values))->place())->toBe($place);
})->with([
    [['volume' => '12', 'issue' => '3', 'firstPage' => '201', 'lastPage' => '209'], '12(3):201–209'],
    [['volume' => '12', 'firstPage' => 'e201'], '12:e201'],
    [['firstPage' => '5', 'lastPage' => '5'], '5'],
    [[], ''],
]);

it('reads lines whatever their ends, also where a chunk ends between CR and LF', function () {
    foreach (["\n", "\r\n", "\r"] as $end) {
        foreach ([65533, 65534, 65535, 65536] as $length) {
            $stream = fopen('php://memory', 'w+');
            fwrite($stream, str_repeat('x', $length).$end.'second'.$end.$end.'last');
            rewind($stream);
            $lines = iterator_to_array(Lines::of($stream));
            expect([strlen($lines[1]), $lines[2], $lines[3], $lines[4], count($lines)])->toBe([
                $length,
                'second',
                '',
                'last',
                4,
            ]);
        }
    }
});

it('gives an endless line in pieces', function () {
    $stream = fopen('php://memory', 'w+');
    fwrite($stream, str_repeat('y', 3_000_000));
    rewind($stream);
    $lengths = array_map(strlen(...), iterator_to_array(Lines::of($stream), false));
    expect(array_sum($lengths))
        ->toBe(3_000_000)
        ->and(max($lengths))
        ->toBeLessThan(Lines::LONGEST + 65536 + 1);
});

it('reads MODS as other hands write it', function () {
    $document = new DOMDocument();
    $document->loadXML('<m:mods xmlns:m="http://www.loc.gov/mods/v3"><m:titleInfo type="translated"><m:title>Une lampe</m:title></m:titleInfo><m:titleInfo><m:title>A lamp</m:title><m:subTitle>for nights</m:subTitle></m:titleInfo>
        <m:name><m:namePart>Haas, M.</m:namePart></m:name><m:genre>Conference abstract</m:genre><m:originInfo><m:dateIssued>May 2011</m:dateIssued></m:originInfo><m:identifier type="doi">https://doi.org/10.71111/ABC</m:identifier>
        <m:subject><m:topic>Light</m:topic><m:topic>adverse effects</m:topic></m:subject></m:mods>');
    $reference = (new ModsReader())->reference($document->documentElement);
    expect($reference->title)
        ->toBe('A lamp: for nights')
        ->and($reference->authors)
        ->toEqual([new Name('Haas', 'M.')])
        ->and($reference->year)
        ->toBe(2011)
        ->and($reference->doi)
        ->toBe('10.71111/abc')
        ->and($reference->type)
        ->toBe(PublicationType::Conference)
        ->and($reference->keywords)
        ->toBe(['Light / adverse effects'])
        ->and($reference->extra)
        ->toEqual([new SourceField('genre', 'Conference abstract')]);
    $document->loadXML('<mods xmlns="http://www.loc.gov/mods/v3"><genre>Book</genre></mods>');
    expect((new ModsReader())->reference($document->documentElement))->toBeInstanceOf(UnreadableRecord::class);
});
