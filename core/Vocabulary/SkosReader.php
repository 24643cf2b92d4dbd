<?php

declare(strict_types=1);

namespace WaryHeron\Core\Vocabulary;

use EasyRdf\Graph;

/**
 * Reads a SKOS concept scheme from Turtle, RDF/XML or JSON-LD.
 *
 * Labels and notes are taken in English where there are several languages. Which qualifiers a heading may take is
 * read from the property QUALIFIER, since SKOS has none for it. Addresses outside the file are not followed.
 */
final class SkosReader
{
    public const LARGEST = 20 * 1024 * 1024;

    public const QUALIFIER = 'urn:x-wary-heron:thesaurus#allowedQualifier';

    private const PIECE = 4_000_000;

    private const SKOS = 'http://www.w3.org/2004/02/skos/core#';

    private const TYPE = 'http://www.w3.org/1999/02/22-rdf-syntax-ns#type';

    /** @throws BadScheme */
    public static function read(string $text): ConceptScheme
    {
        if (strlen($text) > self::LARGEST) {
            throw new BadScheme('The file is larger than '.intdiv(self::LARGEST, 1024 * 1024).' MB.');
        }
        $format =
            SkosFormat::of(substr($text, 0, 4096)) ??
            throw new BadScheme('This is neither Turtle, RDF/XML nor JSON-LD.');
        if (! mb_check_encoding($text, 'UTF-8')) {
            throw new BadScheme('The file is not in UTF-8.');
        }
        self::refuseOutsideHelp($text, $format);

        return self::scheme(self::graph($text, $format));
    }

    /** Entities and contexts from elsewhere would make us fetch or expand what a stranger wrote. */
    private static function refuseOutsideHelp(string $text, SkosFormat $format): void
    {
        if ($format === SkosFormat::RdfXml && preg_match('/<!(?:DOCTYPE|ENTITY)/i', $text) === 1) {
            throw new BadScheme(
                'The file declares a document type or entities. Save it again without them, with the addresses written out.',
            );
        }
        if ($format !== SkosFormat::JsonLd) {
            return;
        }
        $data = json_decode($text, true, 64);
        if (! is_array($data)) {
            throw new BadScheme('The JSON cannot be read: '.json_last_error_msg().'.');
        }
        array_walk_recursive($data, function (mixed $value, string|int $key): void {
            if ($key === '@import' || ($key === '@context' && is_string($value))) {
                throw new BadScheme(
                    "The file leaves its context to {$value}. Write the context out in the file; nothing is fetched from elsewhere.",
                );
            }
        });
        self::refuseListedContexts($data);
    }

    /** @param  array<mixed>  $data */
    private static function refuseListedContexts(array $data): void
    {
        foreach ($data as $key => $value) {
            if (! is_array($value)) {
                continue;
            }
            foreach ($key === '@context' && array_is_list($value) ? $value : [] as $one) {
                if (is_string($one)) {
                    throw new BadScheme(
                        "The file leaves its context to {$one}. Write the context out in the file; nothing is fetched from elsewhere.",
                    );
                }
            }
            self::refuseListedContexts($value);
        }
    }

    /** @return array<string, array<string, list<array{type: string, value: string, lang?: string}>>> */
    private static function graph(string $text, SkosFormat $format): array
    {
        // the libraries are Debian's, older than PHP 8.2's notices about them
        $reporting = error_reporting(error_reporting() & ~E_DEPRECATED);
        try {
            require_once '/usr/share/php/EasyRdf/autoload.php';
            if ($format === SkosFormat::JsonLd) {
                require_once '/usr/share/php/ML/JsonLD/autoload.php';
            }
            $graph = new Graph();
            foreach ($format === SkosFormat::RdfXml ? self::pieces($text) : [$text] as $piece) {
                $graph->parse($piece, $format->value, 'urn:x-wary-heron:scheme');
            }

            return $graph->toRdfPhp();
        } catch (\Throwable $failure) {
            $why = trim((string) preg_replace('/\s+/', ' ', mb_scrub($failure->getMessage())));
            throw new BadScheme(
                'The '.
                    match ($format) {
                        SkosFormat::Turtle => 'Turtle',
                        SkosFormat::RdfXml => 'RDF/XML',
                        SkosFormat::JsonLd => 'JSON-LD',
                    }.
                    ' cannot be read: '.
                    rtrim(mb_strimwidth($why, 0, 200, '…'), '.').
                    '.',
            );
        } finally {
            error_reporting($reporting);
        }
    }

    /**
     * Large RDF/XML in pieces that each stand alone: the library's parser takes ten million bytes at most.
     *
     * @return iterable<string>
     */
    private static function pieces(string $xml): iterable
    {
        if (strlen($xml) <= self::PIECE) {
            return [$xml];
        }

        return (function () use ($xml): \Generator {
            $reader = new \XMLReader();
            $before = libxml_use_internal_errors(true);
            try {
                $reader->XML($xml, null, LIBXML_NONET | LIBXML_PARSEHUGE);
                $root = '';
                $piece = '';
                while ($reader->read()) {
                    if ($reader->nodeType !== \XMLReader::ELEMENT) {
                        continue;
                    }
                    if ($root === '') {
                        $root = $reader->name;

                        continue;
                    }
                    do {
                        $piece .= $reader->nodeType === \XMLReader::ELEMENT ? $reader->readOuterXml() : '';
                        if (strlen($piece) > self::PIECE) {
                            yield self::standingAlone($root, $piece);
                            $piece = '';
                        }
                    } while ($reader->next());
                }
                $error = libxml_get_last_error();
                if ($error !== false) {
                    throw new \RuntimeException(trim($error->message)." on line {$error->line}");
                }
                if ($piece !== '') {
                    yield self::standingAlone($root, $piece);
                }
            } finally {
                libxml_clear_errors();
                libxml_use_internal_errors($before);
            }
        })();
    }

    private static function standingAlone(string $root, string $inside): string
    {
        [$prefix] = str_contains($root, ':') ? explode(':', $root) : [''];
        $namespace = $prefix === '' ? 'xmlns' : "xmlns:{$prefix}";

        return "<{$root} {$namespace}=\"http://www.w3.org/1999/02/22-rdf-syntax-ns#\">{$inside}</{$root}>";
    }

    /** @param  array<string, array<string, list<array{type: string, value: string, lang?: string}>>>  $graph */
    private static function scheme(array $graph): ConceptScheme
    {
        $isA = fn (array $facts, string $type): bool => in_array(
            self::SKOS.$type,
            array_column($facts[self::TYPE] ?? [], 'value'),
            true,
        );
        $concepts = $above = $qualifierNames = [];
        $schemeUri = $title = '';
        foreach ($graph as $uri => $facts) {
            if ($isA($facts, 'ConceptScheme')) {
                $schemeUri = $uri;
                $title =
                    self::one($facts, 'http://purl.org/dc/terms/title') ?:
                    self::one($facts, 'http://purl.org/dc/elements/1.1/title') ?:
                    self::one($facts, self::SKOS.'prefLabel');
            } elseif ($isA($facts, 'Concept')) {
                $concepts[$uri] = $facts;
            }
        }
        foreach ($concepts as $uri => $facts) {
            foreach ($facts[self::SKOS.'broader'] ?? [] as $broader) {
                $above[$uri][$broader['value']] = true;
            }
            foreach ($facts[self::SKOS.'narrower'] ?? [] as $narrower) {
                $above[$narrower['value']][$uri] = true;
            }
            foreach ($facts[self::QUALIFIER] ?? [] as $qualifier) {
                $qualifierNames[$qualifier['value']] ??=
                    $qualifier['type'] === 'literal'
                        ? $qualifier['value']
                        : (self::one($graph[$qualifier['value']] ?? [], self::SKOS.'prefLabel') ?:
                        throw new BadScheme("The qualifier {$qualifier['value']} has no preferred label."));
            }
        }
        $made = [];
        foreach ($concepts as $uri => $facts) {
            $label = self::one($facts, self::SKOS.'prefLabel');
            if ($label === '') {
                throw new BadScheme("The concept {$uri} has no preferred label (skos:prefLabel).");
            }
            $here = fn (array $uris): array => array_values(
                array_filter($uris, fn (string $other): bool => isset($concepts[$other]) && $other !== $uri),
            );
            $made[$uri] = new Concept(
                $uri,
                $label,
                self::all($facts, self::SKOS.'altLabel'),
                self::one($facts, self::SKOS.'scopeNote'),
                self::one($facts, self::SKOS.'definition'),
                [...self::all($facts, self::SKOS.'changeNote'), ...self::all($facts, self::SKOS.'historyNote')],
                $here(array_keys($above[$uri] ?? [])),
                $here(array_column($facts[self::SKOS.'related'] ?? [], 'value')),
                array_map(fn (array $one): string => $qualifierNames[$one['value']], $facts[self::QUALIFIER] ?? []),
            );
        }

        return new ConceptScheme($schemeUri, $title, $made);
    }

    /** @param  array<string, list<array{type: string, value: string, lang?: string}>>  $facts */
    private static function one(array $facts, string $property): string
    {
        return self::all($facts, $property)[0] ?? '';
    }

    /**
     * @param  array<string, list<array{type: string, value: string, lang?: string}>>  $facts
     * @return list<string>
     */
    private static function all(array $facts, string $property): array
    {
        $literals = array_filter(
            $facts[$property] ?? [],
            fn (array $value): bool => $value['type'] === 'literal' && trim($value['value']) !== '',
        );
        $english = array_filter(
            $literals,
            fn (array $value): bool => str_starts_with(strtolower($value['lang'] ?? 'en'), 'en'),
        );

        return array_values(
            array_unique(
                array_map(
                    fn (array $value): string => trim((string) preg_replace('/\s+/u', ' ', $value['value'])),
                    $english ?: $literals,
                ),
            ),
        );
    }
}
