<?php

use Tests\Browser\Beside;
use Tests\Browser\Browser;
use Tests\Browser\Server;

/**
 * @param  list<string>  $paths
 * @return list<string> what is wrong with these words on these pages, of which each shows some, in a window of this width
 */
function missetAt(int $width, array $paths, string ...$words): array
{
    $ines = Browser::open()->signIn('ines.okafor@heron.example', 'night-shift-demo');
    $window = ['width' => $width, 'height' => 800, 'deviceScaleFactor' => 1, 'mobile' => $width < 500];
    $ines->tools('Emulation.setDeviceMetricsOverride', $window);
    $found = [];
    foreach ($paths as $path) {
        $ines->visit($path);
        $told = ['seen' => 0];
        $ines->until(function () use ($ines, $words, &$told): bool {
            $told = misset($ines, $words);

            return $told['seen'] > 0;
        }, 'None of it is shown');
        $found = [...$found, ...array_map(fn (string $one): string => "{$width} {$path}: {$one}", $told['wrong'])];
    }

    return $found;
}

/**
 * @param  list<string>  $words
 * @return array{seen: int, wrong: list<string>} on how many places they stand on this page, and what is wrong with them
 */
function misset(Browser $person, array $words): array
{
    $script = str_replace('export function', 'function', (string) file_get_contents(__DIR__.'/js/misset.js'));
    $told = $person->driver->executeScript("{$script}; return arguments[0].map(misset);", [$words]);

    return [
        'seen' => array_sum(array_column($told, 'seen')),
        'wrong' => [...array_merge(...array_column($told, 'found')), ...$person->isTooWide() ? ['the page is wider than the window'] : []],
    ];
}

it('sets what is written from right to left so wherever it is shown, and breaks words that no line can hold', function () {
    Server::demo();
    // letters of no meaning: a question with a long word in it, and a name as long
    $question = 'האם '.str_repeat('מנורות', 40).' עוזרות?';
    $name = str_repeat('Longenough', 24);
    foreach (
        [
            "publications SET title = '{$question}', abstract = '{$question}', authors = '{$name}, A; {$name}, B', journal = '{$name}'",
            "known_items SET title = '{$question}'",
            "criteria SET question = '{$question}', reason = '{$question}'",
            "talk_messages SET body = '{$question}'",
            "passages SET memo = '{$question}'",
            "deliveries SET file_name = '{$name}.ris'",
        ] as $change
    ) {
        Server::rows("UPDATE {$change}");
    }
    $id = Server::rows("SELECT id FROM reviews WHERE title LIKE 'Bright%'")[0]['id'];
    $of = fn (string $sql): string => Server::rows($sql)[0]['id'];
    $coded = $of('SELECT publication_id AS id FROM answers ORDER BY id LIMIT 1');
    $paths = [
        'question',
        'searches/'.$of('SELECT id FROM strategies ORDER BY id LIMIT 1').'/known-items',
        'records',
        'deliveries',
        'deliveries/references',
        'matching/certain',
        "publications/{$coded}",
        'screening',
        'screening/desk',
        'screening/desk?layout=list',
        'screening/desk?stage='.$of("SELECT id FROM stages WHERE purpose = 'full-text' ORDER BY id LIMIT 1"),
        'screening/disagreements',
        'full-texts',
        'full-texts/unassigned',
        'full-texts/studies',
        'coding',
        'in-depth',
        'coding/passages',
        "coding/{$coded}",
        'report',
    ];
    $paths = array_map(fn (string $path): string => "/reviews/{$id}/{$path}", $paths);
    Browser::open();
    $beside = Beside::begin(fn (): array => missetAt(390, $paths, $question, $name));
    expect([...missetAt(1280, $paths, $question, $name), ...$beside->ended()])->toBe([]);
});
