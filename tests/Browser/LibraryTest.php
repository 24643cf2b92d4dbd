<?php

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Browser\Browser;
use Tests\Browser\Server;

beforeEach(fn () => Server::demo());

function library(): Browser
{
    $id = Server::rows("SELECT id FROM reviews WHERE title LIKE 'Bright%'")[0]['id'];

    return Browser::open()
        ->signIn('ines.okafor@heron.example', 'night-shift-demo')
        ->visit("/reviews/{$id}/records");
}

it('removes nothing before something is ticked, a reason is given and the number is said yes to', function () {
    $ines = library();
    $removed = fn (): int => (int) Server::rows(
        'SELECT count(*) AS n FROM publications WHERE removed_at IS NOT NULL',
    )[0]['n'];
    $before = $removed();
    $ines
        ->press('Remove')
        ->fill('Reason, for the flow diagram', 'Erratum')
        ->press('Remove the ticked…')
        ->sees('Nothing is ticked, so nothing was done');
    $boxes = fn (): array => $ines->driver->findElements(WebDriverBy::cssSelector('tbody input[name="ids[]"]'));
    [$first, $second] = array_map(fn ($box): string => $box->getAttribute('value'), array_slice($boxes(), 0, 2));
    $boxes()[0]->click();
    $boxes()[1]->click();
    // without a reason: the menu stands open with the error, and the ticks are still there
    $ines->press('Remove');
    $reason = fn () => $ines->driver->findElement(WebDriverBy::cssSelector('.menu[open] input[name="reason"]'));
    $reason()->clear();
    $ines
        ->press('Remove the ticked…')
        ->until(
            fn (): bool => $ines->driver->findElements(WebDriverBy::cssSelector('.menu[open] .field-error')) !== [],
            'The missing reason is not said',
        );
    expect(
        array_values(
            array_map(
                fn ($box): string => $box->getAttribute('value'),
                array_filter($boxes(), fn ($box): bool => $box->isSelected()),
            ),
        ),
    )
        ->toBe([$first, $second])
        ->and($removed())
        ->toBe($before);
    $reason()->sendKeys('Erratum');
    $ines->press('Remove the ticked…')->sees('Take 2 publications out of the review, as “Erratum”?');
    expect($removed())->toBe($before);
    $ines->press('No, leave them')->seesNot('out of the review, as');
    expect($removed())->toBe($before);
    $boxes()[0]->click();
    $ines->press('Remove');
    $reason()->sendKeys('Erratum');
    $ines
        ->press('Remove the ticked…')
        ->sees('Take 1 publication out of the review')
        ->press('Yes, take 1 publication out')
        ->until(fn (): bool => $removed() === $before + 1, 'It was not removed');
    // and back again, asked in the same way
    $ines->visit($ines->path().'?removed=1');
    $boxes()[0]->click();
    $ines
        ->press('Bring the ticked back…')
        ->sees('Bring 1 publication back into the review?')
        ->press('Yes, bring 1 publication back')
        ->until(fn (): bool => $removed() === $before, 'It did not come back');
});

it('opens one menu at a time, and gives the focus back when Escape closes it', function () {
    $ines = library();
    $open = fn (): array => array_map(
        fn ($menu): string => trim($menu->getText()),
        $ines->driver->findElements(WebDriverBy::cssSelector('.menu[open] > summary')),
    );
    $ines->press('Remove')->press('Recipes');
    expect($open())->toBe(['Recipes']);
    $ines->keys(WebDriverKeys::ESCAPE)->until(fn (): bool => $open() === [], 'Escape does not close it');
    expect(trim($ines->driver->switchTo()->activeElement()->getText()))->toBe('Recipes');
    $ines->press('Tag');
    $ines->one('//h1')->click();
    $ines->until(fn (): bool => $open() === [], 'A press elsewhere does not close it');
});

it('folds the work that is over into one line, and dismisses all of it at a press', function () {
    Server::rows('UPDATE tasks SET seen_at = now()');
    foreach (range(1, 6) as $i) {
        Server::rows("INSERT INTO tasks (id, review_id, user_id, kind, title, state, message, finished_at, created_at, updated_at)
            SELECT lower('01J000000000000000000000' || '0{$i}'), r.id, u.id, 'delivery', 'Delivery {$i}', 'failed', 'No records', now(), now(), now() FROM reviews r, users u WHERE r.title LIKE 'Bright%' AND u.email LIKE 'ines%'");
    }
    $ines = library()->sees('and 5 more that are over');
    expect($ines->text())->toContain('Delivery 6')->not->toContain('Delivery 1');
    $ines->press('and 5 more that are over')->sees('Delivery 1')->press('Dismiss all 6')->seesNot('Delivery 6');
    $ines->until(
        fn (): bool => (int) Server::rows('SELECT count(*) AS n FROM tasks WHERE seen_at IS NULL')[0]['n'] === 0,
        'They are not dismissed',
    );
    $ines->visit($ines->path());
    expect($ines->text())->not->toContain('Delivery 6');
});

it('runs as a role that can take nothing away from what is only added to', function () {
    $app = new PDO('pgsql:host=127.0.0.1;port='.getenv('DB_PORT').';dbname=heron_browser', 'heron_app');
    $app->setAttribute(PDO::ATTR_ERRMODE, PDO::ERRMODE_EXCEPTION);
    foreach (['TRUNCATE log_entries', 'DELETE FROM decisions', 'ALTER ROLE heron_app SUPERUSER'] as $sql) {
        expect(fn () => $app->exec($sql))->toThrow(PDOException::class, '42501');
    }
    expect(
        fn () => new PDO(
            'pgsql:host=127.0.0.1;port='.getenv('DB_PORT').';dbname=heron_browser',
            'heron_app',
            'a guess',
        ),
    )->toThrow(PDOException::class, 'password authentication failed');
});
