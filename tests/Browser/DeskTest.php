<?php

use Tests\Browser\Browser;
use Tests\Browser\Server;

beforeEach(fn () => Server::demo());

function desk(string $who): Browser
{
    return Browser::open()
        ->signIn("{$who}@heron.example", 'night-shift-demo')
        ->press('to screen')
        ->sees('not judged by me');
}

it('keeps decisions while the connection is lost, and sends each once', function () {
    $tunde = desk('tunde.adeyinka');
    $count = fn (): int => (int) Server::rows(
        "SELECT count(*) AS n FROM decisions d JOIN users u ON u.id = d.user_id WHERE u.email LIKE 'tunde%' AND superseded_at IS NULL AND verdict IS NOT NULL",
    )[0]['n'];
    $before = $count();
    $tunde->online(false);
    for ($i = 0; $i < 3; $i++) {
        $title = $tunde->heading();
        $tunde
            ->keys('f')
            ->until(fn (): bool => $tunde->heading() !== $title, 'The next item did not come while offline');
    }
    $tunde->sees('3 decisions are kept on this machine')->online(true);
    $tunde->until(fn (): bool => $count() === $before + 3, 'The decisions did not arrive');
    $tunde->until(
        fn (): bool => ! str_contains($tunde->text(), 'kept on this machine'),
        'The page still says that decisions wait',
    );
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
    $karin->until(
        fn (): bool => $karin->heading() === $first && $karin->path() === $place,
        'Back did not lead to the item before',
    );
    $karin->until(
        fn (): bool => str_contains($karin->text(), 'Nothing') === false &&
            (int) Server::rows(
                "SELECT count(*) AS n FROM decisions WHERE verdict = 'unsure' AND superseded_at IS NULL AND created_at > now() - interval '1 minute'",
            )[0]['n'] === 1,
        'The decision did not arrive',
    );
    $karin
        ->keys('z')
        ->until(
            fn (): bool => (int) Server::rows(
                'SELECT count(*) AS n FROM decisions WHERE verdict IS NULL AND superseded_at IS NULL',
            )[0]['n'] === 1,
            'Undo did not take it back',
        );
    $karin
        ->keys('?')
        ->sees('Undo the last decision')
        ->keys(Facebook\WebDriver\WebDriverKeys::ESCAPE)
        ->until(fn (): bool => ! str_contains($karin->text(), 'Undo the last decision'), 'The keys did not close');
    $karin
        ->keys('/')
        ->until(
            fn (): bool => $karin->driver->switchTo()->activeElement()->getAttribute('role') === 'combobox',
            'The finder did not open',
        );
    $karin
        ->keys('codeb', Facebook\WebDriver\WebDriverKeys::ENTER)
        ->sees('what is found out about each included study');
});

it('answers two requests at once for one decision with one decision', function () {
    $karin = desk('karin.sollander');
    $id = basename($karin->path());
    $race = fn (string $a, string $b): array => $karin->driver->executeAsyncScript(
        <<<'JS'
        const [url, keys, done] = [arguments[0], arguments[1], arguments[arguments.length - 1]];
        const token = document.querySelector('meta[name="csrf-token"]').content;
        Promise.all(keys.map((key, i) => fetch(url, {method: 'POST', headers: {'Content-Type': 'application/json', Accept: 'application/json', 'X-CSRF-TOKEN': token}, body: JSON.stringify({verdict: i ? 'unsure' : 'include', key, seen: ''})}).then(r => r.status))).then(s => done(s.sort()));
        JS
        ,
        [str_replace('/desk/', '/items/', $karin->path()).'/decision', [$a, $b]],
    );
    expect($race('one', 'two'))->toBe([200, 409]);
    expect($race('three', 'three'))->toBe([409, 409]); // the page's "none" is stale by now
    $current = Server::rows(
        "SELECT count(*) AS n FROM decisions WHERE item_id = '{$id}' AND superseded_at IS NULL AND user_id = (SELECT id FROM users WHERE email LIKE 'karin%')",
    )[0]['n'];
    expect($current)->toBe(1);
});

it('tells the lead when the last two items close at the same moment', function () {
    $tunde = desk('tunde.adeyinka');
    [
        $item,
    ] = Server::rows("SELECT i.id, i.stage_id FROM items i JOIN decisions d ON d.item_id = i.id AND d.superseded_at IS NULL AND d.verdict = 'exclude' WHERE i.state = 'waiting' AND d.user_id = (SELECT id FROM users WHERE email LIKE 'karin%')
        AND NOT EXISTS (SELECT 1 FROM decisions o WHERE o.item_id = i.id AND o.user_id <> d.user_id) ORDER BY i.position LIMIT 1");
    $waiting = "stage_id = '{$item['stage_id']}' AND state = 'waiting'";
    Server::rows(
        "UPDATE items SET state = 'excluded', opened_at = now() WHERE {$waiting} AND id NOT IN ('{$item['id']}', (SELECT max(id) FROM items WHERE {$waiting}))",
    );
    $told = fn (): int => (int) Server::rows(
        "SELECT count(*) AS n FROM notifications WHERE data->>'kind' = 'stage' AND data->>'url' LIKE '%{$item['stage_id']}'",
    )[0]['n'];
    expect($told())->toBe(0);

    // somebody else's closing of the other, up to its commit
    $other = Server::connection();
    $other->beginTransaction();
    $other->query("SELECT pg_advisory_xact_lock(hashtext('last of {$item['stage_id']}'))");
    $other->exec("UPDATE items SET state = 'excluded', opened_at = now() WHERE {$waiting} AND id <> '{$item['id']}'");
    $tunde->visit(preg_replace('~/[^/]+$~', "/{$item['id']}", $tunde->path()))->driver->executeScript(
        <<<'JS'
        const token = document.querySelector('meta[name="csrf-token"]').content;
        window.answer = fetch(arguments[0], {method: 'POST', headers: {'Content-Type': 'application/json', Accept: 'application/json', 'X-CSRF-TOKEN': token}, body: JSON.stringify({verdict: 'include', key: 'last', seen: ''})}).then(r => r.status);
        JS
        ,
        [str_replace('/desk/', '/items/', $tunde->path()).'/decision'],
    );
    $tunde->until(
        fn (): bool => Server::rows(
            "SELECT 1 FROM pg_stat_activity WHERE wait_event_type = 'Lock' AND datname = 'heron_browser'",
        ) !== [],
        'The decision does not wait for the other',
    );
    $other->commit();
    expect($tunde->driver->executeAsyncScript('window.answer.then(arguments[0])'))->toBe(200)->and($told())->toBe(1);
});
