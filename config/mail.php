<?php

return [
    'default' => env('MAIL_MAILER') ?? (env('MAIL_HOST') === null ? 'post-room' : 'smtp'),
    'mailers' => [
        'post-room' => ['transport' => 'post-room'],
        'array' => ['transport' => 'array'],
        'smtp' => [
            'transport' => 'smtp',
            'host' => env('MAIL_HOST', '127.0.0.1'),
            'port' => env('MAIL_PORT', 587),
            'username' => env('MAIL_USERNAME'),
            'password' => env('MAIL_PASSWORD'),
        ],
    ],
    'from' => ['address' => env('MAIL_FROM_ADDRESS', 'post@heron.example'), 'name' => 'Wary Heron'],
];
