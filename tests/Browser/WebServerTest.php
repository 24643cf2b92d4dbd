<?php

use Tests\Browser\Server;

it('answers with nothing of the repository, lists no folder and takes no method that no page has', function (
    string $method,
    string $path,
    int $status,
) {
    Server::fresh();
    $asked = curl_init(getenv('HERON_TEST_URL').$path);
    curl_setopt_array($asked, [
        CURLOPT_CUSTOMREQUEST => $method,
        CURLOPT_RETURNTRANSFER => true,
        CURLOPT_PATH_AS_IS => true,
        CURLOPT_HEADER => true,
    ]);
    $answer = (string) curl_exec($asked);
    expect(curl_getinfo($asked, CURLINFO_RESPONSE_CODE))->toBe($status)
        ->and($answer)->not->toMatch('~^(?:X-Powered-By|Server: nginx/|X-AspNet)~im');
})->with([
    ['TRACE', '/', 405],
    ['PROPFIND', '/', 405],
    ['GET', '/.git/config', 404],
    ['GET', '/.env', 404],
    ['GET', '/../composer.json', 400],
    ['GET', '/vendor/autoload.php', 404],
    ['GET', '/index.php/../../.env', 400],
    ['GET', '/build/', 404],
    ['GET', '/storage/logs/laravel.log', 404],
    ['GET', '/up', 200],
]);
