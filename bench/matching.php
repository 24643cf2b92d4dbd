<?php

declare(strict_types=1);

// Deduplicates made-up records of several sources at two sizes, and joins them by exact keys beside it. Usage:
// matching.php [SIZE]

use Bench\SyntheticSources;
use WaryHeron\Core\Matching\Clusters;
use WaryHeron\Core\Matching\ExactKeys;
use WaryHeron\Core\Matching\Fingerprints;
use WaryHeron\Core\Matching\Matcher;

require __DIR__.'/../vendor/autoload.php';

/** @param  list<list<string>>  $groups */
function score(array $groups, array $work): array
{
    $pairs = fn (int $n): int => intdiv($n * ($n - 1), 2);
    $made = $right = 0;
    foreach ($groups as $group) {
        $made += $pairs(count($group));
        $right += array_sum(
            array_map($pairs, array_count_values(array_map(fn (string $key): string => $work[$key], $group))),
        );
    }
    $wanted = array_sum(array_map($pairs, array_count_values($work)));

    return ['precision' => round($right / max(1, $made), 6), 'recall' => round($right / max(1, $wanted), 4)];
}

/** One size in a process of its own, so that its memory is its own. */
function measure(int $size): array
{
    $fingerprints = new Fingerprints();
    $prints = $work = [];
    $exactly = new Clusters(fn (int $a, int $b): bool => false);
    $holders = [];
    $matching = $exact = 0.0;
    foreach ((new SyntheticSources(7))->records($size) as $of => $reference) {
        $work[$reference->id] = $of;
        $began = microtime(true);
        $prints[] = $fingerprints->of($reference, $reference->id);
        $matching += microtime(true) - $began;
        $began = microtime(true);
        $key = ExactKeys::of($reference);
        foreach ([$key->doi, $key->work] as $one) {
            if ($one !== null) {
                $holders[$one] ??= count($prints) - 1;
                $exactly->join($holders[$one], count($prints) - 1);
            }
        }
        $exact += microtime(true) - $began;
    }
    $ids = array_keys($work);
    $exactGroups = array_map(
        fn (array $group): array => array_map(fn (int $at): string => $ids[$at], $group),
        array_values(array_filter($exactly->groups(), fn (array $group): bool => count($group) > 1)),
    );
    unset($holders, $exactly);
    $began = microtime(true);
    $result = (new Matcher())->match($prints);
    $matching += microtime(true) - $began;
    $asked = [];
    foreach ($result->asked as $pair) {
        $asked[$pair->a] = $asked[$pair->b] = true;
    }
    preg_match('/VmHWM:\s+(\d+) kB/', (string) file_get_contents('/proc/self/status'), $peak);

    return [
        'what' => 'match',
        'size' => $size,
        'seconds' => round($matching, 2),
        'peak_mib' => round($peak[1] / 1024, 1),
        'publications' => count(array_unique($work)),
        'weighed_pairs' => count($result->pairs),
        'certain' => score($result->groups(), $work),
        'with_likely' => score($result->groupsWithLikely(), $work),
        'asked_percent' => round((100 * count($asked)) / $size, 2),
        'plain' => 'the same DOI, or the same title, year and first author',
        'plain_seconds' => round($exact, 2),
        'plain_pairs' => score($exactGroups, $work),
    ];
}

if (($argv[2] ?? '') === 'alone') {
    echo json_encode(measure((int) $argv[1]), JSON_THROW_ON_ERROR);
    exit();
}
$size = max(1000, (int) ($argv[1] ?? 100000));
$seconds = [];
foreach ([intdiv($size, 2), $size] as $one) {
    $line = (string) shell_exec(
        implode(
            ' ',
            array_map(escapeshellarg(...), [
                PHP_BINARY,
                '-d',
                'pcov.enabled=0',
                '-d',
                'memory_limit=2G',
                '-d',
                'zend.enable_gc=0',
                __FILE__,
                (string) $one,
                'alone',
            ]),
        ),
    );
    $measured = json_decode($line, true, flags: JSON_THROW_ON_ERROR);
    $seconds[] = $measured['seconds'];
    echo json_encode(
        $measured + (count($seconds) === 2 ? ['growth' => round($seconds[1] / $seconds[0], 2)] : []),
        JSON_THROW_ON_ERROR,
    ),
    "\n";
}
