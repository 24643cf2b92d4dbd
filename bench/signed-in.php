<?php

// Signs in to a running copy. Gives $ask, which makes a request and says how long the server took, and $csrf.
// Arguments of the including script: BASE REVIEW ROUNDS

[$base, $review, $rounds] = [$argv[1], $argv[2], (int) $argv[3]];
$curl = curl_init();
curl_setopt_array($curl, [
    CURLOPT_RETURNTRANSFER => true,
    CURLOPT_COOKIEFILE => '',
    CURLOPT_FOLLOWLOCATION => false,
    CURLOPT_ENCODING => '',
]);
$ask = function (string $method, string $path, ?string $body = null, array $headers = []) use ($curl, $base): array {
    curl_setopt_array($curl, [
        CURLOPT_URL => str_starts_with($path, 'http') ? $path : $base.$path,
        CURLOPT_CUSTOMREQUEST => $method,
        CURLOPT_POSTFIELDS => $body ?? '',
        CURLOPT_HTTPHEADER => $headers,
    ]);
    do {
        $answer = (string) curl_exec($curl);
        $status = curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
        // a person asks for no more than two queries a second; here one waits until it is time again
    } while ($status === 429 && sleep(5) === 0);
    if ($status >= 400) {
        fwrite(STDERR, "{$method} {$path} answered {$status}\n".substr($answer, 0, 500)."\n");
        exit(1);
    }

    return [$answer, curl_getinfo($curl, CURLINFO_STARTTRANSFER_TIME) * 1000];
};
$token = fn (string $html): string => preg_match('/name="csrf-token" content="(\w+)"/', $html, $m) === 1 ? $m[1] : '';
[$html] = $ask('GET', '/sign-in');
$ask(
    'POST',
    '/sign-in',
    http_build_query([
        '_token' => $token($html),
        'email' => getenv('BENCH_EMAIL') ?: 'reviewer@heron.example',
        'password' => getenv('BENCH_PASSWORD') ?: 'a long password',
    ]),
);
[$html] = $ask('GET', "/reviews/{$review}/screening/desk");
$csrf = $token($html);
