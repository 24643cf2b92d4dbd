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
    // a statement and its values in one message: preparing each by itself would take three
    'options' => [PDO::PGSQL_ATTR_DISABLE_PREPARES => true],
];

return [
    'default' => 'pgsql',
    'connections' => [
        'pgsql' => $postgres,
        // for telling how far something is while it is read as of one moment, or not committed yet
        'beside' => $postgres,
    ],
    // signs in for the application where tables are owned by another role; see database/grants.sql
    'application_role' => env('DB_APPLICATION_ROLE', 'heron_app'),
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
    'redis' => [
        'client' => env('REDIS_CLIENT', 'predis'),
        'default' => ['host' => env('REDIS_HOST', '127.0.0.1'), 'port' => env('REDIS_PORT', '6379'), 'database' => 0],
        'cache' => ['host' => env('REDIS_HOST', '127.0.0.1'), 'port' => env('REDIS_PORT', '6379'), 'database' => 1],
    ],
];
