<?php

declare(strict_types=1);

namespace App\Queries\Api;

use Carbon\CarbonImmutable;

/** What a part of something is, by which it is given out and described alike. */
final readonly class Field
{
    private function __construct(private Schema $schema, private \Closure $cast, public string $about)
    {
    }

    public static function id(string $of): self
    {
        return new self(
            Schema::text()->with('pattern', '^[0-9a-z]{26}$'),
            fn (mixed $is): string => self::plain($is),
            $of,
        );
    }

    public static function text(string $about): self
    {
        return new self(Schema::text(), fn (mixed $is): string => self::plain($is), $about);
    }

    public static function whole(string $about): self
    {
        return new self(Schema::of('integer'), fn (mixed $is): int => is_numeric($is) ? (int) $is : 0, $about);
    }

    public static function number(string $about): self
    {
        return new self(Schema::of('number'), fn (mixed $is): float => is_numeric($is) ? (float) $is : 0.0, $about);
    }

    public static function flag(string $about): self
    {
        return new self(Schema::of('boolean'), fn (mixed $is): bool => (bool) $is, $about);
    }

    public static function time(string $about): self
    {
        return new self(
            Schema::text()->with('format', 'date-time'),
            fn (mixed $is): string => CarbonImmutable::parse(self::plain($is))->utc()->format('Y-m-d\TH:i:s.v\Z'),
            $about,
        );
    }

    public static function day(string $about): self
    {
        return new self(Schema::text()->with('format', 'date'), fn (mixed $is): string => self::plain($is), $about);
    }

    /** Whatever JSON the database keeps. */
    public static function json(string $about): self
    {
        return new self(Schema::any(), fn (mixed $is): mixed => is_string($is) ? json_decode($is, false, 64) : $is, $about);
    }

    /** @param  list<string>  $of */
    public static function choice(array $of, string $about): self
    {
        return new self(Schema::choice($of), fn (mixed $is): string => self::plain($is), $about);
    }

    public static function texts(string $about): self
    {
        return new self(
            Schema::listOf(Schema::text()),
            fn (mixed $is): array => array_values((array) (is_string($is) ? json_decode($is, true, 8) : $is)),
            $about,
        );
    }

    /** The same, or nothing. */
    public function orNone(): self
    {
        $cast = $this->cast;

        return new self($this->schema->orNone(), fn (mixed $is): mixed => $is === null ? null : $cast($is), $this->about);
    }

    public function of(mixed $kept): mixed
    {
        return ($this->cast)($kept);
    }

    public function schema(): Schema
    {
        return $this->schema->described($this->about);
    }

    private static function plain(mixed $is): string
    {
        return is_scalar($is) || $is instanceof \Stringable ? trim((string) $is) : '';
    }
}
