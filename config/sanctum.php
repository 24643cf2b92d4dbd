<?php

// Programs come with tokens and with nothing else: a cookie of somebody's browser opens no interface.
return [
    'stateful' => [],
    'guard' => [],
    'routes' => false,
    'expiration' => null,
    'token_prefix' => '',
];
