<?php

use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\Browser;
use Tests\Browser\Server;

beforeEach(fn () => Server::demo());

it('gives back what was typed into a form that somebody else was quicker with', function () {
    $review = Server::rows("SELECT id FROM reviews WHERE title LIKE 'Bright light%'")[0]['id'];
    [$ines, $other] = array_map(
        fn (): Browser => Browser::open()->signIn('ines.okafor@heron.example', 'night-shift-demo')->visit("/reviews/{$review}/question"),
        [1, 2],
    );
    $reason = fn (): string => Server::rows("SELECT reason FROM criteria WHERE review_id = '{$review}' AND retired_at IS NULL ORDER BY position LIMIT 1")[0]['reason'];
    $types = function (Browser $who, string $words): void {
        $field = $who->driver->findElement(WebDriverBy::cssSelector('#criteria [name="reason"]'));
        $field->clear()->sendKeys($words);
        $who->driver->executeScript('document.querySelector("#criteria [name=reason]").form.requestSubmit()');
    };
    $types($ines, 'Awake by day');
    $ines->until(fn (): bool => $reason() === 'Awake by day', 'The criterion was not reworded');
    $types($other, 'Not at night');
    $other->sees('You reworded')->sees('still in the form');
    $value = $other->driver->executeScript('return document.querySelector("#criteria [name=reason]").value');
    expect($value)->toBe('Not at night')->and($reason())->toBe('Awake by day');
    $other->driver->executeScript('document.querySelector("#criteria [name=reason]").form.requestSubmit()');
    $other->until(fn (): bool => $reason() === 'Not at night', 'What was seen is not replaced');
    expect($other->complaints())->toBe([]);
});
