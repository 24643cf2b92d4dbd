<?php

declare(strict_types=1);

namespace App\Queries\Api;

use Carbon\CarbonImmutable;

/** What a part of something is, by which it is given out and described alike. */
final readonly class Field
{
    /** @param  array<string, mixed>  $schema  as JSON Schema 2020-12 */
    private function __construct(private array $schema, private \Closure $cast, public string $about)
    {
    }

    public static function id(string $of): self
    {
        return new self(
            ['type' => 'string', 'pattern' => '^[0-9a-z]{26}$'],
            fn (mixed $is): string => self::plain($is),
            $of,
        );
    }

    public static function text(string $about): self
    {
        return new self(['type' => 'string'], fn (mixed $is): string => self::plain($is), $about);
    }

    public static function whole(string $about): self
    {
        return new self(['type' => 'integer'], fn (mixed $is): int => is_numeric($is) ? (int) $is : 0, $about);
    }

    public static function number(string $about): self
    {
        return new self(['type' => 'number'], fn (mixed $is): float => is_numeric($is) ? (float) $is : 0.0, $about);
    }

    public static function flag(string $about): self
    {
        return new self(['type' => 'boolean'], fn (mixed $is): bool => (bool) $is, $about);
    }

    public static function time(string $about): self
    {
        return new self(
            ['type' => 'string', 'format' => 'date-time'],
            fn (mixed $is): string => CarbonImmutable::parse(self::plain($is))->utc()->format('Y-m-d\TH:i:s.v\Z'),
            $about,
        );
    }

    public static function day(string $about): self
    {
        return new self(['type' => 'string', 'format' => 'date'], fn (mixed $is): string => self::plain($is), $about);
    }

    /** Whatever JSON the database keeps. */
    public static function json(string $about): self
    {
        return new self([], fn (mixed $is): mixed => is_string($is) ? json_decode($is, false, 64) : $is, $about);
    }

    /** @param  list<string>  $of */
    public static function choice(array $of, string $about): self
    {
        return new self(['type' => 'string', 'enum' => $of], fn (mixed $is): string => self::plain($is), $about);
    }

    public static function texts(string $about): self
    {
        return new self(
            ['type' => 'array', 'items' => ['type' => 'string']],
            fn (mixed $is): array => array_values((array) (is_string($is) ? json_decode($is, true, 8) : $is)),
            $about,
        );
    }

    /** The same, or nothing. */
    public function orNone(): self
    {
        $cast = $this->cast;
        $schema = $this->schema === [] ? [] : ['anyOf' => [$this->schema, ['type' => 'null']]];

        return new self($schema, fn (mixed $is): mixed => $is === null ? null : $cast($is), $this->about);
    }

    public function of(mixed $kept): mixed
    {
        return ($this->cast)($kept);
    }

    /** @return array<string, mixed> */
    public function schema(): array
    {
        return [...$this->schema, 'description' => $this->about];
    }

    private static function plain(mixed $is): string
    {
        return is_scalar($is) || $is instanceof \Stringable ? trim((string) $is) : '';
    }
}
