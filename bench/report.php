<?php

// Times a long report of a running copy: its page, what follows the review, one exchange, files, and the page that an
// outsider reads. php bench/report.php BASE REVIEW ROUNDS TOKEN

require __DIR__.'/signed-in.php';

$json = ['Content-Type: application/json', 'Accept: application/json', "X-CSRF-TOKEN: {$csrf}"];
$text = "/reviews/{$review}/report/text";
[$page] = $ask('GET', $text);
preg_match('~id="report-data">(.*?)</script>~s', $page, $data);
$schema = json_decode($data[1], true)['schema'];
$body = fn (int $after): string => json_encode(['schema' => $schema, 'after' => $after, 'client' => 7, 'presence' => '']);
$files = fn (string $format): array => $ask('GET', "{$text}.{$format}");
// from the press to the file that was made in the background
$made = function (string $kind) use ($ask, $review, $csrf): array {
    $begun = microtime(true);
    $known = ($newest = fn (): string => preg_match('~/report/made/([0-9a-z]{26})~', $ask('GET', "/reviews/{$review}/report")[0], $m) ? $m[1] : '')();
    $ask('POST', "/reviews/{$review}/report/made", http_build_query(['_token' => $csrf, 'kind' => $kind]));
    while (($new = $newest()) === $known && microtime(true) - $begun < 120) {
        usleep(200_000);
    }
    [$file] = $ask('GET', "/reviews/{$review}/report/made/{$new}");

    return [$file, 1000 * (microtime(true) - $begun)];
};
$times = function (string $what, Closure $do, int $rounds): string {
    $times = [];
    $last = '';
    for ($i = 0; $i < $rounds; $i++) {
        [$last, $time] = $do();
        $times[] = $time;
    }
    sort($times);
    echo json_encode([
        'what' => $what,
        'rounds' => $rounds,
        'median_ms' => round($times[intdiv($rounds, 2)], 1),
        'p95_ms' => round($times[(int) (0.95 * $rounds)], 1),
        'KiB' => round(strlen($last) / 1024),
    ]), "\n";

    return $last;
};
$times('the page', fn (): array => $ask('GET', $text), $rounds);
$times('its text, to one who has nothing', fn (): array => $ask('POST', "{$text}/exchange", $body(-1), $json), $rounds);
$times('an exchange without news', fn (): array => $ask('POST', "{$text}/exchange", $body(1 << 30), $json), 4 * $rounds);
$times('what has changed', fn (): array => $ask('GET', "{$text}/standing", null, $json), $rounds);
$times('one HTML page', fn (): array => $files('html'), 5);
$pdf = $times('PDF', fn (): array => $made('report-pdf'), 3);
$times('DOCX', fn (): array => $made('report-docx'), 3);
$times('an outsider reads', fn (): array => $ask('GET', "/read/{$argv[4]}"), 4 * $rounds);
file_put_contents($path = tempnam(sys_get_temp_dir(), 'report'), $pdf);
echo json_encode(['what' => 'pages of the PDF', 'pages' => (int) shell_exec('pdfinfo '.escapeshellarg($path)." | sed -n 's/^Pages: *//p'")]), "\n";
unlink($path);
