<?php

declare(strict_types=1);

// Reads made-up papers of twelve pages, beside plain pdftotext on the same files in turns, or proposes answers to 16 items
// from each. papers.php texts|leads [PAPERS]

use App\Files\In\PdfPaper;
use Bench\SyntheticPapers;
use WaryHeron\Core\Coding\Lead\Asked\Codebook;
use WaryHeron\Core\Coding\Lead\LeadEngine;
use WaryHeron\Core\Coding\Lead\Passages;

require __DIR__.'/../vendor/autoload.php';

const PAGES = 12;

[$what, $count] = [$argv[1] ?? 'texts', (int) ($argv[2] ?? 100)];
$folder = sys_get_temp_dir().'/heron-papers-'.getmypid();
mkdir($folder);
$paths = [];
for ($i = 1; $i <= $count; $i++) {
    $paths[] = $path = "{$folder}/{$i}.pdf";
    file_put_contents($path, SyntheticPapers::pdf($i, PAGES));
}
$items = [];
foreach (
    [
        ['Study design', 'choice', ['parallel-group trial', 'cohort study', 'other']],
        ['Country', 'country'],
        ['Setting', 'text'],
        ['Participants analysed', 'number'],
        ['Participants randomised', 'number'],
        ['Mean age', 'number'],
        ['Per cent female', 'number'],
        ['Intervention', 'text'],
        ['Comparator', 'text'],
        ['Duration', 'duration'],
        ['Primary outcome', 'text'],
        ['Effect estimate', 'estimate'],
        ['P value', 'p'],
        ['Funding', 'text'],
        ['Registration number', 'identifier'],
        ['Conflict of interest', 'choice', ['none declared', 'declared']],
    ] as $i => $item
) {
    $items[] = ['id' => "i{$i}", 'label' => $item[0], 'type' => $item[1], 'options' => $item[2] ?? []];
}
$codebook = Codebook::fromJson(json_encode(['items' => $items], JSON_THROW_ON_ERROR));
$engine = new LeadEngine();
$reading = $plain = $finding = 0.0;
$pages = $leads = 0;
foreach ($paths as $path) {
    $began = microtime(true);
    exec('pdftotext -q '.escapeshellarg($path).' -');
    $plain += microtime(true) - $began;
    $began = microtime(true);
    $paper = PdfPaper::read($path);
    $reading += microtime(true) - $began;
    $pages += $paper->pages;
    if ($what === 'leads') {
        $began = microtime(true);
        $passages = Passages::of($paper);
        foreach ($codebook->items as $item) {
            $leads += $engine->lead($item, $passages) === null ? 0 : 1;
        }
        $finding += microtime(true) - $began;
    }
    unlink($path);
}
rmdir($folder);
echo json_encode(
    [
        'what' => $what,
        'papers' => $count,
        'pages' => $pages,
        'reading_seconds' => round($reading, 2),
        'pdftotext_seconds' => round($plain, 2),
        'ratio' => round($reading / max(0.001, $plain), 2),
        'leads' => $leads,
        'leads_seconds' => round($finding, 2),
        'peak_mib' => round(memory_get_peak_usage(true) / 1024 / 1024, 1),
    ],
    JSON_THROW_ON_ERROR,
)."\n";
