<?php

$standins = env('STANDINS_URL', env('HERON_DEMO') ? 'http://127.0.0.1:8190' : null);
$named = env('HERON_SOURCES'); // a JSON file of one's own, as docs/operating.md describes

return [
    // In a demo everybody may read all mail and see the page of components. Never set where real people work.
    'demo' => (bool) env('HERON_DEMO', false),

    // The databases that can be searched from here. "asks" is the query type that the server is sent; "thesaurus" is
    // where it publishes its headings as SKOS, if it has any.
    'sources' => is_string($named)
        ? json_decode((string) file_get_contents($named), true, 16, JSON_THROW_ON_ERROR)
        : ($standins === null
            ? []
            : [
                'alder' => [
                    'name' => 'Alder Index',
                    'short' => 'Alder',
                    'url' => "{$standins}/alder",
                    'dialect' => 'cql',
                    'asks' => 'cql',
                    'batch' => 500,
                    'timeout' => 20,
                    'thesaurus' => "{$standins}/alder/thesaurus.ttl",
                ],
                'tern' => [
                    'name' => 'Tern Abstracts',
                    'short' => 'Tern',
                    'url' => "{$standins}/tern",
                    'dialect' => 'ccl',
                    'asks' => 'ccl',
                    'batch' => 200,
                    'timeout' => 20,
                    'thesaurus' => "{$standins}/tern/thesaurus.ttl",
                ],
                'fen' => [
                    'name' => 'Fen Register',
                    'kind' => 'register',
                    'short' => 'Fen',
                    'url' => "{$standins}/fen",
                    'dialect' => 'fen',
                    'asks' => 'cql',
                    'batch' => 100,
                    'timeout' => 20,
                    'thesaurus' => null,
                ],
            ]),

    // Resolves DOIs to PDFs, for those that it has.
    'locker' => env('HERON_LOCKER', $standins === null ? null : "{$standins}/locker"),

    // A service of one's own that proposes answers from papers; none is asked unless it is named here. What it is sent
    // and has to answer is in docs/leads-service.md.
    'leads' => [
        'url' => env('HERON_LEADS_URL'),
        'name' => env('HERON_LEADS_NAME', 'the outside service'),
        'timeout' => (int) env('HERON_LEADS_TIMEOUT', 60),
    ],

    // Sign-in at an institution by OpenID Connect. Its address is what it calls itself (“iss”); the way back that it has to
    // know is /sign-in/institution/back of this copy.
    'institution' => [
        'issuer' => env('HERON_OIDC_ISSUER') ?: null,
        'client' => (string) env('HERON_OIDC_CLIENT', ''),
        'secret' => (string) env('HERON_OIDC_SECRET', ''),
        'name' => (string) env('HERON_OIDC_NAME', 'your institution'),
        // whether somebody whom nobody invited may have an account
        'newcomers' => (bool) env('HERON_OIDC_NEWCOMERS', false),
    ],

    // Whether everybody has to have a second factor, at the latest at their next page.
    'second_factor_required' => (bool) env('HERON_SECOND_FACTOR_REQUIRED', false),

    // Of the words in pictures of pages, as tesseract names them; each needs Debian's package of that language.
    'picture_languages' => env('HERON_PICTURE_LANGUAGES', 'eng'),

    // addresses of what stands before the web servers and may say where a request came from, with commas between
    'proxies' => env('HERON_PROXIES') ?: null,

    'largest_upload_mb' => 200,

    // answers in one document; more would take its maker minutes, and nobody could read it
    'document_answers' => 5000,

    // What the delivered files and PDFs of one review may come to in all.
    // what whoever asks /metrics has to show; without one there are none
    'metrics_token' => env('HERON_METRICS_TOKEN', ''),

    'review_gigabytes' => (float) env('HERON_REVIEW_GB', 20),
];
