<?php

declare(strict_types=1);

// Brings PDFs of a megabyte until there is no room, looks at each that was taken, makes room and brings one more.
// php bench/filling.php BASE REVIEW MOST COMMAND-THAT-MAKES-ROOM

require __DIR__.'/../vendor/autoload.php';

use WaryHeron\Standins\Locker\PlainPdf;

[$base, $review, $most, $more] = [$argv[1], $argv[2], (int) $argv[3], $argv[4]];
$curl = curl_init();
curl_setopt_array($curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_COOKIEFILE => '', CURLOPT_ENCODING => '']);
$ask = function (string $path, ?array $form = null, bool $isJson = false) use ($curl, $base): array {
    curl_setopt_array($curl, [
        CURLOPT_URL => $base.$path,
        CURLOPT_HTTPGET => $form === null,
        CURLOPT_HTTPHEADER => $isJson ? ['Accept: application/json'] : [],
    ] + ($form === null ? [] : [CURLOPT_POST => true, CURLOPT_POSTFIELDS => $form]));

    return [(string) curl_exec($curl), (int) curl_getinfo($curl, CURLINFO_RESPONSE_CODE)];
};
$token = fn (string $html): string => preg_match('/name="csrf-token" content="(\w+)"/', $html, $m) === 1 ? $m[1] : '';
$ask('/sign-in', ['_token' => $token($ask('/sign-in')[0]), 'email' => getenv('BENCH_EMAIL'), 'password' => 'a long password']);
$csrf = $token($ask("/reviews/{$review}/full-texts")[0]);
$bring = function (int $i) use ($ask, $csrf, $review): array {
    $bytes = PlainPdf::of([[12, "Lamps of ward {$i}"]]).'%'.bin2hex(random_bytes(500_000))."\n";
    $file = tempnam(sys_get_temp_dir(), 'fill');
    file_put_contents($file, $bytes);
    [$answer, $status] = $ask("/reviews/{$review}/full-texts/files", [
        '_token' => $csrf,
        'file' => new CURLFile($file, 'application/pdf', "ward {$i}.pdf"),
    ], true);
    unlink($file);

    return [$status, json_decode($answer, true), hash('sha256', $bytes)];
};
$taken = $refused = [];
for ($i = 1; $i <= $most; $i++) {
    [$status, $told, $hash] = $bring($i);
    $status === 200 ? $taken[$told['id']] = $hash : $refused[] = "{$status} ".mb_substr((string) ($told['message'] ?? ''), 0, 120);
}
$broken = 0;
foreach ($taken as $id => $hash) {
    [$bytes, $status] = $ask("/reviews/{$review}/full-texts/files/{$id}");
    $broken += $status === 200 && hash('sha256', $bytes) === $hash ? 0 : 1;
}
shell_exec($more);
[$after] = $bring($most + 1);
echo json_encode(['taken' => count($taken), 'refused' => array_count_values($refused), 'broken' => $broken, 'with_room_again' => $after], JSON_UNESCAPED_UNICODE), "\n";
exit($broken === 0 && $refused !== [] && $taken !== [] && $after === 200 ? 0 : 1);
