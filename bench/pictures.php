<?php

declare(strict_types=1);

// The pictures of the README and the guide, taken anew from the demo that runs. Usage: pictures.php [FOLDER] [NAME…]
// A fresh demo first (./heron up --fresh): what people did in it would stand in the pictures.

use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\Browser;

require __DIR__.'/../vendor/autoload.php';

$folder = $argv[1] ?? dirname(__DIR__).'/docs/screenshots';
$wanted = array_slice($argv, 2);
putenv('HERON_TEST_URL='.(getenv('HERON_URL') ?: 'http://127.0.0.1:8080'));

$signedIn = fn (string $who): Browser => Browser::open()->signIn("{$who}@heron.example", 'night-shift-demo');
$people = [];
$as = function (string $who) use (&$people, $signedIn): Browser {
    return $people[$who] ??= $signedIn($who);
};
$links = function (Browser $browser): array {
    $read = 'return [...document.querySelectorAll("a[href]")].map((a) => [a.getAttribute("href"), a.textContent.trim()])';

    return (array) $browser->driver->executeScript($read);
};
$linked = function (Browser $browser, string $path, string $pattern, string $words = '') use ($links): string {
    foreach ($links($browser->visit($path)) as [$href, $said]) {
        if (preg_match("~{$pattern}~", $href, $found) === 1 && ($words === '' || str_contains($said, $words))) {
            return $found[1] ?? $href;
        }
    }
    throw new RuntimeException("Nothing on {$path} leads to {$pattern}");
};

$review = $linked($as('ines.okafor'), '/', '/reviews/([0-9a-z]{26})$', 'Bright light');
$at = fn (string $path): string => "/reviews/{$review}/{$path}";
$id = '([0-9a-z]{26})';

/** Who looks, at what, and what is pressed before. */
$views = [
    'home' => fn () => $as('ines.okafor')->visit('/'),
    'question' => fn () => $as('ines.okafor')->visit($at('question')),
    'scouting' => fn () => $as('ines.okafor')->visit($at('scouting/'.$linked($as('ines.okafor'), $at('scouting'), "/scouting/{$id}$"))),
    'first-draft' => fn () => $as('ines.okafor')->visit($linked($as('ines.okafor'), $at('scouting'), '(/reviews/\w+/drafts?/\w+)').'/report'),
    'board' => fn () => $as('mirela.haas')->visit($at('searches/'.$linked($as('mirela.haas'), $at('searches'), "/searches/{$id}$"))),
    'translation' => fn () => $as('mirela.haas')
        ->visit($at('searches/'.$linked($as('mirela.haas'), $at('searches'), "/searches/{$id}$").'/translation')),
    'library' => fn () => $as('mirela.haas')->visit($at('records')),
    'matching' => fn () => $as('mirela.haas')->visit($at('matching')),
    'pairing' => fn () => $as('mirela.haas')->visit($at('pairing')),
    'screening' => fn () => $as('karin.sollander')->visit($at('screening')),
    'reading-desk' => fn () => $as('karin.sollander')->visit($at('screening/desk')),
    'full-texts' => fn () => $as('mirela.haas')->visit($at('full-texts')),
    'coding' => fn () => $as('karin.sollander')->visit($at('coding/'.$linked($as('karin.sollander'), $at('coding'), "/coding/{$id}"))),
    'coding-table' => fn () => $as('karin.sollander')->visit($at('coding')),
    'passages' => fn () => $as('karin.sollander')->visit($at('coding/passages')),
    'map' => fn () => $as('ines.okafor')->visit($at('synthesis')),
    'analysis' => fn () => $as('ines.okafor')
        ->visit($at('synthesis/analyses/'.$linked($as('ines.okafor'), $at('synthesis/analyses'), "/analyses/{$id}$"))),
    'report' => fn () => $as('ines.okafor')->visit($at('report')),
];
foreach ($views as $name => $open) {
    if ($wanted !== [] && ! in_array($name, $wanted, true)) {
        continue;
    }
    try {
        $browser = $open();
        usleep(1_500_000);
        $browser->driver->takeScreenshot("{$folder}/{$name}.png");
        echo "{$name}: ", $browser->path(), ' ', implode('; ', $browser->complaints()), "\n";
    } catch (Throwable $fault) {
        echo "{$name}: {$fault->getMessage()}\n";
    }
}
Browser::closeAll();
