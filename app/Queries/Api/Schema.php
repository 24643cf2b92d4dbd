<?php

declare(strict_types=1);

namespace App\Queries\Api;

/** Of what kind something is that is given out or taken in, as JSON Schema 2020-12 says it. */
final readonly class Schema implements \JsonSerializable
{
    /**
     * @param  array<string, scalar|list<string>|self|list<self>|array<string, self>>  $keywords  in the order in which they
     *     are written
     */
    private function __construct(private array $keywords)
    {
    }

    public static function any(): self
    {
        return new self([]);
    }

    /** @param  'string'|'integer'|'number'|'boolean'|'object'  $type */
    public static function of(string $type): self
    {
        return new self(['type' => $type]);
    }

    public static function text(): self
    {
        return self::of('string');
    }

    public static function textOrNone(): self
    {
        return new self(['type' => ['string', 'null']]);
    }

    /** @param  list<string>  $of */
    public static function choice(array $of): self
    {
        return new self(['type' => 'string', 'enum' => $of]);
    }

    public static function listOf(self $one): self
    {
        return new self(['type' => 'array', 'items' => $one]);
    }

    /**
     * @param  array<string, self>  $properties
     * @param  list<string>  $required
     */
    public static function object(array $properties, array $required = []): self
    {
        $needed = $required === [] ? [] : ['required' => $required];

        return new self(['type' => 'object', ...$needed, 'properties' => $properties]);
    }

    /** @param  array<string, self>  $properties  all of which it has, and no others */
    public static function exactly(array $properties): self
    {
        return new self([
            'type' => 'object',
            'required' => array_keys($properties),
            'additionalProperties' => false,
            'properties' => $properties,
        ]);
    }

    public static function named(string $name): self
    {
        return new self(['$ref' => "#/components/schemas/{$name}"]);
    }

    /** The same, or nothing. */
    public function orNone(): self
    {
        return $this->keywords === [] ? $this : new self(['anyOf' => [$this, new self(['type' => 'null'])]]);
    }

    /** @param  string|int|self|list<string>  $is */
    public function with(string $keyword, string|int|self|array $is): self
    {
        return new self([...$this->keywords, $keyword => $is]);
    }

    public function described(string $about): self
    {
        return $this->with('description', $about);
    }

    public function jsonSerialize(): object
    {
        return (object) $this->keywords;
    }
}
