<?php

declare(strict_types=1);

// Has pandoc print made-up works in the styles of journals (CSL), and reads what it printed: printed.php STYLES [HOW_MANY]
// [SEED]. Debian has both: pandoc, citation-style-language-styles. One JSON line, and with --each one for each style.

require __DIR__.'/../vendor/autoload.php';

use Bench\Printed\Compared;
use Bench\Printed\MadeUpWorks;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Symfony\Component\Process\Process;
use WaryHeron\Core\Bibliography\Format\Printed\PrintedReader;

$given = array_values(array_filter(array_slice($argv, 1), fn (string $one): bool => $one !== '--each'));
[$folder, $most, $seed] = [$given[0] ?? '', (int) ($given[1] ?? 100), (int) ($given[2] ?? 1)];
$isOfPapers = function (string $path): bool {
    $style = (string) file_get_contents($path);

    return str_contains($style, '<bibliography') && ! str_contains($style, 'class="note"');
};
$styles = array_filter(glob("{$folder}/*.csl") ?: [], $isOfPapers);
$styles = array_slice((new Randomizer(new Mt19937($seed)))->shuffleArray($styles), 0, $most);
if ($styles === []) {
    fwrite(STDERR, "No styles are in “{$folder}”.\n");
    exit(2);
}
$items = (new MadeUpWorks($seed))->items(40);
$works = sys_get_temp_dir().'/works-'.getmypid().'.json';
file_put_contents($works, json_encode($items, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE));
$cited = "---\nnocite: |\n  ".implode(', ', array_map(fn (array $one): string => "@{$one['id']}", $items))."\n---\n";
$right = $all = 0;
$wrong = [];
foreach ($styles as $style) {
    $pandoc = ['pandoc', '--from=markdown', '--to=plain', '--wrap=none', '--citeproc'];
    $pandoc = [...$pandoc, "--bibliography={$works}", "--csl={$style}"];
    $process = new Process($pandoc, input: $cited, timeout: 60);
    $process->run();
    $stream = fopen('php://memory', 'w+b');
    fwrite($stream, $process->getOutput());
    rewind($stream);
    $read = trim($process->getOutput()) === '' ? [] : iterator_to_array((new PrintedReader())->read($stream), false);
    $compared = array_filter(array_map(fn (array $item): ?Compared => Compared::of($item, $read), $items));
    $good = count(array_filter($compared, fn (Compared $one): bool => $one->wrong === []));
    [$right, $all] = [$right + $good, $all + count($compared)];
    foreach ($compared as $one) {
        foreach ($one->wrong as $what) {
            $wrong["{$one->kind}: {$what}"] = ($wrong["{$one->kind}: {$what}"] ?? 0) + 1;
        }
    }
    if (in_array('--each', $argv, true)) {
        echo json_encode(['style' => basename($style, '.csl'), 'works' => count($compared), 'right' => $good]), "\n";
    }
}
unlink($works);
arsort($wrong);
echo json_encode([
    'what' => 'works read from print in the styles of journals, all of their parts right',
    'styles' => count($styles),
    'works' => $all,
    'right' => $right,
    'percent' => round(100 * $right / max(1, $all), 1),
    'wrong' => $wrong,
], JSON_UNESCAPED_UNICODE), "\n";
