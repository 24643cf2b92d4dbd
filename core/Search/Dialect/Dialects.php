<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Dialect;

/** The dialects that ship with the product, each a file beside this one. */
final class Dialects
{
    public const NAMES = ['heron', 'cql', 'ccl', 'fen'];

    /** @var array<string, Dialect> */
    private static array $read = [];

    public static function heron(): Dialect
    {
        return self::shipped('heron');
    }

    public static function cql(): Dialect
    {
        return self::shipped('cql');
    }

    public static function named(string $name): ?Dialect
    {
        return in_array($name, self::NAMES, true) ? self::shipped($name) : null;
    }

    /** The file of a shipped dialect as it stands: what somebody starts from who writes another. */
    public static function fileOf(string $name): string
    {
        return (string) file_get_contents(__DIR__."/files/{$name}.json");
    }

    private static function shipped(string $name): Dialect
    {
        return self::$read[$name] ??= Dialect::fromJson(self::fileOf($name));
    }
}
