<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Dialect;

use WaryHeron\Core\Search\Query\Field;

/**
 * A database's query syntax as data; see docs/dialects.md for the keys of its file.
 *
 * @phpstan-type DialectData array{
 *   name: string, title: string,
 *   boolean: array{and: string, or: string, not: string, reading: 'left-to-right'|'not-and-or'},
 *   fields: array<string, string>, fieldForm: string, fieldScope: 'term'|'group', fieldJoin?: string,
 *   plainWord: string, escape: string|null, escaped?: string, truncation: array{sign: string, minimumStem: int}|null,
 *   proximity: array{form: string, furthest: int, binds: 'as-boolean'|'tightest'}|null,
 *   heading: array{form: string, narrower: string|null, major: string|null, qualifier: string|null}|null,
 *   limits: array<string, mixed>, lines: array{one: string, any: string|null, all: string|null, range: string|null}|null
 * }
 */
final readonly class Dialect
{
    /** @param  DialectData  $data */
    private function __construct(public array $data)
    {
    }

    /** @throws BadDialect If a key is missing, unknown or of the wrong type. */
    public static function fromJson(string $json): self
    {
        $data = json_decode($json, true);
        if (! is_array($data)) {
            throw BadDialect::notJson(json_last_error_msg());
        }
        foreach (['name', 'title', 'boolean', 'fields', 'fieldForm', 'fieldScope', 'plainWord', 'escape', 'truncation', 'proximity', 'heading', 'limits', 'lines'] as $key) {
            if (! array_key_exists($key, $data)) {
                throw BadDialect::without($key);
            }
        }
        foreach (array_keys($data['fields']) as $field) {
            if (Field::tryFrom((string) $field) === null) {
                throw BadDialect::unknownField((string) $field);
            }
        }

        /** @var DialectData $data */
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
