<?php

use WaryHeron\Core\Vocabulary\BadScheme;
use WaryHeron\Core\Vocabulary\Concept;
use WaryHeron\Core\Vocabulary\HeadingLookup;
use WaryHeron\Core\Vocabulary\Offer;
use WaryHeron\Core\Vocabulary\SkosReader;

const SKOS_PREFIX = "@prefix skos: <http://www.w3.org/2004/02/skos/core#> .\n@prefix t: <urn:x-wary-heron:thesaurus#> .\n@prefix c: <urn:c:> .\n";
const SKOS_BODY = <<<'T'
c:scheme a skos:ConceptScheme ; <http://purl.org/dc/terms/title> "Marsh headings" .
c:1 a skos:Concept ; skos:prefLabel "Working conditions"@en, "Arbeitsbedingungen"@de .
c:2 a skos:Concept ; skos:prefLabel "Shift work"@en ; skos:altLabel "Night duty"@en, "Rota work"@en, "Schichtarbeit"@de ; skos:broader c:1 ;
  skos:scopeNote "Work that falls   outside the daytime." ; skos:related c:4 ; t:allowedQualifier "adverse effects" ; skos:changeNote "Split in 2011." .
c:3 a skos:Concept ; skos:prefLabel "Night work" ; skos:broader c:2, c:5 .
c:4 a skos:Concept ; skos:prefLabel "Phase shift" .
c:5 a skos:Concept ; skos:prefLabel "Time of day" ; skos:narrower c:6 .
c:6 a skos:Concept ; skos:prefLabel "Evening" .
T;

it('reads the same scheme from Turtle, RDF/XML and JSON-LD', function (string $format) {
    error_reporting(error_reporting() & ~E_DEPRECATED);
    require_once '/usr/share/php/EasyRdf/autoload.php';
    require_once '/usr/share/php/ML/JsonLD/autoload.php';
    $graph = new EasyRdf\Graph();
    $graph->parse(SKOS_PREFIX.SKOS_BODY, 'turtle', 'urn:x');
    $scheme = SkosReader::read($format === 'turtle' ? SKOS_PREFIX.SKOS_BODY : $graph->serialise($format));
    $shift = $scheme->labelled('shift  WORK');
    expect($scheme->title)
        ->toBe('Marsh headings')
        ->and($scheme->concepts)
        ->toHaveCount(6)
        ->and($shift)
        ->toEqual(
            new Concept(
                'urn:c:2',
                'Shift work',
                ['Night duty', 'Rota work'],
                'Work that falls outside the daytime.',
                '',
                ['Split in 2011.'],
                ['urn:c:1'],
                ['urn:c:4'],
                ['adverse effects'],
            ),
        )
        ->and(
            array_map(
                fn (array $path): string => implode(' > ', array_map(fn (Concept $c): string => $c->label, $path)),
                $scheme->paths($scheme->labelled('Night work')),
            ),
        )
        ->toBe(['Working conditions > Shift work > Night work', 'Time of day > Night work'])
        ->and(array_keys($scheme->branch($scheme->labelled('Time of day'))))
        ->toEqualCanonicalizing(['urn:c:5', 'urn:c:6', 'urn:c:3'])
        ->and(count($scheme->tops()))
        ->toBe(3);
})->with(['turtle', 'rdfxml', 'jsonld']);

it('refuses a bad file with the reason', function (string $text, string $why) {
    expect(fn () => SkosReader::read($text))->toThrow(BadScheme::class, $why);
})->with([
    ['PK nothing of the kind', 'neither Turtle'],
    [SKOS_PREFIX.'c:1 a skos:Concept ; skos:prefLabel "x', 'Turtle cannot be read'],
    [SKOS_PREFIX, 'no concepts'],
    [SKOS_PREFIX.'c:1 a skos:Concept .', 'urn:c:1 has no preferred label'],
    [
        SKOS_PREFIX.'c:1 a skos:Concept ; skos:prefLabel "A" . c:2 a skos:Concept ; skos:prefLabel "a" .',
        'two concepts',
    ],
    [
        SKOS_PREFIX.
        'c:1 a skos:Concept ; skos:prefLabel "A" ; skos:broader c:2 . c:2 a skos:Concept ; skos:prefLabel "B" ; skos:broader c:1 .',
        'in a circle',
    ],
    [
        '<?xml version="1.0"?><!DOCTYPE r [<!ENTITY a "b">]><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#"/>',
        'declares a document type',
    ],
    ['{"@context": "http://context.example/skos", "@id": "urn:x"}', 'context to http://context.example/skos'],
    ['{"a": [{"@context": ["http://context.example/x"]}]}', 'nothing is fetched'],
    ['{"a": ', 'JSON cannot be read'],
    ["\xFF\xFE{", 'neither Turtle'],
]);

it('offers headings with the reason, and warns where a word means two things', function () {
    $scheme = SkosReader::read(SKOS_PREFIX.SKOS_BODY);
    $offers = HeadingLookup::rank('shift', $scheme->concepts);
    $tops = fn (Concept $concept): array => array_map(
        fn (array $path): string => $path[0]->label,
        $scheme->paths($concept),
    );
    expect(array_map(fn (Offer $o): string => "{$o->concept->label}: {$o->reason('shift')}", $offers))
        ->toBe(['Shift work: “shift” is part of its name', 'Phase shift: “shift” is part of its name'])
        ->and(array_map(fn (Offer $o): string => $o->concept->label, HeadingLookup::ambiguous($offers, $tops)))
        ->toBe(['Shift work', 'Phase shift'])
        ->and(HeadingLookup::rank('night duty', $scheme->concepts)[0]->reason('night duty'))
        ->toBe('“night duty” is one of its other names, Night duty')
        ->and(HeadingLookup::rank('phases', $scheme->concepts)[0]->reason('phases'))
        ->toBe('“phases” shares a stem with its name, Phase shift')
        ->and(HeadingLookup::rank('daytime', $scheme->concepts)[0]->concept->label)
        ->toBe('Shift work')
        ->and(HeadingLookup::rank('()', $scheme->concepts))
        ->toBe([]);
});

it('goes on from what is typed so far', function (string $typed, array $names) {
    $concepts = [
        new Concept('u:1', 'Night work', ['night shift', 'nights']),
        new Concept('u:2', 'Work', ['labour']),
        new Concept('u:3', 'Napping at work', ['power nap']),
        new Concept('u:4', 'Nightmares'),
    ];
    expect(
        array_map(
            fn (Offer $offer): string => "{$offer->name} > {$offer->concept->label}",
            HeadingLookup::completing($typed, $concepts),
        ),
    )->toBe($names);
})->with([
    ['nigh', ['Night work > Night work', 'Nightmares > Nightmares']],
    ['night sh', ['night shift > Night work']],
    ['wor', ['Work > Work', 'Night work > Night work', 'Napping at work > Napping at work']],
    ['lab', ['labour > Work']],
    ['work nap', ['Napping at work > Napping at work']],
    ['', []],
    ['zz', []],
]);
