<?php

use App\Access\Totp;
use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\Browser;
use Tests\Browser\Server;

it('signs in by the institution, sets up a second factor, and is asked for it from then on', function () {
    Server::demo();
    $karin = Browser::open()->visit('/sign-in');
    $at = fn (string $path) => $karin->until(fn (): bool => $karin->path() === $path, "it does not come to {$path}");
    $code = function (string $code) use ($karin): void {
        $field = WebDriverBy::name('code');
        $karin->until(fn (): bool => $karin->driver->findElements($field) !== [], 'no code is asked for');
        $karin->driver->findElement($field)->sendKeys($code);
    };
    $shows = fn (string $key, int $later): string => Totp::code(Totp::bytes($key), Totp::step(time()) + $later);
    $karin->press('Sign in by Brindle Vale University');
    $karin->press('Karin Sollander');
    $at('/');
    $karin->visit('/account')->press('Set up a second factor')->sees('Let the authenticator app');
    $key = str_replace(' ', '', $karin->driver->findElement(WebDriverBy::cssSelector('.key-text'))->getText());
    $karin->until(fn (): bool => $karin->driver->findElements(WebDriverBy::cssSelector('[data-qr] path')) !== [], 'no picture is drawn');
    expect($karin->axe())->toBe([]);
    $code($shows($key, 0));
    $karin->press('Turn it on')->sees('Keep these recovery codes');
    $kept = $karin->driver->findElement(WebDriverBy::cssSelector('.recovery li'))->getText();
    $karin->press('Sign out');
    $karin->press('Sign in by Brindle Vale University');
    $karin->press('Karin Sollander');
    $at('/sign-in/second');
    $code('000000');
    $karin->press('Sign in')->sees('That is no code of yours');
    $code($shows($key, 1));
    $karin->press('Sign in');
    $at('/');
    $karin->visit('/account')->driver->executeScript("sessionStorage.setItem('a', '1'); localStorage.setItem('unsent', '1');");
    $karin->press('Sign out');
    $at('/sign-in');
    expect($karin->driver->executeScript('return [sessionStorage.length, localStorage.getItem("unsent")]'))->toBe([0, '1']);
    foreach (['email' => 'karin.sollander@heron.example', 'password' => 'night-shift-demo'] as $name => $value) {
        $karin->driver->findElement(WebDriverBy::name($name))->sendKeys($value);
    }
    $karin->press('Sign in');
    $code($kept);
    $karin->press('Sign in');
    $at('/');
});
