<?php

use App\Logs\LogLine;
use Monolog\Formatter\JsonFormatter;

return [
    'default' => env('LOG_CHANNEL', 'single'),
    'channels' => [
        'single' => [
            'driver' => 'single',
            'path' => storage_path('logs/laravel.log'),
            'level' => env('LOG_LEVEL', 'debug'),
            'permission' => 0640,
            'formatter' => LogLine::class,
        ],
        'stderr' => [
            'driver' => 'monolog',
            'formatter' => LogLine::class,
            'handler' => Monolog\Handler\StreamHandler::class,
            'with' => ['stream' => 'php://stderr'],
        ],
        'null' => ['driver' => 'monolog', 'handler' => Monolog\Handler\NullHandler::class],
        // sign-ins, refusals, downloads: one JSON line each, a file a day, kept for a quarter
        'security' => env('LOG_SECURITY') === 'off'
                ? ['driver' => 'monolog', 'handler' => Monolog\Handler\NullHandler::class]
                : [
                    'driver' => 'daily',
                    'path' => storage_path('logs/security.log'),
                    'days' => 92,
                    'permission' => 0640,
                    'formatter' => JsonFormatter::class,
                ],
    ],
];
