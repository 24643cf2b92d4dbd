<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Database\Connectors\PostgresConnector;

/**
 * Finds out within seconds that the line to the database is cut, instead of after a quarter of an hour, so that a page
 * says so and a worker tries again. What the database takes long for is waited for as ever.
 */
final class ImpatientConnector extends PostgresConnector
{
    /** As libpq names them: seconds, but the third, which is milliseconds. */
    private const LIMITS = [
        'connect_timeout' => 5,
        'keepalives_idle' => 5,
        'tcp_user_timeout' => 8000,
        'keepalives_interval' => 2,
        'keepalives_count' => 2,
    ];

    /** @param  array<string, mixed>  $config */
    protected function getDsn(array $config): string
    {
        $limits = array_map(
            fn (string $name, int $value): string => ";{$name}={$value}",
            array_keys(self::LIMITS),
            self::LIMITS,
        );

        return parent::getDsn($config).implode('', $limits);
    }
}
