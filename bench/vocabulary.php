<?php

// How long a thesaurus takes to read in each of the three formats, beside reading the Turtle with the RDF library
// alone.

use WaryHeron\Core\Vocabulary\SkosReader;

require __DIR__.'/../vendor/autoload.php';

$size = (int) ($argv[1] ?? 50000);
$file = tempnam(sys_get_temp_dir(), 'skos');
$formats = isset($argv[2]) ? [$argv[2]] : ['turtle', 'rdfxml', 'jsonld'];
foreach ($formats as $format) {
    if (! isset($argv[2])) {
        // each in a process of its own, so that its peak is its own
        passthru(
            escapeshellarg(PHP_BINARY).
                ' -d pcov.enabled=0 -d memory_limit=2G '.
                escapeshellarg(__FILE__).
                " {$size} {$format}",
        );

        continue;
    }
    $out = fopen($file, 'wb');
    $facts = fn (int $i): array => [
        "Heading number {$i}",
        ["Other name {$i}", "Third name {$i}"],
        "What heading {$i} is for and what it is not for.",
        $i > 1 ? intdiv($i, 5) : 0,
    ];
    fwrite(
        $out,
        match ($format) {
            'turtle' => "@prefix skos: <http://www.w3.org/2004/02/skos/core#> .\n",
            'rdfxml' => "<?xml version=\"1.0\"?>\n<rdf:RDF xmlns:rdf=\"http://www.w3.org/1999/02/22-rdf-syntax-ns#\" xmlns:skos=\"http://www.w3.org/2004/02/skos/core#\">\n",
            default => '{"@context": {"skos": "http://www.w3.org/2004/02/skos/core#"}, "@graph": [',
        },
    );
    for ($i = 1; $i <= $size; $i++) {
        [$label, $names, $note, $above] = $facts($i);
        fwrite(
            $out,
            match ($format) {
                'turtle' => "<urn:c:{$i}> a skos:Concept ; skos:prefLabel \"{$label}\"@en ; skos:altLabel \"".
                    implode('"@en, "', $names).
                    "\"@en ; skos:scopeNote \"{$note}\"@en".
                    ($above > 0 ? " ; skos:broader <urn:c:{$above}>" : '').
                    " .\n",
                'rdfxml' => "<skos:Concept rdf:about=\"urn:c:{$i}\"><skos:prefLabel xml:lang=\"en\">{$label}</skos:prefLabel>".
                    implode(
                        '',
                        array_map(
                            fn (string $n): string => "<skos:altLabel xml:lang=\"en\">{$n}</skos:altLabel>",
                            $names,
                        ),
                    ).
                    "<skos:scopeNote xml:lang=\"en\">{$note}</skos:scopeNote>".
                    ($above > 0 ? "<skos:broader rdf:resource=\"urn:c:{$above}\"/>" : '').
                    "</skos:Concept>\n",
                default => ($i > 1 ? ",\n" : '').
                    json_encode(
                        [
                            '@id' => "urn:c:{$i}",
                            '@type' => 'skos:Concept',
                            'skos:prefLabel' => ['@value' => $label, '@language' => 'en'],
                            'skos:altLabel' => array_map(
                                fn (string $n): array => ['@value' => $n, '@language' => 'en'],
                                $names,
                            ),
                            'skos:scopeNote' => ['@value' => $note, '@language' => 'en'],
                        ] + ($above > 0 ? ['skos:broader' => ['@id' => "urn:c:{$above}"]] : []),
                        JSON_UNESCAPED_SLASHES,
                    ),
            },
        );
    }
    fwrite(
        $out,
        match ($format) {
            'turtle' => '',
            'rdfxml' => '</rdf:RDF>',
            default => ']}',
        },
    );
    fclose($out);
    $text = (string) file_get_contents($file);
    $began = microtime(true);
    $scheme = SkosReader::read($text);
    $seconds = microtime(true) - $began;
    preg_match('/VmHWM:\s+(\d+) kB/', (string) file_get_contents('/proc/self/status'), $peak);
    echo json_encode([
        'what' => "vocabulary, {$format}",
        'size' => count($scheme->concepts),
        'file_mib' => round(strlen($text) / 1048576, 1),
        'seconds' => round($seconds, 2),
        'peak_mib' => round((int) ($peak[1] ?? 0) / 1024, 1),
    ]),
    "\n";
}
unlink($file);
