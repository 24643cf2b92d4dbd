<?php

declare(strict_types=1);

namespace WaryHeron\Core\Vocabulary;

/** How a SKOS file is written. */
enum SkosFormat: string
{
    case Turtle = 'turtle';
    case RdfXml = 'rdfxml';
    case JsonLd = 'jsonld';

    public function words(): string
    {
        return match ($this) {
            self::Turtle => 'Turtle',
            self::RdfXml => 'RDF/XML',
            self::JsonLd => 'JSON-LD',
        };
    }

    /** Told by the content, whatever the file is called; null where it is none of them. */
    public static function of(string $head): ?self
    {
        $head = ltrim($head, "\xEF\xBB\xBF \t\r\n");

        return match (true) {
            str_starts_with($head, '<?xml'),
            preg_match('/^<(\w+:)?RDF\b/', $head) === 1,
            str_starts_with($head, '<!DOCTYPE') => self::RdfXml,
            str_starts_with($head, '{'), str_starts_with($head, '[') => self::JsonLd,
            preg_match('/^(?:#[^\n]*\n\s*)*(?:@prefix|@base|PREFIX|BASE|<[^>\s]*>|[\w-]*:)/i', $head) === 1 => self::Turtle,
            default => null,
        };
    }
}
