<?php

$postgres = [
    'driver' => 'pgsql',
    'host' => env('DB_HOST', '127.0.0.1'),
    'port' => env('DB_PORT', '5432'),
    'database' => env('DB_DATABASE', 'heron'),
    'username' => env('DB_USERNAME', 'heron'),
    'password' => env('DB_PASSWORD', ''),
    'charset' => 'utf8',
    'prefix' => '',
    'sslmode' => env('DB_SSLMODE', 'prefer'),
    // a statement and its values in one message: preparing each by itself would take three, and a pool of connections
    // that changes hands between transactions would not know what was prepared
    'options' => [PDO::PGSQL_ATTR_DISABLE_PREPARES => true],
    // whether connections are shared between transactions: then nothing may be set for the rest of one, and limits of
    // time are the pool's own
    'pooled' => (bool) env('DB_POOLED', false),
];

// a replica, under another name at the same pool or at a host of its own; asked only by what may be a moment old
$replica = array_filter([
    'host' => env('DB_READ_HOST'),
    'port' => env('DB_READ_PORT'),
    'database' => env('DB_READ_DATABASE'),
]);

// where the sentinels are, as “host:port,host:port”: they know which Redis is the primary
$redis = function (int $database): array {
    $sentinels = array_filter(explode(',', (string) env('REDIS_SENTINELS', '')));
    // short, since one that hangs and answers later would take what its successor never learns of
    $parameters = ['password' => env('REDIS_PASSWORD'), 'database' => $database, 'timeout' => 1, 'read_write_timeout' => 2];

    return $sentinels === []
        ? ['host' => env('REDIS_HOST', '127.0.0.1'), 'port' => env('REDIS_PORT', '6379'), ...$parameters]
        : [
            ...array_map(fn (string $at): string => "tcp://{$at}?timeout=0.5", $sentinels),
            'options' => [
                'replication' => 'sentinel',
                'service' => env('REDIS_SENTINEL_SERVICE', 'heron'),
                'parameters' => $parameters,
            ],
        ];
};

return [
    'default' => 'pgsql',
    'connections' => [
        'pgsql' => $replica === [] ? $postgres : [...$postgres, 'read' => $replica, 'write' => [], 'sticky' => true],
        // for telling how far something is while it is read as of one moment, or not committed yet
        'beside' => $postgres,
    ],
    // signs in for the application where tables are owned by another role; see database/grants.sql
    'application_role' => env('DB_APPLICATION_ROLE', 'heron_app'),
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
    'redis' => [
        'client' => 'predis',
        'options' => ['prefix' => 'heron:'],
        'default' => $redis(0),
        'cache' => $redis(1),
    ],
];
