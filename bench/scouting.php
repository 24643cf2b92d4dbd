<?php

declare(strict_types=1);

// Ranks abstracts by a plain question, beside plain BM25 over the same: scouting.php [RECORDS]. One JSON line a step.

require __DIR__.'/../vendor/autoload.php';

use WaryHeron\Core\Bibliography\Format\Ris\RisReader;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Scouting\Named\NameKind;
use WaryHeron\Core\Scouting\Reading\ReadRecord;
use WaryHeron\Core\Scouting\Scout;
use WaryHeron\Core\Text\Words;

const QUESTION = 'Does bright light during the night shift make hospital staff less sleepy?';

$size = (int) ($argv[1] ?? 1000);
$seeds = [];
foreach ((new RisReader())->read(fopen(__DIR__.'/../database/demo/tern-abstracts.ris', 'rb')) as $one) {
    $one instanceof Reference && $one->abstract !== '' && ($seeds[] = [$one->title, $one->abstract]);
}
$tell = function (string $what, float $began) use ($size): void {
    $seconds = round(microtime(true) - $began, 3);
    $peak = round(memory_get_peak_usage() / 1048576, 1);
    echo json_encode(['what' => $what, 'size' => $size, 'seconds' => $seconds, 'peak_mib' => $peak], JSON_THROW_ON_ERROR), "\n";
};

$began = microtime(true);
$counts = $holding = [];
for ($i = 0; $i < $size; $i++) {
    $counts[$i] = array_count_values(Words::of(implode(' ', $seeds[$i % count($seeds)])));
    foreach ($counts[$i] as $word => $n) {
        $holding[$word] = ($holding[$word] ?? 0) + 1;
    }
}
$mean = array_sum(array_map(array_sum(...), $counts)) / $size;
$scores = [];
foreach ($counts as $i => $words) {
    $norm = 1.2 * (0.25 + 0.75 * array_sum($words) / $mean);
    $scores[$i] = 0.0;
    foreach (array_unique(Words::of(QUESTION)) as $word) {
        $n = $words[$word] ?? 0;
        $rarity = log(1 + ($size - ($holding[$word] ?? 0) + 0.5) / (($holding[$word] ?? 0) + 0.5));
        $scores[$i] += ($rarity * $n * 2.2) / ($n + $norm);
    }
}
arsort($scores);
$tell('plain BM25, nothing read', $began);

$began = microtime(true);
$records = [];
for ($i = 0; $i < $size; $i++) {
    [$title, $abstract] = $seeds[$i % count($seeds)];
    $records[] = ReadRecord::of("r{$i}", $title, $abstract);
}
$tell('abstracts read as sentences', $began);
$scout = new Scout();
$question = $scout->question(QUESTION);
$began = microtime(true);
$scout->findings($question, $records);
$tell('ranked, with sentence, direction and reasons', $began);
$began = microtime(true);
$scout->named($question, $records, NameKind::Instrument);
$tell('instruments named', $began);
