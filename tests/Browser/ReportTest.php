<?php

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Browser\Browser;
use Tests\Browser\Server;

beforeEach(fn () => Server::demo());

function reportOf(string $who): Browser
{
    $review = Server::rows("SELECT id FROM reviews WHERE title = 'Bright light on night shifts'")[0]['id'];
    $at = Browser::open()->signIn("{$who}@heron.example", 'night-shift-demo')->visit("/reviews/{$review}/report/text");

    return $at->sees('Sections')->until(
        fn (): bool => $at->driver->findElements(WebDriverBy::cssSelector('.ProseMirror h2')) !== [],
        'the report does not open',
    );
}

/** Goes to the end of a paragraph of the report and types. */
function types(Browser $at, int $paragraph, string $words): Browser
{
    $at->driver->executeScript(<<<'JS'
        const p = document.querySelectorAll('.ProseMirror > p')[arguments[0]];
        p.scrollIntoView({ block: 'center' });
        document.querySelector('.ProseMirror').focus();
        const range = document.createRange();
        range.selectNodeContents(p);
        range.collapse(false);
        getSelection().removeAllRanges();
        getSelection().addRange(range);
        JS, [$paragraph]);
    usleep(400_000); // the editor takes the place in its next frame
    $at->driver->getKeyboard()->sendKeys($words);

    return $at;
}

/** Its words, without the names at the places where others are. */
function said(Browser $at): string
{
    return (string) $at->driver->executeScript(<<<'JS'
        const text = document.querySelector('.ProseMirror')?.cloneNode(true);
        if (!text) return '';
        text.querySelectorAll('.collaboration-carets__caret').forEach((one) => one.remove());
        return text.textContent;
        JS);
}

it('is written by two at once, one of them cut off for a while, and nothing is lost', function () {
    $karin = reportOf('karin.sollander');
    $tunde = reportOf('tunde.adeyinka');
    types($karin, 0, ' Karin was here.');
    $tunde->until(fn (): bool => str_contains(said($tunde), 'Karin was here.'), 'Tunde does not see what Karin wrote');
    $tunde->sees('Karin Sollander')->online(false);
    types($tunde, 1, ' Tunde wrote this in a tunnel.');
    types($karin, 0, ' And once more.');
    $karin->until(fn (): bool => str_contains(said($karin), 'And once more.'), 'Karin cannot write');
    expect(said($karin))->not->toContain('tunnel');
    $tunde->online(true);
    $karin->until(fn (): bool => str_contains(said($karin), 'in a tunnel.'), 'what was written offline does not come');
    $tunde->until(fn (): bool => str_contains(said($tunde), 'And once more.'), 'what was missed does not come');
    $tunde->press('Live block')->driver->executeScript(
        "[...document.querySelectorAll('.report-choices button')].find((one) => one.textContent.trim() === 'Searches').click()",
    );
    $drawn = fn (Browser $at): int => (int) $at->driver->executeScript(
        "return [...document.querySelectorAll('.live-body[aria-label=\"Searches\"]')].filter((one) => one.querySelector('td')).length",
    );
    $tunde->until(fn (): bool => $drawn($tunde) === 2, 'the block is not put in');
    $karin->until(fn (): bool => $drawn($karin) === 2, 'a block that another put in is not drawn');
    expect(said($tunde))->toBe(said($karin));
    $karin->driver->navigate()->refresh();
    $karin->until(fn (): bool => str_contains(said($karin), 'in a tunnel.'), 'a reload loses words');
    expect($karin->complaints())->toBe([]);
});

it('lets a claim rest on a passage, marks what changed upstream, and refreshes it by a press', function () {
    $karin = reportOf('karin.sollander');
    types($karin, 1, 'Some found the lamps glaring');
    $karin->driver->getKeyboard()->sendKeys([WebDriverKeys::SHIFT, WebDriverKeys::HOME]);
    $karin->driver->getKeyboard()->sendKeys([WebDriverKeys::NULL]);
    usleep(300_000);
    $karin->press('Claim')->sees('What this claim rests on')->sees('rests on nothing yet');
    $karin->driver->findElement(WebDriverBy::cssSelector('[x-ref="evidence"]'))->sendKeys('glare eight');
    $karin->sees('Glare was named by one in eight');
    $karin->driver->executeScript('[...document.querySelectorAll("button.evidence-quote")].find((one) => one.offsetParent).click()');
    $karin->until(
        fn (): bool => Server::rows("SELECT 1 FROM report_claims WHERE evidence::text LIKE '%one in eight%'") !== [],
        'the evidence was not kept',
    );
    // a footnote goes behind the words that are still selected, and is changed once it is in
    $note = fn () => $karin->driver->findElement(WebDriverBy::cssSelector('[x-ref="note"]'));
    $karin->press('Footnote')->sees('Press a footnote in the text');
    $note()->sendKeys('On two wards');
    $karin->press('Keep it')->until(
        fn (): bool => $karin->driver->findElements(WebDriverBy::cssSelector('.report-text .footnote')) !== [],
        'the footnote is not there',
    );
    $karin->sees('Some found the lamps glaring†');
    $karin->driver->findElement(WebDriverBy::cssSelector('.report-text .footnote'))->click();
    $karin->until(fn (): bool => $note()->isDisplayed() && $note()->getAttribute('value') === 'On two wards', 'it does not open');
    $note()->clear();
    $note()->sendKeys('On three wards');
    $karin->press('Keep it')->until(
        fn (): bool => $karin->driver->findElement(WebDriverBy::cssSelector('.report-text .footnote'))->getAttribute('title') === 'On three wards',
        'the footnote was not changed',
    );
    // a result is withdrawn: the plot says so, and follows only when it is told to
    $result = Server::rows("SELECT review_id, publication_id, row_id FROM standing_results WHERE form = 'counts' ORDER BY row_id LIMIT 1")[0];
    $here = $karin->path();
    $karin->visit("/reviews/{$result['review_id']}/coding/{$result['publication_id']}#result-{$result['row_id']}")
        ->sees('Withdraw it')->press('Withdraw it')
        ->until(
            fn (): bool => Server::rows("SELECT 1 FROM standing_results WHERE row_id = '{$result['row_id']}'") === [],
            'it was not withdrawn',
        );
    $karin->visit($here)->sees('Changed')->sees('refresh all')->press('refresh all')->until(
        fn (): bool => $karin->driver->findElements(WebDriverBy::cssSelector('.live-changed')) === [],
        'blocks do not follow',
    );
    expect($karin->complaints())->toBe([]);
});

it('asks the review by keyboard, follows on, opens the paper at the words, and takes an answer into the report', function () {
    $review = Server::rows("SELECT id FROM reviews WHERE title LIKE 'Bright%'")[0]['id'];
    $karin = Browser::open()->signIn('karin.sollander@heron.example', 'night-shift-demo')->visit("/reviews/{$review}/ask");
    // the field has the focus
    $karin->keys('Was glare a complaint?'.WebDriverKeys::ENTER)->sees('Numbers that bear on it')->sees('Into the report, as a claim');
    $karin->tick('only of the');
    $karin->driver->findElement(WebDriverBy::id('question'))->sendKeys('How many people were analysed?'.WebDriverKeys::ENTER);
    $karin->sees('after Was glare a complaint?')->sees('People analysed');
    $karin->driver->findElement(WebDriverBy::linkText('Was glare a complaint?'))->click();
    $karin->sees('Glare was named')->press('Into the report, as a claim')->sees('What this claim rests on')->until(
        fn (): bool => str_contains((string) $karin->driver->executeScript(
            'return [...document.querySelectorAll(".report-text .claim")].map((one) => one.textContent).join("|")',
        ), 'Glare'),
        'The claim is not in the text',
    );
    $karin->sees('Saved')->until(
        fn (): bool => Server::rows("SELECT 1 FROM report_claims WHERE evidence::text LIKE '%Glare was named%' AND NOT own") !== [],
        'The claim rests on nothing',
    );
    expect($karin->axe())->toBe([])->and($karin->complaints())->toBe([]);
    $karin->visit("/reviews/{$review}/ask")->sees('Asked by you');
    expect($karin->axe())->toBe([])->and($karin->isTooWide())->toBeFalse();
});

it('has two speak about words of the text, and a figure named by its number wherever it stands', function () {
    $karin = reportOf('karin.sollander');
    types($karin, 0, ' Lamps help.');
    $karin->driver->executeScript(<<<'JS'
        const p = document.querySelector('.ProseMirror > p');
        const text = [...p.childNodes].findLast((one) => one.nodeType === 3) ?? p.lastChild.firstChild;
        const range = document.createRange();
        range.setStart(text, text.length - 11);
        range.setEnd(text, text.length);
        getSelection().removeAllRanges();
        getSelection().addRange(range);
        JS);
    usleep(400_000); // the editor takes the place in its next frame
    $karin->press('Remark')->sees('Remarks are not part of what is handed out');
    $karin->driver->findElement(WebDriverBy::cssSelector('textarea[x-ref="remark"]'))->sendKeys('Do they, by day?');
    $karin->press('Say it')->sees('Do they, by day?');
    $tunde = reportOf('tunde.adeyinka')->sees('Open remarks');
    $tunde->press('Do they, by day?')->sees('Lamps help.');
    $tunde->driver->findElement(WebDriverBy::cssSelector('textarea[x-ref="remark"]'))->sendKeys('Only at night.');
    $tunde->press('Say it')->sees('Only at night.')->press('End it')->sees('Open it again');
    expect($tunde->axe())->toBe([]);
    $karin->visit('/notices')->sees('answered your remark on the report');

    types($tunde, 0, ' See ')->press('Figure or table')->press('Figure 1 Flow of records');
    $tunde->until(
        fn (): bool => $tunde->driver->findElements(WebDriverBy::xpath('//p//span[contains(@class, "block-ref") and . = "Figure 1"]')) !== [],
        'the figure is not named',
    );
    expect($tunde->complaints())->toBe([]);
});

it('is read by a stranger on a phone, down to what each claim rests on, and answered', function () {
    $review = Server::rows("SELECT id FROM reviews WHERE title = 'Bright light on night shifts'")[0]['id'];
    $ines = Browser::open()->signIn('ines.okafor@heron.example', 'night-shift-demo')->visit("/reviews/{$review}/report/links");
    $ines->fill('For whom', 'A journal')->tick('with room for comments to the team')->press('Give an address')->sees('shown this once');
    $address = (string) $ines->driver->executeScript("return document.querySelector('[role=status] code').textContent");

    $stranger = Browser::open();
    $stranger->tools('Emulation.setDeviceMetricsOverride', ['width' => 390, 'height' => 844, 'deviceScaleFactor' => 1, 'mobile' => true]);
    $found = [];
    $looks = function (string $where) use ($stranger, &$found): void {
        $all = [...$stranger->axe(), ...$stranger->complaints(), ...$stranger->covered(), ...$stranger->isTooWide() ? ['wider than the window'] : []];
        $found = [...$found, ...array_map(fn (string $one): string => "{$where}: {$one}", $all)];
    };
    $stranger->visit((string) parse_url($address, PHP_URL_PATH))->sees('First draft, for the team')->seesNot('Sign out');
    $looks('report');
    $stranger->one('//article//a[starts-with(@href, "#claim-")]')->click();
    $stranger->until(
        fn (): bool => (bool) $stranger->driver->executeScript(<<<'JS'
            const box = document.querySelector(location.hash || '#none')?.getBoundingClientRect();
            return box && box.top >= 0 && box.top < innerHeight && document.querySelector(location.hash).querySelector('q') !== null;
            JS),
        'the claim does not lead to the words it rests on',
    );
    $stranger->press('Decisions')->sees('What was decided');
    $looks('decisions');
    $stranger->press('Searches')->sees('As it was sent');
    $looks('searches');
    $stranger->driver->navigate()->back();
    $stranger->sees('What was decided')->press('Report');
    $stranger->fill('Your name', 'A referee')->fill('Comment', 'How was the light measured?')->press('Send to the team');
    $stranger->sees('Your comment is with the team.')->sees('How was the light measured?');
    expect($found)->toBe([]);

    $ines->visit("/reviews/{$review}/report/links")->sees('How was the light measured?')->press('Seen to')->sees('Seen to.');
    $done = Server::rows("SELECT done_at FROM reader_comments WHERE review_id = '{$review}' AND done_at IS NOT NULL");
    expect($done)->toHaveCount(1);
    $ines->sees('Seen to '.(new DateTimeImmutable($done[0]['done_at']))->format('j M Y'));
    $ines->one('//button[@aria-label="Take back: A journal"]')->click();
    $ines->sees('The address leads nowhere any more.');
    $stranger->visit((string) parse_url($address, PHP_URL_PATH))->seesNot('First draft, for the team');
});

it('is written as an archive by the worker, and taken away', function () {
    $review = Server::rows('SELECT id FROM reviews WHERE coded_by = 2')[0]['id'];
    $lead = Browser::open()->signIn('ines.okafor@heron.example', 'night-shift-demo')->visit("/reviews/{$review}/report");
    $lead->press('Write an archive');
    $state = fn (): string => (string) (Server::rows("SELECT state FROM tasks WHERE review_id = '{$review}' AND kind = 'archive'")[0]['state'] ?? '');
    $lead->until(fn (): bool => in_array($state(), ['done', 'failed'], true), 'no archive is made');
    expect($state())->toBe('done');
    $told = Server::rows("SELECT done, total FROM tasks WHERE review_id = '{$review}' AND kind = 'archive'")[0];
    expect((int) $told['done'])->toBeGreaterThan(0)->toBe((int) $told['total'] - 1);
    $lead->visit("/reviews/{$review}/report")->sees('Archive with full texts');
});
