<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Dialect;

use WaryHeron\Core\Search\Query\Field;
use WaryHeron\Core\Search\Query\LimitKind;

/**
 * A database's query syntax as data; see docs/dialects.md for the keys of its file.
 *
 * @phpstan-type YearForms array{one: string, between: string, from: string, to: string}
 * @phpstan-type DialectData array{
 *   name: string, title: string,
 *   boolean: array{and: string, or: string, not: string, reading: 'left-to-right'|'not-and-or'},
 *   fields: array<string, string>, fieldForm: string, fieldScope: 'term'|'group', fieldJoin: string|null,
 *   quote: array{string, string}|null, masking: array{one?: string|null, any?: string|null, maybe?: string|null}|null,
 *   plainWord: string, escape: string|null, escaped: string|null, truncation: array{sign: string,
 *   minimumStem: int}|null,
 *   proximity: array{form: string, furthest: int, binds: 'as-boolean'|'tightest'}|null,
 *   heading: array{form: string, narrower?: string|null, less?: string|null, major?: string|null,
 *   qualifier?: string|null}|null,
 *   limits: array<string, string|YearForms>, lines: array{one: string, any?: string|null, all?: string|null, range?: string|null,
 *   command?: string|null}|null,
 *   longest: int|null, reader: 'heron'|'cql'|'ccl'|null
 * }
 */
final readonly class Dialect
{
    /** @param  DialectData  $data */
    private function __construct(public array $data)
    {
    }

    /** @throws BadDialect If a key is missing, unknown or of the wrong type; it lists them all. */
    public static function fromJson(string $json): self
    {
        /** @var DialectData $data */
        $data = DialectFile::read($json);

        return new self($data);
    }

    public function name(): string
    {
        return $this->data['name'];
    }

    public function title(): string
    {
        return $this->data['title'];
    }

    public function has(LimitKind $limit): bool
    {
        return isset($this->data['limits'][$limit->value]);
    }

    public function readsLeftToRight(): bool
    {
        return $this->data['boolean']['reading'] === 'left-to-right';
    }

    public function field(Field $field): ?string
    {
        return $this->data['fields'][$field->value] ?? null;
    }

    public function fieldNamed(string $notation): ?Field
    {
        foreach ($this->data['fields'] as $field => $own) {
            if (strcasecmp($own, $notation) === 0) {
                return Field::from($field);
            }
        }

        return null;
    }
}
