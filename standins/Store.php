<?php

declare(strict_types=1);

namespace WaryHeron\Standins;

use PDO;

/** The stand-ins' own database, which the application never touches. */
final class Store
{
    private static ?PDO $open = null;

    public static function connect(): PDO
    {
        return self::$open ??= new PDO(
            getenv('STANDINS_DSN') ?: throw new \RuntimeException('STANDINS_DSN names no database.'),
            getenv('STANDINS_USER') ?: null,
            getenv('STANDINS_PASSWORD') ?: null,
            [
                PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION,
                PDO::ATTR_DEFAULT_FETCH_MODE => PDO::FETCH_ASSOC,
                PDO::ATTR_EMULATE_PREPARES => false,
                PDO::ATTR_PERSISTENT => PHP_SAPI !== 'cli',
            ],
        );
    }
}
