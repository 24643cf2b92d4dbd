<?php

declare(strict_types=1);

// Learns from judged texts and scores many more: ranking.php [TEXTS] [JUDGED]. One JSON line a step.

require __DIR__.'/../vendor/autoload.php';

use WaryHeron\Core\Bibliography\Format\Ris\RisReader;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Screening\Ranking\ReadingOrder;
use WaryHeron\Core\Screening\Ranking\RelevanceModel;

ini_set('memory_limit', '1G');
$size = (int) ($argv[1] ?? 100000);
$judged = min($size, (int) ($argv[2] ?? 5000));

$seeds = [];
foreach ((new RisReader())->read(fopen(__DIR__.'/../database/demo/tern-abstracts.ris', 'rb')) as $one) {
    $one instanceof Reference && $one->abstract !== '' && ($seeds[] = "{$one->title} {$one->abstract}");
}
$text = function (int $i) use ($seeds): string {
    [$a, $b] = [$seeds[($i * 7919) % count($seeds)], $seeds[($i * 104729) % count($seeds)]];

    return mb_substr($a, 0, 800).' '.mb_substr($b, -600);
};
$relevant = fn (string $text): bool => str_contains(substr($text, 0, 400), 'sleep') &&
    preg_match('/randomi/i', $text) === 1;
$tell = function (string $what, int $size, float $began): void {
    echo json_encode(
        [
            'what' => $what,
            'size' => $size,
            'seconds' => round(microtime(true) - $began, 2),
            'peak_mib' => round(memory_get_peak_usage() / 1048576, 1),
        ],
        JSON_THROW_ON_ERROR,
    ),
    "\n";
};

$texts = array_map($text, range(0, $judged - 1));
$included = array_map($relevant, $texts);
$began = microtime(true);
$model = RelevanceModel::learn($texts, $included, 7);
$tell('learn, '.count(array_filter($included)).' relevant', $judged, $began);
$began = microtime(true);
$quality = RelevanceModel::tried(array_slice($texts, 0, 2000), array_slice($included, 0, 2000), 7);
$tell('tried on fifths, WSS@95 '.round((float) $quality?->wss95(), 3), min($judged, 2000), $began);
$began = microtime(true);
$scores = [];
for ($i = 0; $i < $size; $i++) {
    $scores["i{$i}"] = $model->score($text($i));
}
$tell('score', $size, $began);
$began = microtime(true);
ReadingOrder::Likely->arrange($scores, 10, 7);
$tell('arrange', $size, $began);
