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
$id = '[0-9a-z]{26}';
/** The first page that another one leads to, by what its link says. */
$from = fn (string $who, string $path, string $pattern, string $words = '', string $more = ''): Browser => $as($who)->visit(
    $linked($as($who), $at($path), "(/reviews/{$id}/{$pattern})", $words).$more,
);

/** An analysis with where the numbers of one of its studies come from. */
$study = function (string $who) use ($as, $at, $linked, $id): string {
    $analysis = $linked($as($who), $at('synthesis/analyses'), "(/reviews/{$id}/synthesis/analyses/{$id})$");

    return $analysis.$linked($as($who), $analysis, '(\\?.*study=[^&]+)');
};
/** A cell of a table by its words. */
$cell = function (Browser $browser, string $words): Browser {
    $browser->driver->findElement(WebDriverBy::xpath("//td[contains(normalize-space(), '{$words}')]"))->click();

    return $browser;
};

/** Who looks, at what, and what is pressed before. */
$views = [
    'home' => fn () => $as('ines.okafor')->visit('/'),
    'question' => fn () => $as('ines.okafor')->visit($at('question')),
    'scouting' => fn () => $from('ines.okafor', 'scouting', "scouting/{$id}$"),
    'first-draft' => fn () => $from('ines.okafor', 'scouting', "drafts/{$id}", '', '?step=report'),
    'board' => fn () => $from('mirela.haas', 'searches', "searches/{$id}$", 'Light on night shifts'),
    'translation' => fn () => $from('mirela.haas', 'searches', "searches/{$id}$", 'Light on night shifts', '/translation'),
    'library' => fn () => $as('mirela.haas')->visit($at('records')),
    'matching' => fn () => $as('mirela.haas')->visit($at('matching')),
    'pairing' => fn () => $as('mirela.haas')->visit($at('pairing')),
    'screening' => fn () => $as('karin.sollander')->visit($at('screening')),
    'reading-desk' => fn () => $as('karin.sollander')->visit($at('screening/desk')),
    'full-texts' => fn () => $as('mirela.haas')->visit($at('full-texts')),
    'coding' => fn () => $from('karin.sollander', 'coding', "coding/{$id}")->press('People analysed'),
    'numbers' => fn () => $as('karin.sollander')->visit($linked($as('karin.sollander'), $study('karin.sollander'), '(.*#result-.*)')),
    'coding-table' => fn () => $cell($as('karin.sollander')->visit($at('coding')), '222 persons'),
    'passages' => fn () => $from('karin.sollander', 'coding/passages', 'coding/passages\?theme=\w+', 'Acceptance'),
    'map' => fn () => $as('ines.okafor')->visit($at('synthesis?row=parallel-group%20trial&column=nurses')),
    'analysis' => fn () => $as('ines.okafor')->visit($study('ines.okafor')),
    'report' => fn () => $as('ines.okafor')->visit($at('report/text'))->press('The studies'),
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
