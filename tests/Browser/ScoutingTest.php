<?php

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Browser\Browser;
use Tests\Browser\Server;

beforeEach(fn () => Server::demo());

it('goes from a question in plain words to a sharper one, further answers, a table and known items, by keyboard', function () {
    $review = Server::rows("SELECT id FROM reviews WHERE title LIKE 'Bright%'")[0]['id'];
    $known = fn (): int => (int) Server::rows("SELECT count(*) AS n FROM known_items WHERE review_id = '{$review}'")[0]['n'];
    $before = $known();
    $publications = Server::rows('SELECT count(*) AS n FROM publications')[0]['n'];
    $ines = Browser::open()
        ->signIn('ines.okafor@heron.example', 'night-shift-demo')
        ->visit("/reviews/{$review}/scouting")
        ->sees('Ask the literature');
    // the field has the focus: the review's question is replaced by another and sent off with Enter
    $ines->driver->getKeyboard()->sendKeys([WebDriverKeys::CONTROL, 'a', WebDriverKeys::CONTROL]);
    $ines->driver->getKeyboard()->sendKeys('Does bright light at night reduce sleepiness?'.WebDriverKeys::ENTER);
    $ines->sees('Does bright light at night reduce sleepiness?')->sees('answer');
    $ines->until(
        fn (): bool => count($ines->driver->findElements(WebDriverBy::cssSelector('.scout-paper'))) === 10 &&
            $ines->driver->findElements(WebDriverBy::cssSelector('[data-reload-when-done]')) === [],
        'the first ten papers are not there',
    );
    $ines->sees('What they say together')->sees('Asked more sharply');
    // sharper by one of the people that the papers name
    $ines->until(
        fn (): bool => $ines->driver->findElements(WebDriverBy::cssSelector('.scout-offer .link')) !== [],
        'nothing sharper is offered',
    );
    $offer = $ines->driver->findElement(WebDriverBy::cssSelector('.scout-offer .link'));
    $sharper = $offer->getAttribute('title');
    $offer->sendKeys(WebDriverKeys::ENTER);
    $ines->sees($sharper);
    $ines->until(
        fn (): bool => $ines->driver->findElements(WebDriverBy::cssSelector('.scout-paper')) !== [] &&
            $ines->driver->findElements(WebDriverBy::cssSelector('[data-reload-when-done]')) === [],
        'the sharper question brings nothing',
    );
    $field = $ines->driver->findElement(WebDriverBy::id('label'));
    $field->sendKeys('How many people took part?'.WebDriverKeys::ENTER);
    $ines->sees('Asked of them');
    $ines->until(
        fn (): bool => Server::rows("SELECT 1 FROM further_answers WHERE value <> '' LIMIT 1") !== [],
        'nobody answers the further question',
    );
    $table = array_map(fn (string $line): array => str_getcsv($line, escape: ''), explode("\r\n", trim($ines->download('CSV'), "\xEF\xBB\xBF\r\n")));
    expect($table[0])->toContain('How many people took part?')
        ->and(array_column($table, 0))->toBe(array_unique(array_column($table, 0)));
    $ines->driver->findElement(WebDriverBy::xpath('//button[contains(., "as known items")]'))->sendKeys(WebDriverKeys::ENTER);
    $ines->sees('Every strategy is checked against them');
    // what the papers name, one of them into a concept of a strategy
    $ines->driver->findElement(WebDriverBy::linkText('interventions'))->sendKeys(WebDriverKeys::ENTER);
    $ines->sees('Interventions that papers name');
    $ines->driver->findElement(WebDriverBy::cssSelector('.scout-named tbody input'))->sendKeys(WebDriverKeys::SPACE);
    $ines->driver->findElement(WebDriverBy::xpath('//button[contains(., "Into the board")]'))->sendKeys(WebDriverKeys::ENTER);
    $ines->sees('Undo takes them off');
    expect($known())->toBeGreaterThan($before)
        ->and(Server::rows('SELECT count(*) AS n FROM publications')[0]['n'])->toBe($publications)
        ->and($ines->complaints())->toBe([]);
});
