<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Dialect;

/** The dialects that ship with the product. */
final class Dialects
{
    public static function heron(): Dialect
    {
        return Dialect::fromJson(self::HERON);
    }

    public static function cql(): Dialect
    {
        return Dialect::fromJson(self::CQL);
    }

    public static function named(string $name): ?Dialect
    {
        return match ($name) {
            'heron' => self::heron(),
            'cql' => self::cql(),
            default => null,
        };
    }

    private const HERON = <<<'JSON'
        {
          "name": "heron",
          "title": "Our own language",
          "boolean": {"and": "AND", "or": "OR", "not": "NOT", "reading": "not-and-or"},
          "fields": {"title": "title", "abstract": "abstract", "keyword": "keyword", "author": "author", "journal": "journal", "doi": "doi", "id": "id"},
          "fieldForm": "{fields}:{text}", "fieldScope": "group", "fieldJoin": ",",
          "plainWord": "/^(?!(?:and|or|not)$)[^\\s()\"“”„:,\\/#*]+$/iu", "escape": null,
          "truncation": {"sign": "*", "minimumStem": 2},
          "proximity": {"form": "{left} NEAR/{distance} {right}", "furthest": 20, "binds": "tightest"},
          "heading": {"form": "heading:{label}{modifiers}", "narrower": "/narrower", "major": "/major", "qualifier": "/q:{qualifier}"},
          "limits": {
            "year": {"one": "year:{from}", "between": "year:{from}-{to}", "from": "year:{from}-", "to": "year:-{to}"},
            "language": "language:{value}", "type": "type:{value}", "age": "age:{value}"
          },
          "lines": {"one": "#{line}", "any": "any({lines})", "all": "all({lines})", "range": "#{from}-#{to}"}
        }
        JSON;

    private const CQL = <<<'JSON'
        {
          "name": "cql",
          "title": "CQL, level 2 (Alder Index)",
          "boolean": {"and": "and", "or": "or", "not": "not", "reading": "left-to-right"},
          "fields": {"title": "dc.title", "abstract": "dc.description", "keyword": "dc.subject", "author": "dc.creator", "journal": "alder.source", "doi": "alder.doi", "id": "rec.identifier"},
          "fieldForm": "{field} = {text}", "fieldScope": "term",
          "plainWord": "/^(?!(?:and|or|not|prox|sortby)$)[^\\s()=<>\"\\/]+$/iu", "escape": "\\", "escaped": "\\\\\"*?^",
          "truncation": {"sign": "*", "minimumStem": 2},
          "proximity": {"form": "{left} prox/unit=word/distance<={distance} {right}", "furthest": 20, "binds": "as-boolean"},
          "heading": {"form": "alder.heading ={modifiers} {label}", "narrower": "/alder.narrower", "major": "/alder.major", "qualifier": "/alder.qualifier={qualifier}"},
          "limits": {
            "year": {"one": "dc.date = {from}", "between": "dc.date within \"{from} {to}\"", "from": "dc.date >= {from}", "to": "dc.date <= {to}"},
            "language": "dc.language = {value}", "type": "dc.type = {value}"
          },
          "lines": null
        }
        JSON;
}
