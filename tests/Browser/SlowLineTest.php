<?php

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Browser\Browser;
use Tests\Browser\Server;

beforeEach(fn () => Server::demo());

function atTheDesk(string $who): Browser
{
    $browser = Browser::open()
        ->signIn("{$who}@heron.example", 'night-shift-demo')
        ->press('to screen')
        ->sees('not judged by me');

    return withAnItem($browser);
}

/** The address names the item as soon as the page listens to keys, and none while the next ones are on their way. */
function withAnItem(Browser $browser): Browser
{
    return $browser->until(
        fn (): bool => preg_match('~/desk/\w{26}$~', $browser->path()) === 1,
        'The desk shows no item',
    );
}

it('shows no item twice on a line of two and a half seconds, and keeps every judgement', function () {
    $tunde = atTheDesk('tunde.adeyinka');
    $count = fn (): int => (int) Server::rows(
        "SELECT count(*) AS n FROM decisions d JOIN users u ON u.id = d.user_id WHERE u.email LIKE 'tunde%' AND superseded_at IS NULL AND verdict IS NOT NULL",
    )[0]['n'];
    $before = $count();
    $tunde->online(true, latency: 2500);
    $seen = [];
    for ($i = 0; $i < 30; $i++) {
        $place = withAnItem($tunde)->path();
        expect($seen)->not->toContain($place);
        $seen[] = $place;
        $tunde->keys('f')->until(fn (): bool => $tunde->path() !== $place, 'The next item did not come');
    }
    $tunde->online(true)->until(fn (): bool => $count() === $before + 30, 'The decisions did not all arrive');
    expect($tunde->text())->not->toContain('changed in another window')->not->toContain('was refused');
});

it('has a hundred at hand without a connection, and then says that more are left', function () {
    $karin = atTheDesk('karin.sollander');
    foreach ([1, 2, 3] as $times) {
        $karin->until(
            fn (): bool => $karin->driver->executeScript(
                'return performance.getEntriesByType("resource").filter((one) => one.name.includes("/ahead") && one.responseEnd > 0).length',
            ) >= $times,
            'Not enough is fetched ahead',
        );
    }
    usleep(500_000);
    $karin->online(false);
    for ($judged = 0; $judged < 100; $judged++) {
        $place = $karin->path();
        $karin->keys('g')->until(fn (): bool => $karin->path() !== $place, "Nothing came after {$judged}");
    }
    // what is at hand ends before what is left does
    for ($more = 0; $more < 400 && ! str_contains($karin->text(), 'No more can be fetched'); $more++) {
        $karin->keys('g');
    }
    $karin->sees('No more can be fetched until the connection is back')->seesNot('Nothing is left for you to judge');
    $karin
        ->online(true)
        ->until(fn (): bool => ! str_contains($karin->text(), 'No more can be fetched'), 'It does not go on by itself');
});

it('keeps what was begun on an item over going on, coming back and a reload', function () {
    $tunde = atTheDesk('tunde.adeyinka');
    $place = $tunde->path();
    $note = fn (): string => (string) $tunde->driver->findElement(WebDriverBy::id('note'))->getAttribute('value');
    $tunde->driver->findElement(WebDriverBy::id('note'))->sendKeys('Ask about the ward');
    $tunde->driver->findElement(WebDriverBy::id('note'))->sendKeys(WebDriverKeys::ESCAPE);
    $tunde->press('Leave for later')->until(fn (): bool => $tunde->path() !== $place, 'It did not go on');
    expect($note())->toBe('');
    $tunde->driver->navigate()->back();
    $tunde->until(fn (): bool => $note() === 'Ask about the ward', 'The note was lost on the way');
    $tunde->driver->navigate()->refresh();
    $tunde->until(fn (): bool => $note() === 'Ask about the ward', 'The note was lost by the reload');
});

it('listens to no single key where they are switched off', function () {
    $tunde = atTheDesk('tunde.adeyinka');
    $count = fn (): int => (int) Server::rows('SELECT count(*) AS n FROM decisions')[0]['n'];
    [$place, $before] = [$tunde->path(), $count()];
    $tunde->keys('?')->sees('Switch single keys off');
    $tunde->driver->findElement(WebDriverBy::xpath('//label[contains(.,"Switch single keys off")]/input'))->click();
    $tunde->press('Close')->keys('f', 'g', 'h', '1');
    usleep(400_000);
    expect($tunde->path())->toBe($place)->and($count())->toBe($before);
    $tunde->press('Include')->until(fn (): bool => $count() === $before + 1, 'The button decides nothing');
});

it('starts one review, however often one presses meanwhile', function () {
    $ines = Browser::open()
        ->signIn('ines.okafor@heron.example', 'night-shift-demo')
        ->press('Start a review')
        ->fill('Short title', 'Pressed three times')
        ->fill('Question', 'Once or three times?')
        ->online(true, latency: 2500);
    $ines->driver->executeScript(<<<'JS'
        const button = [...document.querySelectorAll('button')].find((one) => one.textContent.trim() === 'Start the review');
        for (let i = 0; i < 3; i++) button.click();
        JS);
    $ines->until(fn (): bool => str_starts_with($ines->path(), '/reviews/'), 'It was not started');
    usleep(500_000);
    expect(Server::rows("SELECT count(*) AS n FROM reviews WHERE title = 'Pressed three times'")[0]['n'])->toBe(1);
});
