<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography;

use JsonSerializable;

/** A field of a record as its source had it, under the source's own tag. */
final readonly class SourceField implements JsonSerializable
{
    /** Where programs speak of the record, its file and its use, not of the work; in lower case. */
    private const OF_THE_RECORD = [
        'bdsk', 'crdt', 'crossref', 'date-added', 'date-modified', 'db', 'dcom', 'document type', 'dp', 'edat',
        'entryset', 'entrysubtype', 'entrytype', 'file', 'gender', 'genre', 'hyphenation', 'ids', 'key', 'langid',
        'lr', 'mhda', 'options', 'own', 'owner', 'phst', 'presort', 'pst', 'pubstate', 'related', 'relatedtype',
        'sb', 'shorthand', 'sortkey', 'sortname', 'sorttitle', 'sortyear', 'stat', 'status', 'timestamp', 'ty',
        'type', 'xdata', 'xref', 'y2',
    ];

    public function __construct(public string $tag, public string $value)
    {
    }

    /** Null where these are no two texts. */
    public static function fromPair(mixed $pair): ?self
    {
        return is_array($pair) && count($pair) === 2 && is_string($pair[0] ?? null) && is_string($pair[1] ?? null)
            ? new self($pair[0], $pair[1])
            : null;
    }

    /**
     * The first of them that tells anything of a work; empty where none does.
     *
     * @param  list<self>  $fields
     */
    public static function telling(array $fields): string
    {
        foreach ($fields as $field) {
            if (! in_array(strtolower($field->tag), self::OF_THE_RECORD, true) && $field->value !== '') {
                return preg_match('/^[\[{]/', $field->value) === 1 ? $field->tag : $field->value;
            }
        }

        return '';
    }

    /** @return list<string> tag and value */
    public function jsonSerialize(): array
    {
        return [$this->tag, $this->value];
    }

    /** Whether somebody's remark stands in it, as BibTeX, MODS, RIS or tagged text call it. */
    public function isNote(): bool
    {
        return $this->isOne('note', 'annote', 'annotation', 'N1', 'GN');
    }

    /** Whether it stands under one of these tags. */
    public function isOne(string ...$tags): bool
    {
        return in_array($this->tag, $tags, true);
    }
}
