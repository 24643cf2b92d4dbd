<?php

use Tests\Browser\Beside;
use Tests\Browser\Browser;
use Tests\Browser\Server;

/**
 * @param  list<string>  $paths
 * @return list<string> what axe, the browser and whoever presses with a mouse have against these pages, light, dark and on a phone
 */
function complaintsOf(array $paths): array
{
    $ines = Browser::open()->signIn('ines.okafor@heron.example', 'night-shift-demo');
    $found = [];
    $theme = fn (string $value) => $ines->tools('Emulation.setEmulatedMedia', [
        'features' => [['name' => 'prefers-color-scheme', 'value' => $value]],
    ]);
    $phone = fn (bool $is) => $is
        ? $ines->tools('Emulation.setDeviceMetricsOverride', ['width' => 390, 'height' => 844, 'deviceScaleFactor' => 1, 'mobile' => true])
        : $ines->tools('Emulation.clearDeviceMetricsOverride');
    $told = fn (string $where, array $complaints): array => array_map(fn (string $one): string => "{$where}{$one}", $complaints);
    foreach ($paths as $path) {
        $theme('light');
        $phone(false);
        $ines->visit($path);
        usleep(250_000);
        $pressed = fn (): array => [...$ines->isTooWide() ? ['wider than the window'] : [], ...$ines->covered()];
        $found = [...$found, ...$told("{$path}: ", [...$ines->axe(), ...$pressed()])];
        $theme('dark');
        usleep(100_000);
        $found = [...$found, ...$told("dark {$path}: ", $ines->axe('color-contrast'))];
        // on a phone nothing is wider than the window, and everything can be pressed
        $phone(true);
        usleep(150_000);
        $found = [...$found, ...$told("390 px {$path}: ", [...$pressed(), ...$ines->complaints()])];
    }

    return $found;
}

it('shows every main view without a complaint, to axe and to the browser, light and dark', function () {
    Server::demo();
    $id = Server::rows("SELECT id FROM reviews WHERE title LIKE 'Bright%'")[0]['id'];
    $strategy = Server::rows('SELECT id FROM strategies ORDER BY id LIMIT 1')[0]['id'];
    $run = Server::rows('SELECT id FROM runs ORDER BY id LIMIT 1')[0]['id'];
    $delivery = Server::rows("SELECT id FROM deliveries WHERE kind = 'file' AND review_id = '{$id}' ORDER BY id LIMIT 1")[0]['id'];
    $publication = Server::rows('SELECT publication_id AS id FROM answers ORDER BY id LIMIT 1')[0]['id'];
    $analysis = Server::rows('SELECT id FROM analyses ORDER BY id LIMIT 1')[0]['id'];
    $table = Server::rows('SELECT id FROM saved_tables ORDER BY id LIMIT 1')[0]['id'];
    $taken = Server::rows('SELECT publication_id AS id FROM standing_results ORDER BY id LIMIT 1')[0]['id'];
    $scouting = Server::rows('SELECT id FROM scoutings ORDER BY id LIMIT 1')[0]['id'];
    $copy = Server::rows("SELECT id FROM full_texts WHERE state = 'read' AND publication_id IS NOT NULL ORDER BY id LIMIT 1")[0]['id'];
    $theme = Server::rows('SELECT id FROM themes ORDER BY id LIMIT 1')[0]['id'];
    $full = Server::rows("SELECT id FROM stages WHERE purpose = 'full-text' ORDER BY id LIMIT 1")[0]['id'];
    $person = Server::rows("SELECT id FROM users WHERE email LIKE 'karin%'")[0]['id'];
    $apart = Server::rows('SELECT id FROM reviews WHERE coded_by = 2')[0]['id'];
    $paths = [
        '/',
        '/account',
        '/notices',
        '/reviews/new',
        '/post-room',
        '/design',
        ...array_map(fn (string $path): string => "/reviews/{$id}/{$path}", [
            'question',
            'scouting',
            "scouting/{$scouting}",
            "scouting/{$scouting}/named/intervention",
            'team',
            'log',
            'searches',
            'searches/new',
            ...array_map(fn (string $view): string => "searches/{$strategy}{$view}", [
                '',
                '/lines',
                '/translation',
                '/known-items',
                '/check',
                '/versions?from=1&to=2',
                '/runs',
                '/results',
            ]),
            "runs/{$run}",
            'thesauri?heading=Night%20work',
            'dialects?open=ccl',
            'searches/report',
            'records',
            'records?q=light*&state=excluded',
            'deliveries',
            'deliveries/references',
            "deliveries/{$delivery}",
            'matching',
            'matching/certain',
            'matching/joined',
            'pairing',
            "publications/{$publication}",
            'screening',
            'screening/stages',
            'screening/share-outs',
            "screening/share-outs?sample=40&seed=7&people[]={$person}",
            'screening/desk',
            'screening/desk?layout=list',
            'screening/disagreements',
            'screening/agreement',
            'screening/order',
            'screening/marked-words',
            'full-texts',
            'full-texts/unassigned',
            'full-texts/studies',
            "full-texts/files/{$copy}/evidence",
            "screening/desk?stage={$full}",
            'coding',
            'coding-shares',
            "coding-shares?people[]={$person}",
            'in-depth',
            'codebook',
            'coding/differences',
            'coding/passages',
            "coding/passages?theme={$theme}",
            "coding/{$publication}",
            "coding/{$publication}#result-",
            'synthesis',
            'synthesis?row=parallel-group%20trial&column=nurses',
            'synthesis/outcomes',
            'synthesis/analyses',
            'synthesis/soundness',
            'synthesis/tables',
            "synthesis/tables/{$table}",
            'synthesis/certainty',
            "synthesis/analyses/{$analysis}",
            "synthesis/analyses/{$analysis}?study={$taken}",
            'report',
            'report/text',
            'report/text/changes',
        ]),
        // coded by two apart
        "/reviews/{$apart}/coding",
        "/reviews/{$apart}/coding/differences",
        "/reviews/{$apart}/coding/differences/numbers",
    ];
    // two at once: most of a page's time is waiting
    $walk = fn (int $half): array => complaintsOf(array_values(array_filter($paths, fn (int $at): bool => $at % 2 === $half, ARRAY_FILTER_USE_KEY)));
    Browser::open();
    $beside = Beside::begin(fn (): array => $walk(1));
    $found = [...$walk(0), ...$beside->ended()];
    expect($found)->toBe([]);
});

it('notices a control that something lies on', function () {
    Server::demo();
    $id = Server::rows("SELECT id FROM reviews WHERE title LIKE 'Bright%'")[0]['id'];
    $ines = Browser::open()
        ->signIn('ines.okafor@heron.example', 'night-shift-demo')
        ->visit("/reviews/{$id}/records");
    expect($ines->covered())->toBe([]);
    $ines->driver->executeScript(
        'const sheet = new CSSStyleSheet(); sheet.replaceSync(".menu-sheet > * { position: absolute; top: 0 }"); document.adoptedStyleSheets = [sheet]',
    );
    expect(implode("\n", $ines->covered()))
        ->toContain('in the menu “Remove”: input “reason” is covered')
        ->toContain('“RIS” is covered');
});
