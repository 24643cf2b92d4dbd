<?php

declare(strict_types=1);

// Converts made-up RIS records to CSL-JSON, and with Debian's bibutils to its XML beside it. Usage: converting.php
// [SIZE]

use Bench\SyntheticSources;
use WaryHeron\Core\Bibliography\Format\Ris\RisWriter;

require __DIR__.'/../vendor/autoload.php';

$size = max(100, (int) ($argv[1] ?? 100000));
$path = (string) tempnam(sys_get_temp_dir(), 'bench');
$file = fopen($path, 'wb');
foreach ((new RisWriter())->write((new SyntheticSources(3))->records($size)) as $piece) {
    fwrite($file, $piece);
}
fclose($file);

/** @return array{float, float} seconds and peak MiB of a command whose output is thrown away */
$timed = function (array $command): array {
    $began = microtime(true);
    exec(
        '/usr/bin/env bash -c '.
            escapeshellarg(implode(' ', array_map(escapeshellarg(...), $command)).' 2>/dev/null >/dev/null'),
        $lines,
        $code,
    );
    if ($code !== 0) {
        fwrite(STDERR, "{$command[0]} ended with {$code}\n");
        exit(1);
    }

    return [microtime(true) - $began, getrusage(1)['ru_maxrss'] / 1024];
};
// ours first: the peak of children is that of the largest so far
[$seconds, $peak] = $timed([
    PHP_BINARY,
    '-d',
    'pcov.enabled=0',
    __DIR__.'/../artisan',
    'heron:convert',
    $path,
    '--to=csl-json',
]);
[$plain] = $timed(['ris2xml', $path]);
echo json_encode([
    'what' => 'convert RIS to CSL-JSON',
    'size' => $size,
    'file_mib' => round(filesize($path) / 1_048_576, 1),
    'seconds' => round($seconds, 2),
    'peak_mib' => round($peak, 1),
    'plain' => 'bibutils ris2xml, to its XML',
    'plain_seconds' => round($plain, 2),
    'ratio' => round($seconds / $plain, 2),
]),
"\n";
unlink($path);
