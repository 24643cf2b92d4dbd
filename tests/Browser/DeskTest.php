<?php

use Tests\Browser\Browser;
use Tests\Browser\Server;

beforeEach(fn () => Server::demo());

function desk(string $who): Browser
{
    return Browser::open()->signIn("{$who}@heron.example", 'night-shift-demo')->press('to screen')->sees('not judged by me');
}

it('keeps decisions while the connection is lost, and sends each once', function () {
    $tunde = desk('tunde.adeyinka');
    $count = fn (): int => (int) Server::rows("SELECT count(*) AS n FROM decisions d JOIN users u ON u.id = d.user_id WHERE u.email LIKE 'tunde%' AND superseded_at IS NULL AND verdict IS NOT NULL")[0]['n'];
    $before = $count();
    $tunde->online(false);
    for ($i = 0; $i < 3; $i++) {
        $title = $tunde->heading();
        $tunde->keys('f')->until(fn (): bool => $tunde->heading() !== $title, 'The next item did not come while offline');
    }
    $tunde->sees('3 decisions are kept on this machine')->online(true);
    $tunde->until(fn (): bool => $count() === $before + 3, 'The decisions did not arrive');
    $tunde->until(fn (): bool => ! str_contains($tunde->text(), 'kept on this machine'), 'The page still says that decisions wait');
    expect($count())->toBe($before + 3);
});

it('undoes by key, keeps the place over reload and back, and shows the keys', function () {
    $karin = desk('karin.sollander') /* ahead of Tunde, so that her items stay closed */;
    $first = $karin->heading();
    $place = $karin->path();
    $karin->keys('g')->until(fn (): bool => $karin->heading() !== $first, 'The next item did not come');
    $second = $karin->heading();
    $karin->driver->navigate()->refresh();
    $karin->until(fn (): bool => $karin->heading() === $second, 'The reload lost the place');
    $karin->driver->navigate()->back();
    $karin->until(fn (): bool => $karin->heading() === $first && $karin->path() === $place, 'Back did not lead to the item before');
    $karin->until(fn (): bool => str_contains($karin->text(), 'Nothing') === false && (int) Server::rows("SELECT count(*) AS n FROM decisions WHERE verdict = 'unsure' AND superseded_at IS NULL AND created_at > now() - interval '1 minute'")[0]['n'] === 1, 'The decision did not arrive');
    $karin->keys('z')->until(fn (): bool => (int) Server::rows('SELECT count(*) AS n FROM decisions WHERE verdict IS NULL AND superseded_at IS NULL')[0]['n'] === 1, 'Undo did not take it back');
    $karin->keys('?')->sees('Undo the last decision')->keys(Facebook\WebDriver\WebDriverKeys::ESCAPE)->until(fn (): bool => ! str_contains($karin->text(), 'Undo the last decision'), 'The keys did not close');
    $karin->keys('/')->until(fn (): bool => $karin->driver->switchTo()->activeElement()->getAttribute('role') === 'combobox', 'The finder did not open');
    $karin->keys('codeb', Facebook\WebDriver\WebDriverKeys::ENTER)->sees('what is found out about each included publication');
});

it('answers two requests at once for one decision with one decision', function () {
    $karin = desk('karin.sollander');
    $id = basename($karin->path());
    $race = fn (string $a, string $b): array => $karin->driver->executeAsyncScript(<<<'JS'
        const [url, keys, done] = [arguments[0], arguments[1], arguments[arguments.length - 1]];
        const token = document.querySelector('meta[name="csrf-token"]').content;
        Promise.all(keys.map((key, i) => fetch(url, {method: 'POST', headers: {'Content-Type': 'application/json', Accept: 'application/json', 'X-CSRF-TOKEN': token}, body: JSON.stringify({verdict: i ? 'unsure' : 'include', key, seen: ''})}).then(r => r.status))).then(s => done(s.sort()));
        JS, [str_replace('/desk/', '/items/', $karin->path()).'/decision', [$a, $b]]);
    expect($race('one', 'two'))->toBe([200, 409]);
    expect($race('three', 'three'))->toBe([409, 409]); // the page's "none" is stale by now
    $current = Server::rows("SELECT count(*) AS n FROM decisions WHERE item_id = '{$id}' AND superseded_at IS NULL AND user_id = (SELECT id FROM users WHERE email LIKE 'karin%')")[0]['n'];
    expect($current)->toBe(1);
});
