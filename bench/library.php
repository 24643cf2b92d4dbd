<?php

// Times the library under every filter and sort, first pages and pages further in. php bench/library.php BASE
// REVIEW ROUNDS

require __DIR__.'/signed-in.php';

$filters = [
    'all' => '',
    'query' => 'q='.urlencode('light* AND night*'),
    'query with a field' => 'q='.urlencode('title:visor* AND crossover'),
    'query for a rare word' => 'q=midwives',
    'years' => 'from=2015&to=2018',
    'type' => 'type=article',
    'language' => 'language=en',
    'no abstract' => 'no_abstract=1',
    'several records' => 'duplicates=1',
    'not open' => 'state=waiting',
    'source' => 'source='.urlencode('Load'),
    'several at once' => 'q='.urlencode('nurs*').'&from=2010&type=article&duplicates=1',
];
$all = [];
foreach ($filters as $name => $filter) {
    $times = [];
    foreach (['', 'sort=title', 'sort=year&desc=1', 'sort=author'] as $sort) {
        $path = "/reviews/{$review}/records?{$filter}&{$sort}";
        [$html] = $ask('GET', $path);
        $next = preg_match('~href="([^"]+)" rel="next"~', $html, $found) === 1 ? html_entity_decode($found[1]) : $path;
        for ($i = 0; $i < $rounds; $i++) {
            $times[] = $ask('GET', $i % 2 === 0 ? $path : $next)[1];
        }
    }
    sort($times);
    array_push($all, ...$times);
    echo json_encode([
        'what' => 'library',
        'filter' => $name,
        'requests' => count($times),
        'median_ms' => round($times[intdiv(count($times), 2)], 1),
        'p95_ms' => round($times[(int) (0.95 * count($times))], 1),
    ]),
    "\n";
}
$plain = [];
for ($i = 0; $i < 60; $i++) {
    $plain[] = $ask('GET', '/account')[1];
}
sort($all);
sort($plain);
echo json_encode([
    'what' => 'library, any filter and page',
    'requests' => count($all),
    'median_ms' => round($all[intdiv(count($all), 2)], 1),
    'p95_ms' => round($all[(int) (0.95 * count($all))], 1),
    'plain' => 'bare signed-in page',
    'plain_median_ms' => round($plain[30], 1),
    'plain_p95_ms' => round($plain[57], 1),
]),
"\n";
