<?php

use App\Access\Totp;
use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\Browser;
use Tests\Browser\Server;

it('signs in by the institution, sets up a second factor, and is asked for it from then on', function () {
    Server::demo();
    $karin = Browser::open()->visit('/sign-in');
    $follow = fn (string $link) => $karin->driver->findElement(WebDriverBy::linkText($link))->click();
    $code = fn (string $code) => $karin->driver->findElement(WebDriverBy::name('code'))->sendKeys($code);
    $shows = fn (string $key, int $later): string => Totp::code(Totp::bytes($key), Totp::step(time()) + $later);
    $follow('Sign in by Brindle Vale University');
    $follow('Karin Sollander');
    expect($karin->path())->toBe('/');
    $karin->visit('/account')->press('Set up a second factor');
    $key = str_replace(' ', '', $karin->driver->findElement(WebDriverBy::cssSelector('.key-text'))->getText());
    expect($karin->driver->findElements(WebDriverBy::cssSelector('[data-qr] path')))->toHaveCount(1)
        ->and($karin->axe())->toBe([]);
    $code($shows($key, 0));
    $karin->press('Turn it on');
    $kept = $karin->driver->findElement(WebDriverBy::cssSelector('.recovery li'))->getText();
    $karin->press('Sign out');
    $follow('Sign in by Brindle Vale University');
    $follow('Karin Sollander');
    expect($karin->path())->toBe('/sign-in/second');
    $code('000000');
    $karin->press('Sign in');
    expect($karin->path())->toBe('/sign-in/second');
    $code($shows($key, 1));
    $karin->press('Sign in');
    expect($karin->path())->toBe('/');
    $karin->visit('/account')->press('Sign out');
    $karin->visit('/sign-in');
    foreach (['email' => 'karin.sollander@heron.example', 'password' => 'night-shift-demo'] as $name => $value) {
        $karin->driver->findElement(WebDriverBy::name($name))->sendKeys($value);
    }
    $karin->press('Sign in');
    $code($kept);
    $karin->press('Sign in');
    expect($karin->path())->toBe('/');
});
