<?php

return [
    // In a demo everybody may read all mail and see the page of components. Never set where real people work.
    'demo' => (bool) env('HERON_DEMO', false),

    'sources' => [
        'alder' => [
            'name' => 'Alder Index',
            'url' => env('ALDER_URL', 'http://127.0.0.1:8190/alder'),
            'dialect' => 'cql',
            'batch' => 500,
            'timeout' => 20,
        ],
    ],

    'largest_upload_mb' => 200,
];
