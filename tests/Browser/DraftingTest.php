<?php

use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\Browser;
use Tests\Browser\Server;

beforeEach(fn () => Server::demo());

it('has a review drafted, watches it, switches a criterion off, takes ten papers and a section over', function () {
    $review = Server::rows("SELECT id FROM reviews WHERE title LIKE 'Bright%'")[0]['id'];
    $ines = Browser::open()
        ->signIn('ines.okafor@heron.example', 'night-shift-demo')
        ->visit("/reviews/{$review}/scouting")
        ->fill('Question', 'Does bright light at night reduce sleepiness in nurses?')
        ->press('Ask and draft a review')
        ->sees('A review drafted by machine');
    $draft = Server::rows('SELECT id FROM drafts ORDER BY id DESC LIMIT 1')[0]['id'];
    $address = "/reviews/{$review}/drafts/{$draft}";
    $ran = fn (): string => (string) Server::rows("SELECT ran_at FROM drafts WHERE id = '{$draft}'")[0]['ran_at'];
    $ines->until(fn (): bool => $ran() !== '', 'the draft is not made');
    $ines->visit($address)->sees('In one sentence')->sees('Waits for people');
    // a claim shows what it rests on
    $claim = $ines->driver->findElement(WebDriverBy::cssSelector('.draft-claim'));
    $claim->click();
    $ines->until(fn (): bool => $claim->getAttribute('aria-expanded') === 'true', 'the claim does not open')->sees('Why it fits');
    expect($ines->axe())->toBe([]);

    // one criterion less, and more papers fit
    $fit = fn (): int => (int) Server::rows("SELECT count(*) AS n FROM draft_papers WHERE draft_id = '{$draft}' AND is_in")[0]['n'];
    [$before, $at] = [$fit(), $ran()];
    $ines->visit("{$address}?step=criteria")->sees('Did it study “nurses”?');
    $ines->driver->findElement(WebDriverBy::xpath('//tr[contains(., "Did it study")]//button[. = "Switch off"]'))->click();
    $ines->until(fn (): bool => $ran() !== $at, 'the draft is not made again');
    expect($fit())->toBeGreaterThanOrEqual($before);
    $ines->visit("{$address}?step=criteria")->sees('switched off');
    expect($ines->axe())->toBe([]);

    // ten papers become records of the review
    $deliveries = fn (): int => (int) Server::rows("SELECT count(*) AS n FROM deliveries WHERE source_name = 'First draft'")[0]['n'];
    $ines->visit("{$address}?step=papers");
    expect($ines->axe())->toBe([]);
    $ines->driver->findElement(WebDriverBy::xpath('//button[contains(., "Take over the next 10")]'))->click();
    $ines->until(fn (): bool => $deliveries() === 1 || str_contains($ines->text(), 'in the library already'), 'no papers are taken over');

    // what the text says goes into the report, each count a claim
    $ines->visit($address)->sees('In one sentence');
    $ines->driver->findElement(WebDriverBy::cssSelector('#section-summary a.button'))->click();
    $ines->sees('with an answer on “sleepiness”');
    $ines->until(
        fn (): bool => $ines->driver->findElements(WebDriverBy::xpath('//span[contains(@class, "claim") and contains(., "of it")]')) !== [],
        'no claim is in the report',
    );
    $ines->sees('Saved')->visit($ines->path())->sees('with an answer on “sleepiness”');
});
