<?php

declare(strict_types=1);

namespace App\Tasks;

use Illuminate\Database\Connection;
use Illuminate\Queue\Connectors\DatabaseConnector;

final class FairConnector extends DatabaseConnector
{
    /** @param  array<string, mixed>  $config */
    public function connect(array $config): FairQueue
    {
        $database = $this->connections->connection($config['connection'] ?? null);
        assert($database instanceof Connection);

        return new FairQueue(
            $database,
            $config['table'],
            $config['queue'],
            $config['retry_after'] ?? 60,
            $config['after_commit'] ?? null,
            $config['waits_milliseconds'] ?? 0,
        );
    }
}
