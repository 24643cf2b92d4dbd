<?php

declare(strict_types=1);

namespace WaryHeron\Core\Vocabulary;

use EasyRdf\Graph;

/**
 * Reads a SKOS concept scheme from Turtle, RDF/XML or JSON-LD.
 *
 * Labels and notes are taken in English where there are several languages. Which qualifiers a heading may take is
 * read from the property QUALIFIER, since SKOS has none for it. Addresses outside the file are not followed.
 *
 * @phpstan-import-type Facts from SkosGraph
 */
final class SkosReader
{
    public const LARGEST = 20 * 1024 * 1024;

    public const QUALIFIER = 'urn:x-wary-heron:thesaurus#allowedQualifier';

    private const PIECE = 4_000_000;

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

        return self::graph($text, $format)->scheme();
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
        self::refuseOutsideContexts($data);
    }

    /** @param  array<mixed>  $data */
    private static function refuseOutsideContexts(array $data): void
    {
        foreach ($data as $key => $value) {
            $contexts = $key === '@context' && is_array($value) && array_is_list($value) ? $value : [$value];
            foreach ($key === '@import' || $key === '@context' ? $contexts : [] as $context) {
                if (is_string($context)) {
                    throw new BadScheme(
                        "The file leaves its context to {$context}. Write the context out in the file; nothing is fetched from elsewhere.",
                    );
                }
            }
            if (is_array($value)) {
                self::refuseOutsideContexts($value);
            }
        }
    }

    private static function graph(string $text, SkosFormat $format): SkosGraph
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

            /** @var array<string, Facts> $subjects */
            $subjects = $graph->toRdfPhp();

            return new SkosGraph($subjects);
        } catch (\Throwable $failure) {
            $why = trim((string) preg_replace('/\s+/', ' ', mb_scrub($failure->getMessage())));
            $why = rtrim(mb_strimwidth($why, 0, 200, '…'), '.');
            throw new BadScheme("The {$format->words()} cannot be read: {$why}.");
        } finally {
            error_reporting($reporting);
        }
    }

    /**
     * Large RDF/XML in pieces that each stand alone: the library's parser takes ten million bytes at most.
     *
     * @return \Generator<string>
     */
    private static function pieces(string $xml): \Generator
    {
        if (strlen($xml) <= self::PIECE) {
            yield $xml;

            return;
        }
        $reader = new \XMLReader();
        $before = libxml_use_internal_errors(true);
        try {
            $reader->XML($xml, null, LIBXML_NONET | LIBXML_PARSEHUGE);
            yield from self::piecesOf($reader);
        } finally {
            libxml_clear_errors();
            libxml_use_internal_errors($before);
        }
    }

    /** @return \Generator<string> */
    private static function piecesOf(\XMLReader $reader): \Generator
    {
        do {
            $read = $reader->read();
        } while ($read && $reader->nodeType !== \XMLReader::ELEMENT);
        $root = $reader->name;
        $piece = '';
        $read = $read && $reader->read();
        while ($read) {
            $piece .= $reader->nodeType === \XMLReader::ELEMENT ? $reader->readOuterXml() : '';
            if (strlen($piece) > self::PIECE) {
                yield self::standingAlone($root, $piece);
                $piece = '';
            }
            $read = $reader->next();
        }
        $error = libxml_get_last_error();
        if ($error !== false) {
            throw new \RuntimeException(trim($error->message)." on line {$error->line}");
        }
        if ($piece !== '') {
            yield self::standingAlone($root, $piece);
        }
    }

    private static function standingAlone(string $root, string $inside): string
    {
        [$prefix] = str_contains($root, ':') ? explode(':', $root) : [''];
        $namespace = $prefix === '' ? 'xmlns' : "xmlns:{$prefix}";

        return "<{$root} {$namespace}=\"http://www.w3.org/1999/02/22-rdf-syntax-ns#\">{$inside}</{$root}>";
    }
}
