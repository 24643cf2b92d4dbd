<?php

// Many people deciding at once: each sends a decision a second, as the Reading Desk does, and sends it again with
// the same key where no answer came. php bench/screening.php BASE REVIEW PEOPLE SECONDS DATABASE_DSN [bare]

[, $base, $review, $people, $seconds, $dsn] = $argv;
[$people, $seconds, $bare] = [(int) $people, (int) $seconds, in_array('bare', $argv, true)];
const HURRY = 12;
$token = fn (string $html): string => preg_match('/name="csrf-token" content="(\w+)"/', $html, $m) === 1 ? $m[1] : '';
$handle = function (string $jar) {
    $curl = curl_init();
    curl_setopt_array($curl, [
        CURLOPT_RETURNTRANSFER => true,
        CURLOPT_COOKIEFILE => $jar,
        CURLOPT_COOKIEJAR => $jar,
        CURLOPT_TIMEOUT => 30,
        CURLOPT_ENCODING => '',
    ]);

    return $curl;
};
$screeners = [];
$folder = sys_get_temp_dir().'/heron-load';
is_dir($folder) || mkdir($folder);
for ($i = 1; $i <= $people; $i++) {
    $curl = $handle("{$folder}/{$i}");
    $ask = function (string $path, ?array $form = null) use ($curl, $base): string {
        curl_setopt_array(
            $curl,
            [CURLOPT_URL => $base.$path, CURLOPT_HTTPGET => $form === null, CURLOPT_HTTPHEADER => []] +
                ($form === null ? [] : [CURLOPT_POST => true, CURLOPT_POSTFIELDS => http_build_query($form)]),
        );

        return (string) curl_exec($curl);
    };
    $desk = $ask("/reviews/{$review}/screening/desk");
    if (! str_contains($desk, 'desk-data')) {
        $ask('/sign-in', [
            '_token' => $token($ask('/sign-in')),
            'email' => "screener{$i}@heron.example",
            'password' => 'a long password',
        ]);
        $desk = $ask("/reviews/{$review}/screening/desk");
    }
    preg_match('~id="desk-data">(.*?)</script>~s', $desk, $data) === 1 || fwrite(STDERR, "Screener {$i} sees no Reading Desk.\n") && exit(1);
    $given = json_decode($data[1], true);
    $screeners[$i] = [
        'curl' => $curl,
        'csrf' => $token($desk),
        'items' => $given['items'],
        'low' => $given['low'],
        'many' => $given['many'],
        'pause' => $given['pause'] / 1000,
        'soon' => 0.0,
        'address' => $given['address'],
        'filling' => false,
        'exhausted' => false,
        'sent' => null,
        'next' => 0.0,
        'key' => null,
        'tries' => 0,
    ];
}
getenv('LOAD_MARK') && touch(getenv('LOAD_MARK'));
// what all processors did, but for this process, in seconds
$busy = function (): float {
    $spent = array_map(intval(...), preg_split('/ +/', (string) file('/proc/stat')[0]) ?: []);
    $mine = getrusage();
    $of = fn (string $what): float => $mine["ru_{$what}.tv_sec"] + $mine["ru_{$what}.tv_usec"] / 1e6;

    return (array_sum(array_slice($spent, 1, 7)) - $spent[4] - $spent[5]) / 100 - $of('utime') - $of('stime');
};
$busyBefore = $busy();
$multi = curl_multi_init();
$began = microtime(true);
$times = $fills = $acknowledged = $failed = $refused = [];
[$answeredAt, $silence] = [microtime(true), 0.0];
foreach ($screeners as $i => $one) {
    $screeners[$i]['next'] = $began + $i / $people;
    $screeners[$i]['soon'] = $began + $one['pause'] * (0.5 + lcg_value());
}
do {
    $now = microtime(true);
    $open = $now < $began + $seconds;
    foreach ($screeners as $i => &$one) {
        if (
            $one['sent'] !== null ||
            $now < $one['next'] ||
            (! $open && $one['key'] === null) ||
            (! $bare && $one['items'] === [])
        ) {
            continue;
        }
        if ($bare) {
            curl_setopt_array($one['curl'], [CURLOPT_URL => "{$base}/account", CURLOPT_HTTPGET => true]);
        } elseif (
            $one['key'] === null &&
            ! $one['exhausted'] &&
            count($one['items']) - 1 < $one['low'] &&
            ($now >= $one['soon'] || count($one['items']) - 1 < HURRY)
        ) {
            // as the page does, which keeps an hour's work at hand and hurries only when little is left
            $one['filling'] = true;
            curl_setopt_array($one['curl'], [
                CURLOPT_URL => "{$base}/reviews/{$review}/screening/desk/ahead?after=".
                    (end($one['items'])['position'] ?? 0).
                    "&many={$one['many']}&{$one['address']}",
                CURLOPT_HTTPGET => true,
                CURLOPT_HTTPHEADER => ['Accept: application/json'],
            ]);
        } else {
            $one['key'] ??= bin2hex(random_bytes(16));
            $item = $one['items'][0];
            curl_setopt_array($one['curl'], [
                CURLOPT_URL => "{$base}/reviews/{$review}/screening/items/{$item['id']}/decision",
                CURLOPT_POST => true,
                CURLOPT_HTTPHEADER => [
                    'Content-Type: application/json',
                    'Accept: application/json',
                    "X-CSRF-TOKEN: {$one['csrf']}",
                ],
                CURLOPT_POSTFIELDS => json_encode([
                    'verdict' => crc32($item['id'].$i) % 3 === 0 ? 'unsure' : 'include',
                    'note' => '',
                    'key' => $one['key'],
                    'seen' => $item['mine']['id'],
                    'answers' => (object) [],
                ]),
            ]);
        }
        $one['sent'] = $now;
        curl_multi_add_handle($multi, $one['curl']);
    }
    unset($one);
    curl_multi_exec($multi, $running);
    curl_multi_select($multi, 0.005);
    while ($done = curl_multi_info_read($multi)) {
        $i = array_key_first(array_filter($screeners, fn (array $one): bool => $one['curl'] === $done['handle']));
        $one = &$screeners[$i];
        $status = curl_getinfo($done['handle'], CURLINFO_RESPONSE_CODE);
        $took = curl_getinfo($done['handle'], CURLINFO_TOTAL_TIME) * 1000;
        $body = (string) curl_multi_getcontent($done['handle']);
        curl_multi_remove_handle($multi, $done['handle']);
        if ($status === 200 && $one['filling']) {
            $fills[] = $took;
            $one['soon'] = microtime(true) + ((json_decode($body, true)['pause'] ?? 0) / 1000) * (0.5 + lcg_value());
            $come = array_udiff(
                json_decode($body, true)['items'] ?? [],
                $one['items'],
                fn (array $a, array $b): int => $a['id'] <=> $b['id'],
            );
            $one['exhausted'] = $come === [];
            array_push($one['items'], ...array_values($come));
            $one['filling'] = false;
        } elseif ($status === 200) {
            $times[] = $took;
            [$silence, $answeredAt] = [max($silence, microtime(true) - $answeredAt), microtime(true)];
            if (! $bare) {
                $acknowledged[] = $one['key'];
                array_shift($one['items']);
            }
            [$one['key'], $one['tries'], $one['next']] = [null, 0, max($one['sent'] + 1.0, microtime(true))];
        } elseif ($status === 0 || $status >= 500) {
            $failed[] = $status;
            $one['filling'] = false;
            $one['next'] = microtime(true) + 0.5;
            ++$one['tries'] > 120 && fwrite(STDERR, "Screener {$i} gets no answer: {$status} ".substr($body, 0, 300)."\n") && exit(1);
        } else {
            $refused[] = "{$status} ".substr($body, 0, 160);
            array_shift($one['items']);
            [$one['key'], $one['next']] = [null, microtime(true) + 1];
        }
        $one['sent'] = null;
        unset($one);
    }
    $waiting = array_filter($screeners, fn (array $one): bool => $one['sent'] !== null || $one['key'] !== null);
} while ($open || $waiting !== []);
$elapsed = microtime(true) - $began;
sort($times);
sort($fills);
$at = fn (float $share): float => round($times[(int) min(count($times) - 1, floor($share * count($times)))] ?? 0, 1);
$result = [
    'what' => $bare ? 'bare signed-in page under the same load' : 'decisions',
    'people' => $people,
    'seconds' => round($elapsed, 1),
    'answered' => count($times),
    'per_second' => round(count($times) / $elapsed, 1),
    'p50_ms' => $at(0.5),
    'p95_ms' => $at(0.95),
    'p99_ms' => $at(0.99),
    'worst_ms' => $at(1),
    'longest_without_answer_s' => round($silence, 1),
    'fills' => count($fills),
    'fills_p95_ms' => round($fills[(int) floor(0.95 * max(0, count($fills) - 1))] ?? 0, 1),
    'processor_ms_each' => round(($busy() - $busyBefore) * 1000 / max(1, count($times)), 1),
    'sent_again' => count($failed),
    'refused' => count($refused),
];
if (! $bare) {
    $kept = (new PDO($dsn))
        ->query('SELECT client_key, count(*) FROM decisions WHERE client_key IS NOT NULL GROUP BY 1')
        ->fetchAll(PDO::FETCH_KEY_PAIR);
    $result += [
        'lost' => count(array_diff($acknowledged, array_keys($kept))),
        'double' => count(array_filter($kept, fn ($n): bool => $n > 1)) +
            count($acknowledged) -
            count(array_unique($acknowledged)),
    ];
}
echo json_encode($result), "\n";
foreach (array_slice(array_count_values($refused), 0, 5) as $what => $n) {
    fwrite(STDERR, "refused {$n} times: {$what}\n");
}
exit(($result['lost'] ?? 0) + ($result['double'] ?? 0) === 0 ? 0 : 1);
