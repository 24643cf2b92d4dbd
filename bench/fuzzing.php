<?php

declare(strict_types=1);

// Nearly valid texts through every reader of the core. Usage: fuzzing.php [SECONDS] [SEED] [READER]. What ended badly is
// told with its seed, by which it is made again: fuzzing.php 0 SEED READER prints the text.

use Bench\Fuzz\Fuzzing;
use Bench\Fuzz\Readers;

require __DIR__.'/../vendor/autoload.php';

$seconds = (int) ($argv[1] ?? 60);
$seed = (int) ($argv[2] ?? time());
$readers = Readers::all();
$only = $argv[3] ?? '';
if ($seconds === 0 && isset($readers[$only])) {
    echo (new Fuzzing(...$readers[$only]))->text($seed);
    exit(0);
}
$bad = 0;
$chosen = isset($readers[$only]) ? [$only => $readers[$only]] : $readers;
foreach ($chosen as $name => $reader) {
    $fuzzing = new Fuzzing(...$reader);
    $until = microtime(true) + $seconds / count($chosen);
    $faults = [];
    for ($tried = 0; microtime(true) < $until; $tried++) {
        $fault = $fuzzing->fault($seed + $tried);
        if ($fault !== null) {
            $faults[$fault] ??= $seed + $tried;
        }
    }
    $bad += count($faults);
    echo json_encode(['reader' => $name, 'from_seed' => $seed, 'tried' => $tried, 'faults' => $faults], JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES), "\n";
}
exit($bad === 0 ? 0 : 1);
