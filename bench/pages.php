<?php

// Times pages of a running copy against a bare signed-in page of the same copy, one request after the other, taking
// turns. php bench/pages.php BASE REVIEW ROUNDS

require __DIR__.'/signed-in.php';

// a cursor far into the list, as the page itself would give it
[$far] = $ask('GET', "/reviews/{$review}/records?sort=title&desc=1");
preg_match('~href="([^"]+)" rel="next"~', $far, $next);
$items = function () use ($ask, $review): array {
    [$json] = $ask('GET', "/reviews/{$review}/screening/desk/ahead?after=0", null, ['Accept: application/json']);

    return array_column(json_decode($json, true)['items'], 'id');
};
$queue = [];
$decide = function () use (&$queue, $items, $ask, $review, $csrf): array {
    $queue = $queue === [] ? $items() : $queue;
    $id = array_shift($queue);

    return $ask(
        'POST',
        "/reviews/{$review}/screening/items/{$id}/decision",
        json_encode([
            'verdict' => 'include',
            'note' => '',
            'key' => bin2hex(random_bytes(16)),
            'seen' => '',
            'after' => 0,
        ]),
        ['Content-Type: application/json', 'Accept: application/json', "X-CSRF-TOKEN: {$csrf}"],
    );
};
$pages = [
    'reading desk' => fn (): array => $ask('GET', "/reviews/{$review}/screening/desk"),
    'decision' => $decide,
    'publication list' => fn (): array => $ask('GET', "/reviews/{$review}/records"),
    'publication list by title, next page' => fn (): array => $ask('GET', html_entity_decode($next[1])),
    'publication list, filtered by a query' => fn (): array => $ask(
        'GET',
        "/reviews/{$review}/records?q=".urlencode('title:visor* AND crossover'),
    ),
];
// each filter alone, and some together, with words that many records have
[$library] = $ask('GET', "/reviews/{$review}/records");
$option = fn (string $name): string => preg_match(
    '~name="'.$name.'"><option value="">any</option><option[^>]*>([^<]+)~',
    $library,
    $found,
) === 1
    ? html_entity_decode($found[1])
    : '';
$filters = [
    'state=waiting',
    'state=included',
    'state=pending',
    'from=2010&to=2015',
    'type='.urlencode($option('type')),
    'language='.urlencode($option('language')),
    'source='.urlencode($option('source')),
    'no_abstract=1',
    'duplicates=1',
    'coded=1',
    'tag=none',
    'q='.urlencode('light'),
    'q='.urlencode('light* AND night*'),
    'q='.urlencode('"night shift"'),
    'q='.urlencode('title:light*'),
    'q='.urlencode('alert* NEAR/5 night*'),
    'q='.urlencode('night* NOT nurses'),
    'q='.urlencode('wom?n OR behavio*r'),
    'q='.urlencode('light').'&from=2010&to=2020&state=waiting',
    'q='.urlencode('author:okafor'),
];
foreach ($filters as $filter) {
    $pages["list, {$filter}"] = fn (): array => $ask('GET', "/reviews/{$review}/records?{$filter}");
}
$bare = fn (): array => $ask('GET', '/account');
foreach ($pages as $name => $page) {
    $times = $bareTimes = [];
    $isQuery = str_contains($name, 'q=');
    $many = $isQuery ? intdiv($rounds, 3) : $rounds;
    for ($i = -3; $i < $many; $i++) {
        [, $bareTime] = $bare();
        [, $time] = $page();
        if ($i >= 0) {
            $bareTimes[] = $bareTime;
            $times[] = $time;
        }
    }
    sort($times);
    sort($bareTimes);
    $median = fn (array $of): float => round($of[intdiv(count($of), 2)], 1);
    echo json_encode([
        'what' => $name,
        'rounds' => $many,
        'median_ms' => $median($times),
        'p95_ms' => round($times[(int) (0.95 * count($times))], 1),
        'plain' => 'bare signed-in page',
        'plain_median_ms' => $median($bareTimes),
        'ratio' => round($median($times) / $median($bareTimes), 2),
    ]),
    "\n";
}
