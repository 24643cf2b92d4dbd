<?php

return [
    'driver' => env('SESSION_DRIVER', 'database'),
    'lifetime' => 60 * 24 * 7,
    'expire_on_close' => false,
    'encrypt' => false,
    // of the database or of Redis, as the driver says
    'connection' => null,
    'table' => 'sessions',
    'store' => null,
    'lottery' => [2, 1000],
    // over TLS a name that no other host and no plain connection can set
    'cookie' => str_starts_with((string) env('APP_URL'), 'https:') ? '__Host-wary_heron' : 'wary_heron_session',
    'path' => '/',
    'domain' => null,
    'secure' => str_starts_with((string) env('APP_URL'), 'https:'),
    'http_only' => true,
    'same_site' => 'lax',
    'partitioned' => false,
    'files' => storage_path('framework/sessions'),
];
